import { boxAround } from '../base/geometry';
import type { Catalogue } from '../catalogue';
import { type Feature, newFeature, pieceOn } from '../features';
import type { Piece, Plan } from '../plan';
import type { Edit } from '../plan/edits';
import { rectangle } from '../shapes';
import { cornerWords, drawnOn } from './corners';
import type { PieceField } from './family';

/** Features of a plan that the corners of a field can be taken from. */
export const drawnFor = ({ drawn }: PieceField, features: readonly Feature[]): readonly Feature[] =>
  drawn === undefined ? [] : features.filter((feature) => drawnOn(feature, drawn) !== null);

/** Room beside a line for what stands on it. */
const BESIDE_MM = 10;

/**
 * A piece takes its corners from what is drawn on the plan, and stands there unless it stands on a plot already.
 * @param id of the plot, should it need one
 */
export function takenFromPlan(
  piece: Piece,
  { field, feature, id }: { readonly field: PieceField; readonly feature: Feature; readonly id: string },
  plan: Plan,
  catalogue: Catalogue,
): Edit {
  const corners = drawnOn(feature, field.drawn!)!;
  const set: Edit = {
    code: 'piece/set',
    pieceId: piece.id,
    change: { [field.key]: cornerWords(corners) },
    what: `Draw along ${feature.name}:`,
  };
  if (plan.features.some((one) => pieceOn(one) === piece.id)) return set;
  const { left, top, right, bottom } = boxAround(corners);
  const shape = rectangle({ x: left - BESIDE_MM, y: top - BESIDE_MM }, { x: right + BESIDE_MM, y: bottom + BESIDE_MM });
  const plot = { ...newFeature(plan, 'plot', shape, id, catalogue), pieceId: piece.id } as Feature;
  const why = `Stand ${piece.name} along ${feature.name}`;
  return { code: 'together', edits: [set, { code: 'features/add', features: [plot], why }], why };
}
