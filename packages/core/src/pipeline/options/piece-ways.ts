import type { Catalogue } from '../../catalogue';
import { FAMILIES, type FamilyName, familyNamed, pieceScale, settingsOf } from '../../build/pieces';
import { type Figure, total } from '../../base/units';
import type { Plan } from '../../plan';
import { type Edit, appliedTo } from '../../plan/edits';
import { type WorkshopState, EMPTY_WORKSHOP } from '../../plan/workshop';
import type { Derivation } from '../derive';
import { derivePipeline } from '../full';

/** One way of making a piece, derived in full. */
export interface PieceWay {
  readonly id: string;
  readonly text: string;
  readonly isOwn: boolean;
  /** Cutting and putting together, as its tasks in Days say; without set-ups, which tasks share. */
  readonly work: Figure<'min'>;
  /** Of the whole board. */
  readonly cost: Figure<'money'>;
  readonly edit: Edit;
}
export interface PieceWaysProgress {
  readonly ways: readonly PieceWay[];
  readonly done: number;
  readonly of: number;
}

/** The work on a piece before it is coated, as it stands in the days. */
export const pieceWork = ({ steps }: Pick<Derivation, 'steps'>, pieceId: string, name: string): Figure<'min'> =>
  total(
    `${name}: cut and put together`,
    'min',
    steps
      .filter(({ kind }) => kind === 'cut' || kind === 'glue')
      .flatMap(({ tasks }) => tasks.filter(({ workpieceId }) => workpieceId === pieceId).map(({ work }) => work)),
  );

/** Every way its family knows of making a piece; none for one that can only be made one way, or not at all. */
export function* pieceWaysOf(
  plan: Plan,
  pieceId: string,
  catalogue: Catalogue,
  shop: WorkshopState = EMPTY_WORKSHOP,
): Generator<PieceWaysProgress, void, void> {
  const piece = plan.pieces.find(({ id }) => id === pieceId);
  if (piece === undefined || !(piece.family in FAMILIES)) return;
  const { fields } = familyNamed(piece.family as FamilyName);
  const settings = settingsOf(piece, pieceScale(plan.figureHeightMm, plan.play.baseMm, catalogue));
  const choices = fields.flatMap((field) =>
    field.isWay && field.ask === 'choice'
      ? field.options.map(({ value, text }) => ({ key: field.key, label: field.label, value, text }))
      : [],
  );
  const derive = derivePipeline();
  const ways: PieceWay[] = [];
  for (const { key, label, value, text } of choices) {
    const edit: Edit = { code: 'piece/set', pieceId, change: { [key]: value }, what: label };
    const derivation = derive(appliedTo(plan, edit), catalogue, shop);
    ways.push({
      id: `${key}-${value}`,
      text,
      isOwn: settings[key] === value,
      work: pieceWork(derivation, pieceId, piece.name),
      cost: derivation.tally.cost,
      edit,
    });
    yield { ways: [...ways], done: ways.length, of: choices.length };
  }
}
