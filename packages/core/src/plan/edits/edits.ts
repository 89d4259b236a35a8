import type { Board, BoardDraft } from '../board';
import { produce } from 'immer';
import type { Plan } from '../plan';
import { boardEdits } from './board-edits';
import { buyingEdits } from './buying-edits';
import { cuttingEdits } from './cutting-edits';
import { dayEdits } from './day-edits';
import type { EditDefinition } from './edit-definition';
import { featureEdits } from './feature-edits';
import { pieceEdits } from './piece-edits';
import { stackEdits } from './stack-edits';
import { surfaceEdits } from './surface-edits';
import { tableEdits } from './table-edits';

/** Every change that can be made to a board, by name: by hand, by a mend, by undoing, from another device. */
const EDITS = {
  ...boardEdits,
  ...buyingEdits,
  ...dayEdits,
  ...tableEdits,
  ...featureEdits,
  ...pieceEdits,
  ...surfaceEdits,
  ...stackEdits,
  ...cuttingEdits,
};

type SingleCode = keyof typeof EDITS;
type ParamsOf<Definition> = Definition extends EditDefinition<infer Params> ? Params : never;
export type SingleEdit = { [Code in SingleCode]: { readonly code: Code } & ParamsOf<(typeof EDITS)[Code]> }[SingleCode];
/** Several edits as one step. */
interface Together {
  readonly code: 'together';
  readonly edits: readonly SingleEdit[];
  readonly why: string;
}
/** A named change with what it takes: plain data, so that it can be sent, kept and shown. */
export type Edit = SingleEdit | Together;
export type EditCode = Edit['code'];
export type EditNamed<Code extends EditCode> = Extract<Edit, { code: Code }>;
export const EDIT_CODES: readonly EditCode[] = [...(Object.keys(EDITS) as SingleCode[]), 'together'];

const definitionOf = (edit: SingleEdit): EditDefinition<SingleEdit> => EDITS[edit.code] as unknown as EditDefinition<SingleEdit>;

/** Applies an edit inside a recipe. */
export function applyIn(board: BoardDraft, edit: Edit): void {
  if (edit.code === 'together') for (const one of edit.edits) definitionOf(one).apply(board, one);
  else definitionOf(edit).apply(board, edit);
}

/** The board with an edit applied; the same board where what it changes is gone. */
export const applied = (board: Board, edit: Edit): Board => produce(board, (draft) => applyIn(draft as BoardDraft, edit));

/** A plan, or those of its parts that an edit touches, with the edit applied. */
export const appliedTo = <P extends Partial<Plan>>(plan: P, edit: Edit): P =>
  produce(plan, (draft) => applyIn({ plan: draft as unknown as BoardDraft['plan'], record: { cutSheets: [], doneTasks: {} } }, edit));

/** Several edits as one step. @param why what the step is called when it is undone */
export const atOnce = (edits: readonly SingleEdit[], why: string): Edit => ({ code: 'together', edits, why });

/** What an edit is called when it is undone. @param plan before the edit */
export const editName = (edit: Edit, plan: Plan): string => (edit.code === 'together' ? edit.why : definitionOf(edit).name(edit, plan));
