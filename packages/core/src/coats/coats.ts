import { type SurfaceId, GROUND_KINDS } from '../surfaces';
import { remembered } from '../base/memory';
import { type Catalogue, type Method, type Coating, estimated, methodBy, coatingBy } from '../catalogue';
import type { Zone, Zones } from '../ground';
import type { Coat, Plan } from '../plan';
import { type Figure, given, inMillilitres, inSquareMetres, litresInMillilitres, reckon, total } from '../base/units';

/** One coat on one surface, over the whole board. */
export interface CoatNeed {
  readonly surfaceId: SurfaceId;
  readonly coatId: string;
  readonly coating: Coating;
  readonly method: Method;
  readonly filmMm: number | null;
  readonly area: Figure<'m²'>;
  readonly volume: Figure<'ml'>;
}
/** Faces of boards to be sealed before they are glued. */
export interface SealNeed {
  readonly coating: Coating;
  readonly faces: Figure<'mm²'>;
  readonly volume: Figure<'ml'>;
}
/** What the board takes of one coating. */
export interface CoatingNeed {
  readonly coating: Coating;
  readonly volume: Figure<'ml'>;
  /** What stays on the board when it is dry. */
  readonly dryMass: Figure<'g'>;
}

/** What takes coats: so much surface, rims heaped on it, and basins in it. */
type Coated = Pick<Zone, 'surfaceId' | 'coated' | 'heaped' | 'basins'> & { readonly kind: string };
/** The outside of a piece, all copies, with what goes on it. */
export interface PieceSurface extends Coated {
  readonly coats: readonly Coat[];
}

interface CoatInputs {
  readonly coats: Plan['coats'];
  readonly zones: Zones;
  readonly catalogue: Catalogue;
}
interface SealInputs {
  readonly stack: Pick<Plan['stack'], 'substrate' | 'ground'>;
  readonly tableArea: Figure<'mm²'>;
  readonly catalogue: Catalogue;
}

/** How much of what goes on each kind of surface. */
export function coatNeeds({ coats, zones, catalogue }: CoatInputs): readonly CoatNeed[] {
  return GROUND_KINDS.flatMap((kind) => {
    const zone = zones.byKind[kind];
    return zone.coated.value <= 0
      ? []
      : coats[kind].map((coat, i) => coatNeed(coat, zone, isFirstFilm(coats[kind], i, catalogue), catalogue));
  });
}

/** How much of what goes on the outside of pieces. */
export const pieceCoatNeeds = ({
  surfaces,
  catalogue,
}: {
  readonly surfaces: readonly PieceSurface[];
  readonly catalogue: Catalogue;
}): readonly CoatNeed[] =>
  surfaces.flatMap((surface) => (surface.coated.value <= 0 ? [] : surface.coats.map((coat) => coatNeed(coat, surface, false, catalogue))));

/** Rims are heaped from the first paste that goes on their surface. */
function isFirstFilm(coats: readonly Coat[], index: number, catalogue: Catalogue): boolean {
  return coats.findIndex(({ coatingId }) => coatingBy(catalogue, coatingId).spread.by === 'film') === index;
}

/** What it takes to seal the faces that the stack says are sealed; null for none. */
export function sealNeed({ stack, tableArea, catalogue }: SealInputs): SealNeed | null {
  const layers = [...(stack.substrate === null ? [] : [stack.substrate]), ...stack.ground];
  const count = layers.reduce((sum, { sealed }) => sum + (sealed === 'none' ? 0 : sealed === 'both' ? 2 : 1), 0);
  if (count === 0) return null;
  const coating = coatingBy(catalogue, catalogue.bench.sealerId);
  if (coating.spread.by !== 'coverage') throw new RangeError(`${coating.name} cannot seal boards: its spread is not a coverage`);
  const faces = reckon('Faces to seal', 'mm²', tableArea, '×', given('Sealed faces of layers', count, '1', 'plan'));
  const full = reckon('Sealer, net', 'l', inSquareMetres(faces), '÷', estimated(`${coating.name}, covers`, coating.spread.m2PerL, 'm²/l'));
  return { coating, faces, volume: withLoss(`${coating.name} on boards`, litresInMillilitres(full), coating) };
}

/** The coats summed by coating, in the order they are first used. */
export function coatingNeeds({
  coats,
  sealing,
}: {
  readonly coats: readonly CoatNeed[];
  readonly sealing: SealNeed | null;
}): readonly CoatingNeed[] {
  const needs = [...(sealing === null ? [] : [sealing]), ...coats];
  const coatings = [...new Set(needs.map(({ coating }) => coating))];
  return coatings.map((coating) => {
    const volume = total(
      coating.name,
      'ml',
      needs.filter((need) => need.coating === coating).map((need) => need.volume),
    );
    const wet = reckon(`${coating.name}, wet`, 'g', volume, '×', estimated(`${coating.name}, density`, coating.densityGPerMl, 'g/ml'));
    const { value, low, high, origin } = coating.solidsPct;
    const solids = given(`${coating.name}, share that stays`, value / 100, '1', 'catalogue', `${origin}, ${low} to ${high} %`);
    return { coating, volume, dryMass: reckon(`${coating.name}, dry`, 'g', wet, '×', solids) };
  });
}

/** How many pours a depth of water takes, by the greatest depth the coating may be poured at once. */
export function poursFor(waterMm: number, maxPourMm: number): number {
  return Math.max(1, Math.ceil(waterMm / maxPourMm - 1e-9));
}

/**
 * The volume one coat takes of a surface.
 * @source craft.md §6: area × relief × film × (1 + loss); §7 for paint: area ÷ coverage × share of the method
 */
const coatNeed = remembered((coat: Coat, zone: Coated, heapsRims: boolean, catalogue: Catalogue): CoatNeed => {
  const coating = coatingBy(catalogue, coat.coatingId);
  const method = methodBy(catalogue, coat.methodId);
  const base = { surfaceId: zone.surfaceId, coatId: coat.id, coating, method, filmMm: null, area: zone.coated };
  const what = `${coating.name}, ${method.name}, ${zone.kind}`;
  switch (coating.spread.by) {
    case 'film': {
      const filmMm = coat.filmMm ?? coating.spread.filmMm.value;
      const film = coat.filmMm === null ? estimated('Film', coating.spread.filmMm, 'mm') : given('Film', coat.filmMm, 'mm', 'plan');
      const relief = estimated(`${coating.name}, relief over the plain area`, coating.spread.relief, '1');
      const surface = reckon(`${what}: surface with its relief`, 'm²', zone.coated, '×', relief);
      const inMm2 = reckon(`${what}: in mm²`, 'mm²', surface, '×', given('mm² in a m²', 1_000_000, 'mm²/m²', 'definition'));
      const spread = reckon(`${what}: as a film`, 'mm³', inMm2, '×', film);
      const all = heapsRims && zone.heaped !== null ? reckon(`${what}: with the rims`, 'mm³', spread, '+', zone.heaped) : spread;
      const net = inMillilitres(all);
      return { ...base, filmMm, volume: withLoss(what, net, coating) };
    }
    case 'rate': {
      const rate = estimated(`${coating.name}, a square metre takes`, coating.spread.mlPerM2, 'ml/m²');
      return { ...base, volume: withLoss(what, reckon(`${what}: net`, 'ml', zone.coated, '×', rate), coating) };
    }
    case 'coverage': {
      const full = litresInMillilitres(
        reckon(`${what}: a full coat`, 'l', zone.coated, '÷', estimated(`${coating.name}, covers`, coating.spread.m2PerL, 'm²/l')),
      );
      const share = given(`${method.name}, share of a full coat`, method.coverShare, '1', 'catalogue', 'workshop default');
      return { ...base, volume: withLoss(what, reckon(`${what}: net`, 'ml', full, '×', share), coating) };
    }
    case 'depth': {
      const room = total(
        `${what}: room to fill`,
        'mm³',
        zone.basins.map((basin) => basin.room),
      );
      return { ...base, volume: withLoss(what, inMillilitres(room), coating) };
    }
    default:
      throw coating.spread satisfies never;
  }
});

function withLoss(label: string, net: Figure<'ml'>, { lossPct: { value, low, high, origin } }: Coating): Figure<'ml'> {
  const factor = given(`Factor for ${value} % left in bowl and brush`, 1 + value / 100, '1', 'catalogue', `${origin}, ${low} to ${high} %`);
  return reckon(label, 'ml', net, '×', factor);
}
