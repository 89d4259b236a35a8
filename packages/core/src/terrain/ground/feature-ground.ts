import type { GroundKind } from '../../plan/surfaces';
import { memoize } from '../../base/memory';
import { facesOf } from './profile';
import { ROUND_SIDES, type Box, areaMm2, boxAround, innerEdgeMm } from '../../base/geometry';
import { type Shape, stripLengthMm } from '../../plan/shapes';
import { type Figure, given, calculate } from '../../base/units';
import type { Land } from './land';

/** The measures of one land on the whole table. */
export interface FeatureGround {
  readonly landId: string;
  readonly featureId: string;
  readonly zone: GroundKind | null;
  readonly name: string;
  /** What shows from above. */
  readonly surface: Figure<'mm²'>;
  /** Foam of raised ground, or hole of sunk ground. */
  readonly body: Figure<'mm²'>;
  /** The upright faces: sides of raised ground, banks of pits. */
  readonly sides: Figure<'mm²'>;
  readonly length: Figure<'mm'> | null;
}

/** Differences under this are the clipper's rounding to a thousandth of a mm, not ground cut away. */
const ROUNDING_MM2 = 2;

/** Measures a settled land. @param table box of the table: edges along it are not faces */
export const measureFeature = memoize((land: Land, table: Box): FeatureGround => {
  const { feature, name, shows, body, role } = land;
  const { shape } = feature;
  const isAsDrawn = land.id === feature.id && shape.form !== 'contours';
  const outline = isAsDrawn
    ? outlineArea(name, shape)
    : given(`${name}, outline`, areaMm2(land.whole), 'mm²', 'drawing', 'measured on the plan');
  const edge = given(
    `${name}, edge on the table`,
    innerEdgeMm(body, table),
    'mm',
    'drawing',
    'measured round the outline without table edges',
  );
  const faces = facesOf(land);
  const height = given(`${name}, ${role === 'hole' ? 'depth' : 'height of its faces'}`, faces.heightMm, 'mm', 'plan', faces.note);
  return {
    landId: land.id,
    featureId: feature.id,
    zone: land.zone,
    name,
    surface: lessCut(`${name}, surface`, outline, areaMm2(shows)),
    body: lessCut(`${name}, footprint`, outline, areaMm2(body)),
    sides: calculate(`${name}, upright faces`, 'mm²', edge, '×', height),
    length: isAsDrawn && shape.form === 'strip' ? stripLength(name, shape) : null,
  };
});

/** The area a shape was drawn with, by the closed form of its shape where it has one. */
function outlineArea(name: string, shape: Shape): Figure<'mm²'> {
  const label = `${name}, outline`;
  switch (shape.form) {
    case 'strip':
      return calculate(label, 'mm²', stripLength(name, shape), '×', given(`${name}, width`, shape.widthMm, 'mm', 'plan'));
    case 'round': {
      const radius = given(`${name}, radius`, shape.radiusMm, 'mm', 'plan');
      const share = (ROUND_SIDES / 2) * Math.sin((2 * Math.PI) / ROUND_SIDES);
      const factor = given(
        'Polygon for a circle',
        share,
        '1',
        'definition',
        `${ROUND_SIDES} sides: ${ROUND_SIDES / 2} × sin(360° ÷ ${ROUND_SIDES})`,
      );
      return calculate(label, 'mm²', calculate(`${name}, radius squared`, 'mm²', radius, '×', radius), '×', factor);
    }
    case 'outline': {
      const { left, top, right, bottom } = boxAround(shape.points);
      const drawn = areaMm2({ rings: [shape.points] });
      if (Math.abs(drawn - (right - left) * (bottom - top)) < 1e-6) {
        const side = (what: string, mm: number): Figure<'mm'> => given(`${name}, ${what}`, mm, 'mm', 'plan');
        return calculate(label, 'mm²', side('width', right - left), '×', side('depth', bottom - top));
      }
      const corners = shape.points.map(({ x, y }) => `${x}, ${y}`).join('; ');
      return given(label, drawn, 'mm²', 'drawing', `half the sum of x₁y₂ − x₂y₁ round the corners (mm): ${corners}`);
    }
    case 'contours':
      return given(label, areaMm2({ rings: shape.levels[0]! }), 'mm²', 'drawing', 'measured round its lowest contour');
    default:
      throw shape satisfies never;
  }
}

const stripLength = (name: string, shape: Extract<Shape, { form: 'strip' }>): Figure<'mm'> =>
  given(`${name}, length`, stripLengthMm(shape), 'mm', 'drawing', 'along the middle line, bends rounded');

/** The outline less what the table's edge and other features take of it, as one step. */
function lessCut(label: string, outline: Figure<'mm²'>, leftMm2: number): Figure<'mm²'> {
  const cutMm2 = outline.value - leftMm2;
  if (Math.abs(cutMm2) < Math.max(ROUNDING_MM2, outline.value * 1e-5)) return outline;
  if (cutMm2 < 0) {
    return calculate(
      label,
      'mm²',
      outline,
      '+',
      given(`${label}: corners rounded where routes meet`, -cutMm2, 'mm²', 'drawing', 'measured on the plan'),
    );
  }
  const cut = given(`${label}: off the table or covered by other features`, cutMm2, 'mm²', 'drawing', 'measured on the plan');
  return calculate(label, 'mm²', outline, '−', cut);
}
