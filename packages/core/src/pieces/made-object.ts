import type { Assembly, Body, FlatPart, LengthPart } from '../shell';

/** Something of a piece that is put together by itself, each so many times. */
export interface MadeObject {
  readonly id: string;
  readonly name: string;
  /** Of one piece. */
  readonly count: number;
  readonly assembly: Assembly;
  readonly bodies: readonly Body[];
  readonly sheets: readonly FlatPart[];
  readonly lengths: readonly LengthPart[];
}
