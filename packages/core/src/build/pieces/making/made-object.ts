import type { Coursed } from './drawing';
import type { LooseStuff } from './loose';
import type { Assembly, Body, FlatPart, LengthPart } from '../../shell';

/** Something of a piece that is put together by itself, each so many times. */
export interface MadeObject {
  readonly id: string;
  readonly name: string;
  /** Of one piece. */
  readonly count: number;
  readonly assembly: Assembly;
  readonly bodies: readonly Body[];
  /** What is heaped on it. */
  readonly loose: readonly LooseStuff[];
  /** Where the courses of its cladding lie. */
  readonly courses: readonly Coursed[];
  readonly sheets: readonly FlatPart[];
  readonly lengths: readonly LengthPart[];
}
