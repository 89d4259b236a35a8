import type { BoardRecord, RecordDraft } from './workshop';
import type { Plan, PlanDraft } from './plan';

/** A board: what is planned, and what was done of it. */
export interface Board {
  readonly plan: Plan;
  readonly record: BoardRecord;
}
/** A board inside a recipe, where assignments are recorded and a new board comes out. */
export interface BoardDraft {
  plan: PlanDraft;
  record: RecordDraft;
}
