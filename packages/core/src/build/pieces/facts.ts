import { type Figure, given, inSquareMetres, massOf, calculate, total } from '../../base/units';
import { areaMm2 } from '../../base/geometry';
import { type Adhesive, type Catalogue, type Fill, adhesiveBy, estimated, lengthBy, materialBy } from '../../catalogue';
import type { Piece } from '../../plan';
import { type Standing, standingOf, tipsAt, volumeMm3 } from '../shell';
import { FEW_PARTS } from '../cutting/parts';
import { boxOf } from './box';
import type { Clad } from './cladding';
import { madeByHand } from './making/copies';
import type { Laminate, PieceShape } from './family';
import { type Strip, stripGluedMm2 } from './making/strips';
import type { MadeObject } from './making/made-object';
import { toCoatMm2 } from './measures/to-coat';

/** Loose stuff that a piece takes, all copies. */
export interface FillNeed {
  readonly fill: Fill;
  readonly volume: Figure<'ml'>;
  /** Of one piece, dry. */
  readonly massEach: Figure<'g'>;
}
export interface PieceFacts {
  /** Of one piece, everything it consists of. */
  readonly mass: Figure<'g'>;
  readonly glue: Figure<'g'>;
  /** That of it which goes between the layers of strips; null where there are none. */
  readonly stripGlue: Figure<'g'> | null;
  /** Joints that are glued, of all copies made by hand; flat parts that lie on others are not among them. */
  readonly joints: Figure<'1'>;
  /** Joints, parts laid and edges trimmed, of one copy, each by its minutes. */
  readonly joining: readonly JoiningWork[];
  /** Outer size of each object, across, deep and high. */
  readonly sizes: readonly {
    readonly objectId: string;
    readonly name: string;
    readonly wide: Figure<'mm'>;
    readonly deep: Figure<'mm'>;
    readonly high: Figure<'mm'>;
  }[];
  /** The slope at which it falls; of the object that falls first. */
  readonly tips: Figure<'°'> | null;
  readonly standing: Standing | null;
  readonly outside: Figure<'mm²'>;
  /** Strips for folds that open when they are bent, of all copies; null where there are none. */
  readonly fillStrips: Figure<'mm'> | null;
}
/** One sort of work of putting a piece together: how often for one copy, and the minutes of each. */
export interface JoiningWork {
  readonly name: string;
  readonly count: Figure<'1'>;
  readonly each: Figure<'min'>;
}
/** The minutes of putting together so many copies. */
export const joiningMinutes = (name: string, joining: readonly JoiningWork[], copies: Figure<'1'>): readonly Figure<'min'>[] =>
  joining
    .filter(({ count }) => count.value > 0)
    .map((work) =>
      calculate(
        `${name}: ${work.name}`,
        'min',
        calculate(`${name}: ${work.name}, all copies`, '1', work.count, '×', copies),
        '×',
        work.each,
      ),
    );

interface FactInputs {
  readonly clads: readonly Clad[];
  readonly fills: readonly FillNeed[];
  readonly laminates: readonly Laminate[];
  readonly strips: readonly Strip[];
  readonly shape: Pick<PieceShape, 'liftsOff' | 'oversize'>;
}

/** What a stock is made of, by share of its thickness. */
function sharesOf(
  piece: Piece,
  role: string,
  laminates: readonly Laminate[],
): readonly { readonly role: string; readonly share: number }[] {
  const layers = laminates.find((one) => one.role === role)?.layers;
  if (layers === undefined) return [{ role, share: 1 }];
  const thick = layers.map((layer) => piece.sheets.find((sheet) => sheet.role === layer)!.thicknessMm);
  const all = thick.reduce((sum, mm) => sum + mm, 0);
  return layers.map((layer, i) => ({ role: layer, share: thick[i]! / all }));
}

/** Density of what a body is made of, in g/mm³. */
function densityOf(piece: Piece, role: string, catalogue: Catalogue): number {
  const sheet = piece.sheets.find((one) => one.role === role);
  const kgPerM3 =
    sheet !== undefined
      ? materialBy(catalogue, sheet.materialId).densityKgPerM3
      : lengthBy(catalogue, piece.lengths.find((one) => one.role === role)!.lengthId).densityKgPerM3;
  return kgPerM3.value * 1e-6;
}

export function factsOf(
  piece: Piece,
  objects: readonly MadeObject[],
  { clads, fills, laminates, strips, shape: { liftsOff = [], oversize = [] } }: FactInputs,
  catalogue: Catalogue,
): PieceFacts {
  const masses = massesOf(piece, objects, laminates, catalogue);
  const placed = objects.map(({ id, name, bodies, loose }) => ({
    id,
    name,
    standing: standingOf(
      bodies.map((body) => ({
        body,
        gPerMm3: sharesOf(piece, body.role, laminates).reduce((sum, { role, share }) => sum + share * densityOf(piece, role, catalogue), 0),
      })),
    ),
    box: boxOf({ bodies, loose }),
  }));
  const first = [...placed].sort((a, b) => tipsAt(a.standing).tiltDeg - tipsAt(b.standing).tiltDeg)[0] ?? null;
  const roughIds = new Set(oversize.map(({ bodyId }) => bodyId));
  const glued = gluedOf(objects, laminates, {
    loose: new Set(liftsOff.flatMap(({ bodyIds }) => bodyIds)),
    roughIds,
    copies: madeByHand(piece),
  });
  const copies = given('Copies made by hand', madeByHand(piece), '1', 'plan');
  const jointsEach = given('Joints of one copy', glued.joints, '1', 'drawing', 'butts and mitres');
  const adhesive = adhesiveBy(catalogue, piece.glueId);
  const pieceFaces = calculate(
    'Glued faces of all copies',
    'mm²',
    given('Glued faces of one copy', glued.areaMm2, 'mm²', 'drawing', 'butts, mitres and layers'),
    '×',
    copies,
  );
  const stripFaces = given(
    'Glued faces of the strips',
    stripGluedMm2(strips),
    'mm²',
    'drawing',
    'with what is squared off their ends and one edge',
  );
  const faces = strips.length === 0 ? pieceFaces : calculate('Glued faces of strips and copies', 'mm²', pieceFaces, '+', stripFaces);
  return {
    mass: total(`${piece.name}, mass`, 'g', [
      ...masses,
      ...clads.map(({ way }) => calculate(`${way.mass.label}, of one`, 'g', way.mass, '÷', copies)),
      ...fills.map(({ massEach }) => massEach),
    ]),
    glue: glueFor(`${adhesive.name}, ${piece.name}`, faces, adhesive),
    stripGlue: strips.length === 0 ? null : glueFor(`${adhesive.name}, strips of ${piece.name}`, stripFaces, adhesive),
    joints: calculate(`${piece.name}: joints`, '1', jointsEach, '×', copies),
    joining: joiningOf(objects, { jointsEach, glued, roughIds }, catalogue),
    sizes: placed.map(({ id, name, box: [low, high] }) => ({
      objectId: id,
      name,
      wide: given(`${name}, across`, high[0] - low[0], 'mm', 'drawing', 'outside, assembled'),
      deep: given(`${name}, deep`, high[1] - low[1], 'mm', 'drawing', 'outside, assembled'),
      high: given(`${name}, high`, high[2] - low[2], 'mm', 'drawing', 'outside, assembled'),
    })),
    tips: first === null ? null : tipFigure(first.name, first.standing),
    standing: first?.standing ?? null,
    outside: given(
      `${piece.name}: outside to coat`,
      objects.reduce((sum, object) => sum + toCoatMm2(object) * object.count, 0),
      'mm²',
      'drawing',
      'sides that show, and bars and rods all round, less what lies on something',
    ),
    fillStrips: fillStrips(piece, objects),
  };
}

const glueFor = (label: string, faces: Figure<'mm²'>, adhesive: Adhesive): Figure<'g'> =>
  calculate(label, 'g', inSquareMetres(faces), '×', estimated('Spread per square metre', adhesive.gPerM2, 'g/m²'));

/** What everything of one role in each object weighs. */
function massesOf(
  piece: Piece,
  objects: readonly MadeObject[],
  laminates: readonly Laminate[],
  catalogue: Catalogue,
): readonly Figure<'g'>[] {
  return objects.flatMap(({ bodies, count, name }) => {
    const byRole = new Map<string, number>();
    for (const body of bodies) byRole.set(body.role, (byRole.get(body.role) ?? 0) + volumeMm3(body));
    return [...byRole]
      .flatMap(([role, mm3]) => sharesOf(piece, role, laminates).map((of) => ({ role: of.role, mm3: mm3 * of.share })))
      .map(({ role, mm3 }) => {
        const what = name === '' ? role : `${name}, ${role}`;
        const volume = given(`${what}: volume`, mm3 * count, 'mm³', 'drawing', 'all parts minus cut-outs');
        return massOfRole(what, volume, piece, role, catalogue);
      });
  });
}

/** Joints, small parts laid, and edges trimmed along what lies under them. */
function joiningOf(
  objects: readonly MadeObject[],
  { jointsEach, glued, roughIds }: { readonly jointsEach: Figure<'1'>; readonly glued: Glued; readonly roughIds: ReadonlySet<string> },
  { bench }: Catalogue,
): readonly JoiningWork[] {
  const edgesOf = ({ sheets }: MadeObject): number =>
    sheets.filter(({ bodyIds }) => bodyIds.some((id) => roughIds.has(id))).reduce((sum, { drawn }) => sum + drawn[0]!.length, 0);
  const trimmed = objects.reduce((sum, object) => sum + object.count * edgesOf(object), 0);
  return [
    { name: 'joints fitted and glued', count: jointsEach, each: estimated('Each', bench.pieceJointMin, 'min') },
    {
      name: 'flat parts brought flush',
      count: given('Flat parts on others, one copy', glued.flush, '1', 'drawing'),
      each: estimated('Each', bench.flushPartMin, 'min'),
    },
    {
      name: 'small parts laid',
      count: given('Laid in one copy', glued.laid, '1', 'drawing', 'equal parts on another'),
      each: estimated('Each', bench.laidByHandMin, 'min'),
    },
    {
      name: 'edges trimmed',
      count: given('Edges of one copy', trimmed, '1', 'drawing', 'cut along the part under them'),
      each: estimated('Each', bench.guidedCutMin, 'min'),
    },
  ];
}

/** A score opens as far as its stock is thick and its bend is sharp: a strip as wide fills it. */
function fillStrips(piece: Piece, objects: readonly MadeObject[]): Figure<'mm'> | null {
  const strips = objects.flatMap(({ sheets, count }) =>
    sheets.flatMap(({ folds }) =>
      folds
        .filter(({ by, grooveMm }) => by === 'score' && grooveMm > MIN_GAP_MM)
        .map(({ from, to, grooveMm }) => ({
          count: count * madeByHand(piece),
          grooveMm,
          longMm: Math.hypot(to.x - from.x, to.y - from.y),
        })),
    ),
  );
  if (strips.length === 0) return null;
  const widths = strips.map(({ grooveMm }) => grooveMm);
  const number = strips.reduce((sum, { count }) => sum + count, 0);
  return given(
    'Strips to fill open folds',
    strips.reduce((sum, { longMm, count }) => sum + longMm * count, 0),
    'mm',
    'drawing',
    `${number} of them, ${Math.min(...widths).toFixed(1)} to ${Math.max(...widths).toFixed(1)} mm wide`,
  );
}
const MIN_GAP_MM = 0.2;

function massOfRole(what: string, volume: Figure<'mm³'>, piece: Piece, role: string, catalogue: Catalogue): Figure<'g'> {
  const sheet = piece.sheets.find((one) => one.role === role);
  const density =
    sheet !== undefined
      ? estimated(
          `${materialBy(catalogue, sheet.materialId).name}, density`,
          materialBy(catalogue, sheet.materialId).densityKgPerM3,
          'kg/m³',
        )
      : estimated('Density', lengthBy(catalogue, piece.lengths.find((one) => one.role === role)!.lengthId).densityKgPerM3, 'kg/m³');
  return massOf(`${what}: mass`, volume, density);
}

function tipFigure(name: string, standing: Standing): Figure<'°'> {
  const { offMm, tiltDeg } = tipsAt(standing);
  const note = `${name}: weight acts ${(standing.middle[2] - standing.floorMm).toFixed(1)} mm up, ${offMm.toFixed(1)} mm from the nearest edge it stands on`;
  return given('Tips over at', Math.max(0, tiltDeg), '°', 'drawing', note);
}

interface Glued {
  readonly areaMm2: number;
  readonly joints: number;
  /** Flat parts brought flush on another, one by one. */
  readonly flush: number;
  /** Laid on another: equal ones, where there are more than a few, and rough ones that are trimmed later. */
  readonly laid: number;
}
interface GluedFor {
  readonly loose: ReadonlySet<string>;
  /** Laid roughly and trimmed later: nothing is brought flush. */
  readonly roughIds: ReadonlySet<string>;
  readonly copies: number;
}
/** Joints that are glued and what they cover: of a butt the covered end, of a mitre half from each side, of what lies on another the smaller face, unless it lifts off. */
function gluedOf(objects: readonly MadeObject[], laminates: readonly Laminate[], { loose, roughIds, copies }: GluedFor): Glued {
  let [areaMm2Sum, joints] = [0, 0];
  const lying = new Map<string, number>();
  for (const { assembly, bodies, count } of objects) {
    const faceMm2 = new Map(
      bodies.flatMap((body) =>
        body.kind === 'plate' ? [[body.id, areaMm2({ rings: body.loops.map((loop) => loop.drawn) })] as const] : [],
      ),
    );
    for (const { id, lies } of assembly.faces) {
      if (lies === undefined || loose.has(id)) continue;
      // The smaller of the two is covered whole.
      areaMm2Sum += Math.min(faceMm2.get(id)!, faceMm2.get(lies.on)!) * count;
      const key = roughIds.has(id) ? 'rough' : faceMm2.get(id)!.toFixed(0);
      lying.set(key, (lying.get(key) ?? 0) + count);
    }
    for (const body of bodies) {
      if (body.kind !== 'plate') continue;
      const laminate = laminates.find(({ role }) => role === body.role);
      // What is cut from a strip was glued as a strip.
      const layers = laminate === undefined || laminate.stripField !== undefined ? 1 : laminate.layers.length;
      areaMm2Sum += (layers - 1) * count * areaMm2({ rings: body.loops.map((loop) => loop.drawn) });
      const { drawn, cuts } = body.loops[0]!;
      cuts.forEach(({ edge, plane }, i) => {
        const from = drawn[i]!;
        const to = drawn[(i + 1) % drawn.length]!;
        const longMm = Math.hypot(to.x - from.x, to.y - from.y);
        const lean = Math.hypot(...plane.normal) / Math.hypot(plane.normal[0], plane.normal[1]);
        const mm2 = longMm * body.thicknessMm * lean;
        if (edge.joint === 'against' && edge.gapMm === undefined) [areaMm2Sum, joints] = [areaMm2Sum + mm2 * count, joints + count];
        if (edge.joint === 'mitre') [areaMm2Sum, joints] = [areaMm2Sum + (mm2 * count) / 2, joints + count / 2];
      });
    }
  }
  let [flush, laid] = [0, 0];
  for (const [key, count] of lying) {
    if (key === 'rough' || count * copies > FEW_PARTS) laid += count;
    else flush += count;
  }
  return { areaMm2: areaMm2Sum, joints: Math.ceil(joints), flush, laid };
}
