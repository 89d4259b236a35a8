import { type Ring, thinned } from '../../base/geometry';
import { kindOf } from '../features';
import { type Plan, hasTable, tableDepthMm, tableWidthMm } from '..';
import { shapeRegion } from '../shapes';

/** What a card in the list of boards shows of a plan, small enough for hundreds in one answer. */
export interface BoardSummary {
  readonly units: Plan['units'];
  readonly figureHeightMm: number;
  /** Table, mm; 0 for a loose lot. */
  readonly widthMm: number;
  readonly depthMm: number;
  readonly columnWidthsMm: readonly number[];
  readonly rowDepthsMm: readonly number[];
  /** Outlines from the lowest to the highest, in whole hundredths of the longer side: the hatch that fills them and a path. */
  readonly areas: readonly { readonly hatch: string | null; readonly path: string }[];
  /** What stands on a loose lot. */
  readonly pieceNames: readonly string[];
}

/** More would not be told apart in a picture of this size. */
const MAX_AREAS = 14;
const MAX_CORNERS = 14;
const MAX_PIECES = 6;
const UNITS_ALONG = 100;
const SLACK_UNITS = 0.8;

/** The summary of a plan. Small features and small corners of large ones are left out. */
export function boardSummary(plan: Plan): BoardSummary {
  const { table, units, figureHeightMm } = plan;
  const [widthMm, depthMm] = [tableWidthMm(table), tableDepthMm(table)];
  const k = UNITS_ALONG / Math.max(widthMm, depthMm, 1);
  return {
    ...{ units, figureHeightMm, widthMm, depthMm },
    columnWidthsMm: table.columnWidthsMm,
    rowDepthsMm: table.rowDepthsMm,
    areas: hasTable(table) ? areasOf(plan, k) : [],
    pieceNames: hasTable(table) ? [] : plan.pieces.slice(0, MAX_PIECES).map(({ name, count }) => (count > 1 ? `${name} × ${count}` : name)),
  };
}

function areasOf({ features }: Plan, k: number): BoardSummary['areas'] {
  const seen = features
    .filter(({ hidden }) => !hidden)
    .map((feature) => ({ feature, rings: shapeRegion(feature.shape).rings }))
    .map((one) => ({ ...one, areaMm2: one.rings.reduce((sum, ring) => sum + boxAreaOf(ring), 0) }))
    .sort((a, b) => b.areaMm2 - a.areaMm2)
    .slice(0, MAX_AREAS)
    .sort((a, b) => kindOf(a.feature).rank(a.feature) - kindOf(b.feature).rank(b.feature));
  return seen.map(({ feature, rings }) => ({ hatch: kindOf(feature).hatch(feature), path: rings.map((ring) => pathOf(ring, k)).join('') }));
}

function boxAreaOf(ring: Ring): number {
  const [xs, ys] = [ring.map(({ x }) => x), ring.map(({ y }) => y)];
  return (Math.max(...xs) - Math.min(...xs)) * (Math.max(...ys) - Math.min(...ys));
}

/** A ring in whole units, without corners that would not be seen. */
function pathOf(ring: Ring, k: number): string {
  const seen = thinned(ring, SLACK_UNITS / k);
  const step = Math.ceil(seen.length / MAX_CORNERS);
  const corners = seen.filter((_, i) => i % step === 0).map(({ x, y }) => `${Math.round(x * k)} ${Math.round(y * k)}`);
  return `M${corners.filter((corner, i) => corner !== corners[i - 1]).join('L')}Z`;
}
