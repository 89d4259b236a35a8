import { type Region, areaMm2, regionBox } from '../../../base/geometry';
import { type Adhesive, type Catalogue, lengthBy, materialBy, offered } from '../../../catalogue';
import { type FaceMatter, type GlueFit, fitOf, matterOf } from '../../stack/adhesives';
import type { Piece } from '../../../plan';
import type { Laminate, PieceShape } from '../family';
import type { MadeObject } from '../making/made-object';
import type { Strip } from '../making/strips';
import { gluedJoints } from './joints';

/** An adhesive that cannot do its work between some faces of a piece. */
export interface GlueFault {
  readonly fit: Exclude<GlueFit, 'holds'>;
  /** What meets there, by name. */
  readonly faces: string;
  readonly thicknessMm: number;
  /** Of what stays wet: how long it dries from the rim; null where it never does. */
  readonly rimMin: number | null;
}
/** Two faces that are glued, and how far their middle is from the rim. */
interface Pair {
  readonly matters: readonly [Named, Named];
  readonly halfMm: number;
  /** A layer over the other, which a film may buckle. */
  readonly isFlat: boolean;
}
interface Named extends FaceMatter {
  readonly name: string;
}
interface Glueable {
  readonly piece: Piece;
  readonly objects: readonly MadeObject[];
  readonly laminates: readonly Laminate[];
  readonly strips: readonly Strip[];
  readonly shape: PieceShape;
}

/** Every kind of pair of faces that is glued in a piece, the widest of each kind. */
function pairsOf(made: Glueable, catalogue: Catalogue): readonly Pair[] {
  const { piece, objects, laminates, strips, shape } = made;
  const matter = (role: string): Named => {
    const outer = laminates.find((one) => one.role === role)?.layers[0] ?? role;
    const sheet = piece.sheets.find((one) => one.role === outer);
    if (sheet !== undefined)
      return { ...matterOf({ ...sheet, isSealed: false }, catalogue), name: materialBy(catalogue, sheet.materialId).name };
    const { name, thicknessMm, face } = lengthBy(catalogue, piece.lengths.find((one) => one.role === outer)!.lengthId);
    return { name, thicknessMm, grip: 'open', passesWater: true, isHurtBySolvent: false, ...face };
  };
  const widest = new Map<string, Pair>();
  const add = (roles: readonly [string, string], halfMm: number, isFlat: boolean): void => {
    const name = `${[...roles].sort().join()} ${isFlat}`;
    const known = widest.get(name);
    if (known === undefined || known.halfMm < halfMm) widest.set(name, { matters: [matter(roles[0]), matter(roles[1])], halfMm, isFlat });
  };
  const lifted = (shape.liftsOff ?? []).map(({ bodyIds }) => bodyIds);
  for (const object of objects)
    for (const { kind, roles, mm2, longMm } of gluedJoints(object, lifted)) add(roles, mm2 / longMm / 2, kind === 'lies');
  for (const { role, layers, stripField } of laminates) {
    const own = objects.flatMap(({ bodies }) => bodies.flatMap((body) => (body.kind === 'plate' && body.role === role ? [body] : [])));
    const halfMm =
      stripField === undefined
        ? own.map(({ loops }) => thinHalf({ rings: loops.map(({ drawn }) => drawn) }))
        : strips.map(({ wideMm }) => wideMm / 2);
    if (halfMm.length > 0) layers.slice(1).forEach((layer, i) => add([layers[i]!, layer], Math.max(...halfMm), true));
  }
  return [...widest.values()];
}
function thinHalf(region: Region): number {
  const { left, right, top, bottom } = regionBox(region);
  return areaMm2(region) <= 0 ? 0 : Math.min(right - left, bottom - top) / 2;
}

function faultsOf(pairs: readonly Pair[], adhesive: Adhesive): readonly GlueFault[] {
  const found = new Map<string, GlueFault>();
  for (const pair of pairs) {
    const fault = faultOf(pair, adhesive);
    if (fault === null) continue;
    const key = `${fault.fit} ${fault.faces}`;
    const known = found.get(key);
    if (known === undefined || (known.rimMin ?? 0) < (fault.rimMin ?? 0)) found.set(key, fault);
  }
  return [...found.values()];
}

function faultOf({ matters: [lower, upper], halfMm, isFlat }: Pair, adhesive: Adhesive): GlueFault | null {
  const fit = fitOf(adhesive, lower, upper, 'full');
  const thicknessMm = Math.min(lower.thicknessMm, upper.thicknessMm);
  // Along an edge a bead holds the thinnest card.
  if (fit === 'holds' || (fit === 'buckles' && !isFlat)) return null;
  // Only what is to blame is named.
  const toBlame = [lower, upper].filter((face) =>
    fit === 'dissolves' ? face.isHurtBySolvent : fit === 'slips' ? !adhesive.grips.includes(face.grip) : true,
  );
  const faces = [...new Set(toBlame.map(({ name }) => name))].join(' and ');
  if (fit !== 'never-dries') return { fit, faces, thicknessMm, rimMin: null };
  const { rimDry } = adhesive;
  const rimMin = rimDry === null ? null : rimDry.min * (halfMm / rimDry.halfWidthMm) ** 2;
  // A narrow edge is dry from its rim long before it could be handled anyway.
  return rimMin !== null && rimMin <= adhesive.handleMin.value / 2 ? null : { fit, faces, thicknessMm, rimMin };
}

/** An adhesive to choose for a piece, with every kind of place where it cannot hold it together. */
export interface PieceGlue {
  readonly id: string;
  readonly name: string;
  readonly faults: readonly GlueFault[];
}
/** Adhesives for a piece, those that hold everywhere first. @source craft.md §3 */
export function pieceGlues(made: Glueable, catalogue: Catalogue): readonly PieceGlue[] {
  const pairs = pairsOf(made, catalogue);
  const all = offered(catalogue, 'adhesives', made.piece.glueId).map((adhesive): PieceGlue => ({
    id: adhesive.id,
    name: adhesive.name,
    faults: faultsOf(pairs, adhesive),
  }));
  return all.toSorted((a, b) => Number(a.faults.length > 0) - Number(b.faults.length > 0));
}
