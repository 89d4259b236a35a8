import { type Catalogue, type Method, type Stuff, estimated, methodBy, stuffBy } from '../catalogue';
import { type Zone, type Zones } from '../ground';
import { type Coat, type Plan, ZONE_KINDS, type ZoneKind } from '../plan';
import { type Figure, given, inMillilitres, inSquareMetres, litresInMillilitres, reckon, total } from '../units';

/** One coat on one kind of surface, over the whole board. */
export interface CoatNeed {
  readonly zone: ZoneKind;
  readonly coatId: string;
  readonly stuff: Stuff;
  readonly method: Method;
  readonly filmMm: number | null;
  readonly area: Figure<'m²'>;
  readonly volume: Figure<'ml'>;
}
/** Faces of boards to be sealed before they are glued. */
export interface SealNeed {
  readonly stuff: Stuff;
  readonly faces: Figure<'mm²'>;
  readonly volume: Figure<'ml'>;
}
/** What the board takes of one stuff. */
export interface StuffNeed {
  readonly stuff: Stuff;
  readonly volume: Figure<'ml'>;
  /** What stays on the board when it is dry. */
  readonly dryMass: Figure<'g'>;
}

/** Sixth stage: how much of what goes on each kind of surface. */
export function coatNeeds(plan: Plan, zones: Zones, catalogue: Catalogue): readonly CoatNeed[] {
  return ZONE_KINDS.flatMap((kind) => {
    const zone = zones.byKind[kind];
    return zone.coated.value <= 0
      ? []
      : plan.coats[kind].map((coat, i) => coatNeed(coat, zone, isFirstFilm(plan.coats[kind], i, catalogue), catalogue));
  });
}

/** Rims are heaped from the first paste that goes on their surface. */
function isFirstFilm(coats: readonly Coat[], index: number, catalogue: Catalogue): boolean {
  return coats.findIndex(({ stuffId }) => stuffBy(catalogue, stuffId).spread.by === 'film') === index;
}

/** What it takes to seal the faces that the stack says are sealed; null for none. */
export function sealNeed(stack: Plan['stack'], tableArea: Figure<'mm²'>, catalogue: Catalogue): SealNeed | null {
  const layers = [...(stack.substrate === null ? [] : [stack.substrate]), ...stack.ground];
  const count = layers.reduce((sum, { sealed }) => sum + (sealed === 'none' ? 0 : sealed === 'both' ? 2 : 1), 0);
  if (count === 0) return null;
  const stuff = stuffBy(catalogue, catalogue.bench.sealerId);
  if (stuff.spread.by !== 'coverage') throw new RangeError(`${stuff.name} cannot seal boards: its spread is not a coverage`);
  const faces = reckon('Faces to seal', 'mm²', tableArea, '×', given('Sealed faces of layers', count, '1', 'plan'));
  const full = reckon('Sealer, net', 'l', inSquareMetres(faces), '÷', estimated(`${stuff.name}, covers`, stuff.spread.m2PerL, 'm²/l'));
  return { stuff, faces, volume: withLoss(`${stuff.name} on boards`, litresInMillilitres(full), stuff) };
}

/** The coats summed by stuff, in the order they are first used. */
export function stuffNeeds(coats: readonly CoatNeed[], sealing: SealNeed | null = null): readonly StuffNeed[] {
  const needs = [...(sealing === null ? [] : [sealing]), ...coats];
  const stuffs = [...new Set(needs.map(({ stuff }) => stuff))];
  return stuffs.map((stuff) => {
    const volume = total(
      stuff.name,
      'ml',
      needs.filter((need) => need.stuff === stuff).map((need) => need.volume),
    );
    const wet = reckon(`${stuff.name}, wet`, 'g', volume, '×', estimated(`${stuff.name}, density`, stuff.densityGPerMl, 'g/ml'));
    const { value, low, high, origin } = stuff.solidsPct;
    const solids = given(`${stuff.name}, share that stays`, value / 100, '1', 'catalogue', `${origin}, ${low} to ${high} %`);
    return { stuff, volume, dryMass: reckon(`${stuff.name}, dry`, 'g', wet, '×', solids) };
  });
}

/** How many pours a depth of water takes, by the greatest depth the stuff may be poured at once. */
export function poursFor(waterMm: number, maxPourMm: number): number {
  return Math.max(1, Math.ceil(waterMm / maxPourMm - 1e-9));
}

/**
 * The volume one coat takes of a surface.
 * @source craft.md §6: area × relief × film × (1 + loss); §7 for paint: area ÷ coverage × share of the method
 */
function coatNeed(coat: Coat, zone: Zone, heapsRims: boolean, catalogue: Catalogue): CoatNeed {
  const stuff = stuffBy(catalogue, coat.stuffId);
  const method = methodBy(catalogue, coat.methodId);
  const base = { zone: zone.kind, coatId: coat.id, stuff, method, filmMm: null, area: zone.coated };
  const what = `${stuff.name}, ${method.name}, ${zone.kind}`;
  switch (stuff.spread.by) {
    case 'film': {
      const filmMm = coat.filmMm ?? stuff.spread.filmMm.value;
      const film = coat.filmMm === null ? estimated('Film', stuff.spread.filmMm, 'mm') : given('Film', coat.filmMm, 'mm', 'plan');
      const relief = estimated(`${stuff.name}, relief over the plain area`, stuff.spread.relief, '1');
      const surface = reckon(`${what}: surface with its relief`, 'm²', zone.coated, '×', relief);
      const inMm2 = reckon(`${what}: in mm²`, 'mm²', surface, '×', given('mm² in a m²', 1_000_000, 'mm²/m²', 'definition'));
      const spread = reckon(`${what}: as a film`, 'mm³', inMm2, '×', film);
      const all = heapsRims && zone.heaped !== null ? reckon(`${what}: with the rims`, 'mm³', spread, '+', zone.heaped) : spread;
      const net = inMillilitres(all);
      return { ...base, filmMm, volume: withLoss(what, net, stuff) };
    }
    case 'rate': {
      const rate = estimated(`${stuff.name}, a square metre takes`, stuff.spread.mlPerM2, 'ml/m²');
      return { ...base, volume: withLoss(what, reckon(`${what}: net`, 'ml', zone.coated, '×', rate), stuff) };
    }
    case 'coverage': {
      const full = litresInMillilitres(
        reckon(`${what}: a full coat`, 'l', zone.coated, '÷', estimated(`${stuff.name}, covers`, stuff.spread.m2PerL, 'm²/l')),
      );
      const share = given(`${method.name}, share of a full coat`, method.coverShare, '1', 'catalogue', 'workshop default');
      return { ...base, volume: withLoss(what, reckon(`${what}: net`, 'ml', full, '×', share), stuff) };
    }
    case 'depth': {
      const room = total(
        `${what}: room to fill`,
        'mm³',
        zone.basins.map((basin) => basin.room),
      );
      return { ...base, volume: withLoss(what, inMillilitres(room), stuff) };
    }
    default:
      throw stuff.spread satisfies never;
  }
}

function withLoss(label: string, net: Figure<'ml'>, { lossPct: { value, low, high, origin } }: Stuff): Figure<'ml'> {
  const factor = given(`Factor for ${value} % left in bowl and brush`, 1 + value / 100, '1', 'catalogue', `${origin}, ${low} to ${high} %`);
  return reckon(label, 'ml', net, '×', factor);
}
