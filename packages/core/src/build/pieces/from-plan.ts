import { type Box, type Point, boxAround, signedMm2, stripRegion } from '../../base/geometry';
import { tidyMm } from '../../base/rounding';
import type { Catalogue } from '../../catalogue';
import { type Feature, newFeature, pieceOn } from '../../plan/features';
import type { Piece, Plan } from '../../plan';
import type { Edit } from '../../plan/edits';
import { MAX_POINTS } from '../../plan/fields';
import { rectangle } from '../../plan/shapes';
import { cornerWords, drawnOn } from './measures/corners';
import type { PieceField } from './family';

/** Features of a plan that the corners of a field can be taken from. */
export const drawnFor = ({ drawn }: PieceField, features: readonly Feature[]): readonly Feature[] =>
  drawn === undefined ? [] : features.filter((feature) => drawnOn(feature, drawn) !== null);

/** Room beside a line for what stands on it. */
const BESIDE_MM = 10;
/** Ground along a line and no more of the table than that, moved so that its middle is the line's: there the piece comes to stand. */
function besideLine(line: readonly Point[]): readonly Point[] {
  const [outer] = [...stripRegion(line, 2 * BESIDE_MM).rings].sort((a, b) => Math.abs(signedMm2(b)) - Math.abs(signedMm2(a)));
  const box = boxAround(line);
  // A line of very many corners has more beside it than an outline may have.
  if (outer === undefined || outer.length > MAX_POINTS)
    return rectangle({ x: box.left - BESIDE_MM, y: box.top - BESIDE_MM }, { x: box.right + BESIDE_MM, y: box.bottom + BESIDE_MM }).points;
  const [wanted, own] = [middleOf(box), middleOf(boxAround(outer))];
  return outer.map(({ x, y }) => ({ x: tidyMm(x + wanted.x - own.x), y: tidyMm(y + wanted.y - own.y) }));
}
const middleOf = ({ left, right, top, bottom }: Box): Point => ({ x: (left + right) / 2, y: (top + bottom) / 2 });

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
  const points = field.drawn === 'line' ? besideLine(corners) : corners;
  const plot = { ...newFeature(plan, 'plot', { form: 'outline', points: [...points] }, id, catalogue), pieceId: piece.id } as Feature;
  const why = `Stand ${piece.name} along ${feature.name}`;
  return { code: 'together', edits: [set, { code: 'features/add', features: [plot], why }], why };
}
