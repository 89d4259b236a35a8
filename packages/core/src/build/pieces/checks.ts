import type { Warning } from '../../advice/checks';
import { type Region, areaMm2, regionBox, regionOf, without } from '../../base/geometry';
import { boxOf } from './box';
import { holdsABase } from './measures/capacity';
import { type MeasureSystem, given, lengthWords } from '../../base/units';
import { materialBy } from '../../catalogue';
import { memoize } from '../../base/memory';
import { type Feature, pieceOn } from '../../plan/features';
import { ballastFor, placesOf } from '../shell';
import { shapeRegion } from '../../plan/shapes';
import { type Check, type CheckInputs, set } from './check';
import type { PieceScale } from './family';
import { unfitGlue } from './glue-checks';
import type { MadePiece } from './making/made';
import { caught, closedIn } from './reach-checks';
import { type Footprint, partHulls } from './measures/footprint';
import { placedHull, placingOn } from './measures/standing';

/** What will go wrong with the pieces, and what would mend it. @source craft.md §5 */
export function* pieceWarnings({ made, footprints, features, scale, ...rules }: BoardInputs): Generator<Warning> {
  const onPlots = new Set(features.map((feature) => pieceOn(feature)));
  for (const one of made) yield* ownWarnings(one, scale, { ...rules, isOnPlot: onPlots.has(one.piece.id) });
  yield* tightPlots({ made, footprints, features, units: rules.units });
}
interface BoardInputs extends Omit<CheckInputs, 'isOnPlot'> {
  readonly made: readonly MadePiece[];
  readonly footprints: ReadonlyMap<string, Footprint>;
  readonly features: readonly Feature[];
}
/** What concerns one piece alone: while the ground is drawn it stays as it is. */
const ownWarnings = memoize((made: MadePiece, scale: PieceScale, rules: Omit<CheckInputs, 'scale'>): readonly Warning[] =>
  CHECKS.flatMap((check) => [...check(made, { scale, ...rules })]).map((warning) => ({ ...warning, pieceId: made.piece.id })),
);
const CHECKS: readonly Check[] = [
  impossible,
  lowDoors,
  narrowDoors,
  highThresholds,
  highLevels,
  caught,
  closedIn,
  lowRooms,
  smallRooms,
  sagging,
  unfitGlue,
  tippy,
  tedious,
];

/** A level that is stepped up to, higher than a figure climbs. */
function* highLevels(made: MadePiece, { stepUpMm, units }: CheckInputs): Generator<Warning> {
  for (const { name, climb } of made.shape?.levels ?? []) {
    if (climb === undefined || climb.mm <= stepUpMm + STEP_SLACK_MM) continue;
    yield {
      id: `piece/step ${made.piece.id} ${name}`,
      code: 'piece/step',
      severity: 'care',
      featureId: null,
      title: made.piece.name,
      text: [
        `${name}: a step of `,
        given('Step', climb.mm, 'mm', 'plan'),
        ' leads up to it, but figures can climb only ',
        given('Figure can climb', stepUpMm, 'mm', 'plan'),
        '.',
      ],
      mends: [set(made, { [climb.by]: stepUpMm }, `Lower the ${name.toLowerCase()} of`, `Make it ${lengthWords(stepUpMm, units)} high`)],
    };
  }
}

function* impossible(made: MadePiece): Generator<Warning> {
  const { piece, problem } = made;
  if (problem === null) return;
  yield {
    id: `piece/impossible ${piece.id}`,
    code: 'piece/impossible',
    severity: 'stop',
    featureId: null,
    title: piece.name,
    text: [`cannot be built with these settings: ${problem.says}.`],
    mends: [],
  };
}

/** Headroom over a figure on its base that nobody has to stoop under. */
const OVER_HEAD = 1.1;
function* lowDoors(made: MadePiece, { scale, units }: CheckInputs): Generator<Warning> {
  for (const way of made.shape?.waysIn ?? []) {
    const neededMm = Math.ceil(scale.figureMm * OVER_HEAD);
    if (way.heightMm >= neededMm || way.madeBy === undefined) continue;
    yield {
      id: `piece/low-door ${made.piece.id} ${way.name}`,
      code: 'piece/low-door',
      severity: 'care',
      featureId: null,
      title: made.piece.name,
      text: [
        `${way.name} is `,
        given(way.name, way.heightMm, 'mm', 'plan'),
        ' high; a figure on its base needs ',
        given('Figure and base', neededMm, 'mm', 'plan'),
        '.',
      ],
      mends: [set(made, { [way.madeBy.height]: neededMm }, 'Raise the door of', `Make it ${lengthWords(neededMm, units)} high`)],
    };
  }
}
function* narrowDoors(made: MadePiece, { scale, units }: CheckInputs): Generator<Warning> {
  for (const way of made.shape?.waysIn ?? []) {
    const neededMm = Math.ceil(scale.baseMm + 1);
    if (way.widthMm >= neededMm || way.madeBy === undefined) continue;
    yield {
      id: `piece/narrow-door ${made.piece.id} ${way.name}`,
      code: 'piece/narrow-door',
      severity: 'care',
      featureId: null,
      title: made.piece.name,
      text: [
        `${way.name} is `,
        given(way.name, way.widthMm, 'mm', 'plan'),
        ' wide; a base of ',
        given('Base', scale.baseMm, 'mm', 'plan'),
        ' does not go through.',
      ],
      mends: [set(made, { [way.madeBy.width]: neededMm }, 'Widen the door of', `Make it ${lengthWords(neededMm, units)} wide`)],
    };
  }
}

function* lowRooms(made: MadePiece, { scale }: CheckInputs): Generator<Warning> {
  for (const level of made.shape?.levels ?? []) {
    const neededMm = scale.figureMm * OVER_HEAD;
    if (level.headroomMm === null || level.headroomMm >= neededMm) continue;
    yield {
      id: `piece/headroom ${made.piece.id} ${level.name}`,
      code: 'piece/headroom',
      severity: 'care',
      featureId: null,
      title: made.piece.name,
      text: [
        `${level.name} has `,
        given('Headroom', level.headroomMm, 'mm', 'plan'),
        ' over it; a figure needs ',
        given('Figure', neededMm, 'mm', 'plan'),
        '.',
      ],
      mends:
        level.raisedBy === undefined
          ? []
          : [set(made, { [level.raisedBy]: Math.ceil(neededMm + 5) }, 'Raise', `Raise it to ${Math.ceil(neededMm + 5)} mm`)],
    };
  }
}

/** Steps up to a door that a figure does not climb. */
function* highThresholds(made: MadePiece, { stepUpMm }: CheckInputs): Generator<Warning> {
  for (const way of made.shape?.waysIn ?? []) {
    const object = made.objects.find(({ id }) => id === way.objectId);
    if (object === undefined || way.risers === undefined || way.risers === 0) continue;
    const stepMm = (way.at[2] - boxOf(object)[0][2]) / way.risers;
    if (stepMm <= stepUpMm + STEP_SLACK_MM) continue;
    const thinner = way.loweredBy;
    yield {
      id: `piece/step ${made.piece.id} ${way.name}`,
      code: 'piece/step',
      severity: 'care',
      featureId: null,
      title: made.piece.name,
      text: [
        `${way.name}: a step of `,
        given('Step', stepMm, 'mm', 'drawing'),
        ' leads up to it, but figures can climb only ',
        given('Figure can climb', stepUpMm, 'mm', 'plan'),
        '.',
      ],
      mends: thinner === undefined ? [] : [set(made, thinner.change, 'Lower the door of', thinner.label)],
    };
  }
}
/** A floor's edge is a little rounded, and so are the rims of bases. */
const STEP_SLACK_MM = 1;

/** Rooms that not one base stands in. */
function* smallRooms(made: MadePiece, { scale }: CheckInputs): Generator<Warning> {
  for (const level of made.shape?.levels ?? []) {
    // In the open a base may stand over an edge.
    if (level.headroomMm === null || holdsABase(level.ring, scale.baseMm)) continue;
    yield {
      id: `piece/small-floor ${made.piece.id} ${level.name}`,
      code: 'piece/small-floor',
      severity: 'care',
      featureId: null,
      title: made.piece.name,
      text: [`${level.name} is too small for a base of `, given('Base', scale.baseMm, 'mm', 'plan'), '.'],
      mends: [],
    };
  }
}

/** Level parts that sag in their middle under their own weight and one figure. @source a plank on two supports: 5ρgL⁴ ÷ 32Et² and, for a load in the middle, FL³ ÷ 4Ebt³ */
function* sagging(made: MadePiece, { catalogue, units }: CheckInputs): Generator<Warning> {
  const { bench } = catalogue;
  for (const object of made.objects) {
    const { assembly, bodies } = object;
    const [[, , footMm]] = boxOf(object);
    for (const body of bodies) {
      const face = assembly.faces.find(({ id }) => id === body.id);
      const sheet = made.piece.sheets.find(({ role }) => role === body.role);
      if (body.kind !== 'plate' || face === undefined || face.lies !== undefined || sheet === undefined) continue;
      // What lies on the ground, or on what lies there, does not sag.
      const low = Math.min(...placesOf(body).map(([, , z]) => z));
      if (Math.abs(body.frame.w[2]) < LEVEL_SHARE || low < footMm + FREE_MM) continue;
      const { left, right, top, bottom } = regionBox({ rings: [body.loops[0]!.drawn] });
      const [spanM, wideM] = [Math.min(right - left, bottom - top) / 1_000, Math.max(right - left, bottom - top) / 1_000];
      const material = materialBy(catalogue, sheet.materialId);
      const [thickM, pa] = [body.thicknessMm / 1_000, material.youngMPa.value * 1e6];
      const ownM = (5 * material.densityKgPerM3.value * GRAVITY * spanM ** 4) / (32 * pa * thickM ** 2);
      const figureM = ((bench.figureG.value / 1_000) * GRAVITY * spanM ** 3) / (4 * pa * wideM * thickM ** 3);
      const sagMm = (ownM + figureM) * 1_000;
      if (sagMm <= bench.sagMm.value) continue;
      const thicker = catalogue.sheets
        .filter(({ materialId, thicknessMm }) => materialId === sheet.materialId && thicknessMm > sheet.thicknessMm)
        .sort((a, b) => a.thicknessMm - b.thicknessMm)[0];
      yield {
        id: `piece/sags ${made.piece.id} ${body.id}`,
        code: 'piece/sags',
        severity: 'care',
        featureId: null,
        title: made.piece.name,
        text: [
          `${body.name} sags by about `,
          given('Sag', sagMm, 'mm', 'drawing', 'a plank on two supports with its own mass and a figure in the middle'),
          ' over a span of ',
          given('Span', spanM * 1_000, 'mm', 'drawing'),
          '. Add a rib under it or use thicker stock.',
        ],
        mends:
          thicker === undefined
            ? []
            : [
                {
                  label: `Make it of ${lengthWords(thicker.thicknessMm, units)}`,
                  edit: {
                    code: 'piece/sheet',
                    pieceId: made.piece.id,
                    role: sheet.role,
                    materialId: sheet.materialId,
                    thicknessMm: thicker.thicknessMm,
                  },
                },
              ],
      };
    }
  }
}
const GRAVITY = 9.81;
const LEVEL_SHARE = 0.98;
const FREE_MM = 3;

/** A piece that falls at a slope a knocked table gives it. */
const SAFE_TILT_DEG = 15;
/** Washers and screws lie so high in a foot. */
export const BALLAST_UP_MM = 3;
function* tippy(made: MadePiece, { isOnPlot }: CheckInputs): Generator<Warning> {
  const { piece, facts } = made;
  if (facts?.tips == null || facts.standing === null || piece.isFixed || facts.tips.value >= SAFE_TILT_DEG) return;
  const ballastG = ballastFor(facts.standing, SAFE_TILT_DEG, BALLAST_UP_MM);
  yield {
    id: `piece/tips ${piece.id}`,
    code: 'piece/tips',
    severity: 'care',
    featureId: null,
    title: piece.name,
    text: [
      'tips over at a slope of ',
      facts.tips,
      ballastG === null
        ? '; more weight in its foot does not help. Use a wider foot or glue it to its tile.'
        : '; to stand at 15° it needs ',
      ...(ballastG === null
        ? []
        : [
            given('Ballast in the foot', ballastG, 'g', 'drawing', `washers or screws ${BALLAST_UP_MM} mm up, over the middle of its foot`),
            ' in its foot.',
          ]),
    ],
    mends: isOnPlot
      ? [{ label: 'Glue it to its tile', edit: { code: 'piece/change', pieceId: piece.id, change: { isFixed: true }, what: 'Fix' } }]
      : [],
  };
}

/** More small parts by hand than anybody finishes, where a faster way gives the same look. */
function* tedious({ piece, clads }: MadePiece, { catalogue }: CheckInputs): Generator<Warning> {
  for (const { shows, name, cladding, units, way, ways } of clads) {
    if (way.count <= catalogue.bench.manyByHand.value) continue;
    const faster = ways.filter(({ time }) => time.value < way.time.value).sort((a, b) => a.time.value - b.time.value);
    if (faster.length === 0) continue;
    yield {
      id: `piece/tedious ${piece.id} ${shows}`,
      code: 'piece/tedious',
      severity: 'care',
      featureId: null,
      title: piece.name,
      text: [
        `${name}: `,
        units,
        ` ${cladding.unitsName} ${way.name.toLowerCase()} take `,
        way.time,
        `. With ${faster[0]!.name.toLowerCase()} they need `,
        faster[0]!.time,
        '.',
      ],
      mends: faster.map(({ layingId, name: how }) => ({
        label: how,
        edit: { code: 'piece/clad', pieceId: piece.id, shows, what: name.toLowerCase(), clad: { claddingId: cladding.id, layingId } },
      })),
    };
  }
}

/** Plots that their piece juts out of. */
function tightPlots({
  made,
  footprints,
  features,
  units,
}: Pick<BoardInputs, 'made' | 'footprints' | 'features' | 'units'>): readonly Warning[] {
  return features.flatMap((plot) => {
    const pieceId = pieceOn(plot);
    const own = made.find(({ piece }) => piece.id === pieceId);
    const footprint = pieceId === null ? undefined : footprints.get(pieceId);
    return own === undefined || footprint === undefined ? [] : tightPlot(plot, own, footprint, units);
  });
}
const tightPlot = memoize((plot: Feature, own: MadePiece, footprint: Footprint, units: MeasureSystem): readonly Warning[] => {
  const region = shapeRegion(plot.shape);
  const hull = placedHull(plot, footprint);
  // The whole may jut out where no part of it does.
  if (areaMm2(without(hull, [region])) < OVER_MM2) return [];
  const { to } = placingOn(plot);
  if (!partHulls(own).some((part) => areaMm2(without(regionOf(part.map(to)), [region])) >= OVER_MM2)) return [];
  const { left, right, top, bottom } = regionBox(hull);
  return [
    {
      id: `piece/plot-small ${plot.id}`,
      code: 'piece/plot-small',
      severity: 'care',
      featureId: plot.id,
      title: plot.name,
      text: [
        `is smaller than ${own.piece.name}, which needs `,
        given('Width', right - left, 'mm', 'drawing'),
        ' × ',
        given('Depth', bottom - top, 'mm', 'drawing'),
        '.',
      ],
      mends: [
        {
          label: `Make the plot ${lengthWords([Math.ceil(right - left), Math.ceil(bottom - top)], units)}`,
          edit: { code: 'feature/reshape', featureId: plot.id, shape: boxShape(hull), how: 'Fit' },
        },
      ],
    },
  ];
});
const OVER_MM2 = 20;
/** A box round a region, whole millimetres outwards. */
function boxShape(hull: Region) {
  const { left, right, top, bottom } = regionBox(hull);
  const [l, r, t, b] = [Math.floor(left), Math.ceil(right), Math.floor(top), Math.ceil(bottom)];
  return {
    form: 'outline' as const,
    points: [
      { x: l, y: t },
      { x: r, y: t },
      { x: r, y: b },
      { x: l, y: b },
    ],
  };
}
