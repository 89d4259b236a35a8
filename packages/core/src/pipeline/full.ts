import type { Catalogue } from '../catalogue';
import * as checks from '../advice/checks';
import * as evenings from '../schedule/tasks';
import type { MakePieces } from '../build/pieces';
import type { Plan } from '../plan';
import type { Shop } from '../plan/workshop';
import { surelyFor } from '../procurement/supplies/certainty';
import { type Derivation, type Finish, pipelineWith } from './derive';

/** Everything that follows from a plan, what the checks tell among it. */
export type Judged = Omit<Derivation, 'bow' | 'weights'> & {
  readonly bow: NonNullable<Derivation['bow']>;
  readonly weights: NonNullable<Derivation['weights']>;
};
/** A pipeline for one board with every check. @param makePieces left out for a board without pieces; @param finish left out where nobody looks at coats or the section */
export const derivePipeline = (
  makePieces: MakePieces | null = null,
  finish: Finish | null = null,
): ((plan: Plan, catalogue: Catalogue, shop?: Shop) => Judged) =>
  pipelineWith({ makePieces, finish, evenings, surelyFor, checks }) as (plan: Plan, catalogue: Catalogue, shop?: Shop) => Judged;
