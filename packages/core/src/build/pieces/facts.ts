import { type Figure, given, inSquareMetres, massOf, calculate, total } from '../../base/units';
import { type Adhesive, type Catalogue, type Fill, adhesiveBy, estimated, lengthBy, materialBy } from '../../catalogue';
import type { Piece } from '../../plan';
import { type Standing, standingOf, tipsAt, volumeMm3 } from '../shell';
import { type JoiningWork, gluedOf } from './gluing';
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
  /** Places where parts meet and are glued, of all copies made by hand; flat parts that lie on others are not among them. */
  readonly joints: Figure<'1'>;
  /** Joints, parts laid and edges trimmed, of one copy, by sorts of work. */
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
interface FactInputs {
  readonly clads: readonly Clad[];
  readonly fills: readonly FillNeed[];
  readonly laminates: readonly Laminate[];
  readonly strips: readonly Strip[];
  readonly shape: Pick<PieceShape, 'liftsOff' | 'oversize' | 'strung'>;
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
  { clads, fills, laminates, strips, shape }: FactInputs,
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
  const copies = given('Copies made by hand', madeByHand(piece), '1', 'plan');
  const adhesive = adhesiveBy(catalogue, piece.glueId);
  const glued = gluedOf({ objects, laminates, shape, copies: copies.value, adhesive, catalogue });
  const jointsEach = given('Joints of one copy', glued.joints, '1', 'drawing', 'all places where its parts touch');
  const pieceFaces = calculate(
    'Glued faces of all copies',
    'mm²',
    given('Glued faces of one copy', glued.areaMm2, 'mm²', 'drawing', 'where its parts touch, and between layers'),
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
    joining: glued.joining,
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
