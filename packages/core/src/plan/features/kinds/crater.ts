import { z } from 'zod';
import { grown, without } from '../../../base/geometry';
import { type Figure, given, calculate } from '../../../base/units';
import { LIMITS, askLength, mm } from '../../fields';
import { RoundSchema, shapeRegion } from '../../shapes';
import { bowl, bowlOfBox, bowlRings } from '../bowl';
import { RANK, anywhere, featureKind } from '../kind';
import { askCutThrough, askDepth, sunk, withFloor } from '../sunk';

/** A bowl with a heaped rim outside it. The shape is the bowl. */
const schema = z.strictObject({
  ...anywhere,
  ...sunk,
  kind: z.literal('crater'),
  shape: RoundSchema,
  rimMm: mm(LIMITS.rimMm),
  rimWidthMm: mm(LIMITS.rimWidthMm),
});

/** Where across its rim a crater is built to the parabola. */
const RIM_SHARES = [0.125, 0.25, 0.375, 0.5, 0.625, 0.75, 0.875] as const;

export const crater = featureKind('crater', schema, {
  name: 'Crater',
  drawnAs: 'round',
  fresh: (shape) => {
    if (shape.form !== 'round') throw new TypeError(`a crater is round, got ${shape.form}`);
    return { shape, depthMm: 8, rimMm: 5, rimWidthMm: 15, cutThrough: false };
  },
  fields: [askDepth, askLength('rimMm', 'Rim', LIMITS.rimMm), askLength('rimWidthMm', 'Rim width', LIMITS.rimWidthMm), askCutThrough],
  stretches: ({ shape, depthMm, rimMm, rimWidthMm }, region, regionOf) => {
    const bowlItself = { role: 'hole', groundKind: 'pit', levelMm: -depthMm, region, part: null } as const;
    if (rimMm === 0 || rimWidthMm === 0) return [bowlItself];
    const rim = without(regionOf({ ...shape, radiusMm: shape.radiusMm + rimWidthMm }), [region]);
    return [bowlItself, { role: 'surface', groundKind: 'raised', levelMm: 0, region: rim, part: { id: 'rim', name: 'rim' } }];
  },
  sunk: ({ depthMm, cutThrough }) => ({ depthMm, cutThrough, waterMm: null, isBowl: true }),
  profile: ({ shape }, { role, levelMm }) => (role === 'hole' ? bowl(shape, levelMm) : null),
  bends: ({ shape, rimWidthMm }, { role, levelMm }) =>
    role === 'hole'
      ? bowlRings(shape, -levelMm, null)
      : RIM_SHARES.map((share) => shapeRegion({ ...shape, radiusMm: shape.radiusMm + rimWidthMm * share })),
  overlay: ({ shape, rimMm, rimWidthMm }, { role }) =>
    role !== 'surface'
      ? null
      : ({ x, y }) => {
          // A parabola over the rim's width, 0 at both its edges.
          const across = ((Math.hypot(x - shape.centre.x, y - shape.centre.y) - shape.radiusMm) / rimWidthMm) * 2 - 1;
          return rimMm * Math.max(0, 1 - across * across);
        },
  faces: (_feature, { role }) => (role === 'hole' ? { heightMm: 0, note: 'a bowl has no upright banks' } : null),
  boxShare: ({ shape }, { levelMm }) => bowlOfBox(shape, -levelMm),
  heaped: ({ shape, rimMm, rimWidthMm }, name) =>
    rimMm === 0 || rimWidthMm === 0 ? null : rimPaste(name, shape.radiusMm, rimMm, rimWidthMm),
  innerEdges: ({ rimMm, rimWidthMm }, region) => (rimMm > 0 ? [grown(region, rimWidthMm)] : []),
  rank: () => RANK.sunk,
  hatch: () => 'pit',
  runsOn: true,
  atLevel: withFloor.atLevel,
});

/**
 * Paste in a rim.
 * @source a parabola of height h over a width w has ⅔·h·w of section; its ring runs on the circle through its middle
 */
function rimPaste(name: string, radiusMm: number, rimMm: number, rimWidthMm: number): Figure<'mm³'> {
  const box = calculate(
    `${name}, height × width`,
    'mm²',
    given(`${name}, height`, rimMm, 'mm', 'plan'),
    '×',
    given(`${name}, width`, rimWidthMm, 'mm', 'plan'),
  );
  const section = calculate(`${name}, section`, 'mm²', box, '×', given('Share of a parabola', 2 / 3, '1', 'definition'));
  const round = given(`${name}, length`, 2 * Math.PI * (radiusMm + rimWidthMm / 2), 'mm', 'drawing', '2π × the radius to its middle');
  return calculate(`${name}, paste`, 'mm³', section, '×', round);
}
