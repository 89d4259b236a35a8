import type { BoardDraft } from '../board';
import type { Plan } from '../plan';

/** One kind of change: what it takes, what it is called when it is undone, and what it does. */
export interface EditDefinition<Params> {
  /** @param plan before the change */
  readonly name: (edit: Params, plan: Plan) => string;
  /** Does nothing where what it changes is gone: an edit made on one device may arrive late on another. */
  readonly apply: (board: BoardDraft, edit: Params) => void;
}

/** Fixes what an edit takes, so that the union of all edits follows from their table. */
export const edit = <Params = object>(
  name: string | EditDefinition<Params>['name'],
  apply: EditDefinition<Params>['apply'],
): EditDefinition<Params> => ({ name: typeof name === 'string' ? () => name : name, apply });
