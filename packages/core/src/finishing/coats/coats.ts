import { type Figure, given, inMillilitres, inSquareMetres, litresInMillilitres, calculate, total } from '../../base/units';
import { memoizeEach } from '../../base/memory';
import { edgeMm } from '../../base/geometry';
import { type Catalogue, type Coating, type Method, coatingBy, estimated, methodBy } from '../../catalogue';
import type { SurfaceArea } from '../../terrain/ground';
import type { Coat, Plan, Surface } from '../../plan';
import type { SurfaceId } from '../../plan/surfaces';

/** One coat on one surface, over the whole board. */
export interface CoatNeed {
  readonly surfaceId: SurfaceId;
  readonly coatId: string;
  readonly coat: Coat;
  readonly coating: Coating;
  readonly method: Method;
  readonly filmMm: number | null;
  /** All of the surface, and as much as one go of this coat is put on. */
  readonly surface: Figure<'m²'>;
  readonly area: Figure<'m²'>;
  readonly volume: Figure<'ml'>;
  /** The same as it is told and bought: by volume, by weight, one by one, or by length. */
  readonly amount: Figure<'ml'> | Figure<'g'> | Figure<'1'> | Figure<'m'>;
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
  readonly amount: CoatNeed['amount'];
  /** What stays on the board when it is dry. */
  readonly dryMass: Figure<'g'>;
}

/** What takes coats: so much surface, rims heaped on it, and basins in it. */
type Coated = Pick<SurfaceArea, 'surfaceId' | 'name' | 'coated' | 'heaped' | 'stretches'> & {
  readonly basins: readonly { readonly room: Figure<'mm³'> }[];
};
/** A face of a piece that is coated, all copies, with what goes on it. */
export interface PieceSurface extends Coated {
  readonly pieceId: string;
  /** A named surface that it wears; null for coats of its own. */
  readonly wears: string | null;
  readonly coats: readonly Coat[];
}

interface CoatInputs {
  readonly surfaces: Plan['surfaces'];
  readonly areas: readonly SurfaceArea[];
  readonly catalogue: Catalogue;
}
interface SealInputs {
  readonly stack: Pick<Plan['stack'], 'substrate' | 'ground'>;
  readonly tableArea: Figure<'mm²'>;
  readonly catalogue: Catalogue;
}

/** How much of what goes on each surface of the ground. */
export function coatNeeds({ surfaces, areas, catalogue }: CoatInputs): readonly CoatNeed[] {
  return surfaces.flatMap(({ id, coats }: Surface) => {
    const area = areas.find(({ surfaceId }) => (surfaceId as string) === id);
    if (area === undefined || area.coated.value <= 0) return [];
    const first = firstFilm(coats, catalogue);
    return coats.flatMap((coat, i) => needOf(coat, area, i === first, catalogue));
  });
}

/** How much of what goes on the faces of pieces. */
export const pieceCoatNeeds = ({
  surfaces,
  named,
  catalogue,
}: {
  readonly surfaces: readonly PieceSurface[];
  readonly named: Plan['surfaces'];
  readonly catalogue: Catalogue;
}): readonly CoatNeed[] =>
  surfaces.flatMap((surface) =>
    surface.coated.value <= 0 ? [] : coatsOfFace(surface, named).flatMap((coat) => needOf(coat, surface, false, catalogue)),
  );
/** What a face of a piece is coated with: the surface it wears, or coats of its own. */
export const coatsOfFace = ({ wears, coats }: Pick<PieceSurface, 'wears' | 'coats'>, named: Plan['surfaces']): readonly Coat[] =>
  (wears === null ? undefined : named.find(({ id }) => id === wears)?.coats) ?? coats;

/** Rims are heaped from the first paste that goes on their surface. */
const firstFilm = (coats: readonly Coat[], catalogue: Catalogue): number =>
  coats.findIndex(({ coatingId }) => coatingBy(catalogue, coatingId).spread.by === 'film');

/** What is poured needs a basin: on dry ground there is none of it. */
function needOf(coat: Coat, surface: Coated, heapsRims: boolean, catalogue: Catalogue): readonly CoatNeed[] {
  if (coatingBy(catalogue, coat.coatingId).spread.by === 'depth' && surface.basins.length === 0) return [];
  return [coatNeed(coat, surface.surfaceId, surface, heapsRims, catalogue)];
}

/** What it takes to seal the faces that the stack says are sealed; null for none. */
export function sealNeed({ stack, tableArea, catalogue }: SealInputs): SealNeed | null {
  const layers = [...(stack.substrate === null ? [] : [stack.substrate]), ...stack.ground];
  const count = layers.reduce((sum, { sealed }) => sum + (sealed === 'none' ? 0 : sealed === 'both' ? 2 : 1), 0);
  if (count === 0) return null;
  const coating = coatingBy(catalogue, catalogue.bench.sealerId);
  if (coating.spread.by !== 'coverage') throw new RangeError(`${coating.name} cannot seal boards: its spread is not a coverage`);
  const faces = calculate('Faces to seal', 'mm²', tableArea, '×', given('Sealed faces of layers', count, '1', 'plan'));
  const full = calculate(
    'Sealer, net',
    'l',
    inSquareMetres(faces),
    '÷',
    estimated(`${coating.name}, covers`, coating.spread.m2PerL, 'm²/l'),
  );
  return { coating, faces, volume: withLoss(`${coating.name} on boards`, 'ml', litresInMillilitres(full), coating) };
}

/** The coats summed by coating, in the order they are first used. */
export function coatingNeeds({
  coats,
  sealing,
  mends,
  catalogue,
}: {
  readonly coats: readonly CoatNeed[];
  readonly sealing: SealNeed | null;
  readonly mends: Plan['mends'];
  readonly catalogue: Catalogue;
}): readonly CoatingNeed[] {
  const mending = mends.flatMap(({ name, coating }) => {
    if (coating === null || coating.ml === 0) return [];
    const volume = given(name, coating.ml, 'ml', 'plan');
    return [{ coating: coatingBy(catalogue, coating.coatingId), volume, amount: volume }];
  });
  const needs = [...(sealing === null ? [] : [{ ...sealing, amount: sealing.volume }]), ...coats, ...mending];
  const coatings = [...new Set(needs.map(({ coating }) => coating))];
  return coatings.map((coating) => {
    const own = needs.filter((need) => need.coating === coating);
    const volume = total(
      coating.name,
      'ml',
      own.map((need) => need.volume),
    );
    const { unit } = own[0]!.amount;
    const amount =
      unit === 'ml'
        ? volume
        : (total(
            coating.name,
            unit,
            own.map((need) => need.amount as Figure<typeof unit>),
          ) as CoatNeed['amount']);
    const wet = calculate(`${coating.name}, wet`, 'g', volume, '×', estimated(`${coating.name}, density`, coating.densityGPerMl, 'g/ml'));
    const { value, low, high, origin } = coating.solidsPct;
    const solids = given(`${coating.name}, share left when dry`, value / 100, '1', 'catalogue', `${origin}, ${low} to ${high} %`);
    return { coating, volume, amount, dryMass: calculate(`${coating.name}, dry`, 'g', wet, '×', solids) };
  });
}

/** How many pours a depth of water takes, by the greatest depth the coating may be poured at once. */
export function poursFor(waterMm: number, maxPourMm: number): number {
  return Math.max(1, Math.ceil(waterMm / maxPourMm - 1e-9));
}

/**
 * What one coat takes of a surface.
 * @source craft.md §6: area × relief × film × coats × (1 + loss); §7 for paint: area ÷ coverage × share of the method
 */
const coatNeed = memoizeEach((coat: Coat, _surfaceId: SurfaceId, surface: Coated, heapsRims: boolean, catalogue: Catalogue): CoatNeed => {
  const coating = coatingBy(catalogue, coat.coatingId);
  const method = methodBy(catalogue, coat.methodId);
  const what = `${coating.name}, ${method.name}, ${surface.name}`;
  const area = coveredOf(coat, surface, what);
  const all = times(coat.goes, 'm²', `${what}: all applications`, area);
  const base = { surfaceId: surface.surfaceId, coatId: coat.id, coat, coating, method, filmMm: null, surface: surface.coated, area };
  const wet = (net: Figure<'ml'>, filmMm: number | null = null): CoatNeed => {
    const volume = withLoss(what, 'ml', net, coating);
    return { ...base, filmMm, volume, amount: volume };
  };
  const { spread } = coating;
  switch (spread.by) {
    case 'film': {
      const film =
        coat.filmMm === null
          ? estimated(`${coating.name}, film`, spread.filmMm, 'mm')
          : given(`${coating.name}, film`, coat.filmMm, 'mm', 'plan');
      const relief = estimated(`${coating.name}, relief over the plain area`, spread.relief, '1');
      const rough = calculate(`${what}: surface with its relief`, 'm²', all, '×', relief);
      const inMm2 = calculate(`${what}: in mm²`, 'mm²', rough, '×', given('mm² in a m²', 1_000_000, 'mm²/m²', 'definition'));
      const laid = calculate(`${what}: as a film`, 'mm³', inMm2, '×', film);
      const heaped = heapsRims && surface.heaped !== null ? calculate(`${what}: with the rims`, 'mm³', laid, '+', surface.heaped) : laid;
      return wet(inMillilitres(heaped), film.value);
    }
    case 'rate':
      return wet(
        thinned(
          coat,
          what,
          calculate(`${what}: net`, 'ml', all, '×', estimated(`${coating.name}, needed per square metre`, spread.mlPerM2, 'ml/m²')),
        ),
      );
    case 'coverage': {
      const covers = estimated(`${coating.name}, covers`, spread.m2PerL, 'm²/l');
      const full = litresInMillilitres(calculate(`${what}: a full coat`, 'l', all, '÷', covers));
      const share = given(`${method.name}, share of a full coat`, method.coverShare, '1', 'catalogue', 'our default value');
      return wet(thinned(coat, what, calculate(`${what}: net`, 'ml', full, '×', share)));
    }
    case 'depth': {
      const rooms = surface.basins.map(({ room }) => room);
      return wet(inMillilitres(total(`${what}: volume to fill`, 'mm³', rooms)));
    }
    case 'mass': {
      const net = calculate(`${what}: net`, 'g', all, '×', estimated(`${coating.name}, needed per square metre`, spread.gPerM2, 'g/m²'));
      return { ...base, ...byWeight(what, withLoss(what, 'g', net, coating), coating) };
    }
    case 'count': {
      const perM2 =
        coat.strewn === null
          ? estimated(`${coating.name}, on a square metre`, spread.perM2, '1/m²')
          : given(`${coating.name}, on a square metre`, coat.strewn.perM2, '1/m²', 'plan');
      const net = calculate(`${what}: net`, '1', all, '×', perM2);
      const count = calculate(what, '1', withLoss(`${what}, with loss`, '1', net, coating), '⌈÷⌉', WHOLE);
      const weight = byWeight(what, calculate(`${what}: weight`, 'g', count, '×', estimated('Mass of each', spread.gEach, 'g')), coating);
      return { ...base, ...weight, amount: coating.sold.by === 'g' ? weight.amount : count };
    }
    case 'edge': {
      const along = inMetresOf(what, surface);
      const length = withLoss(what, 'm', times(coat.goes, 'm', `${what}: all applications`, along), coating);
      return { ...base, volume: given(`${what}: falls off again`, 0, 'ml', 'definition'), amount: length };
    }
    default:
      throw spread satisfies never;
  }
});
const WHOLE = given('Rounded up', 1, '1', 'definition');

/** What of a coat is not water, where it is thinned. */
function thinned({ thin }: Coat, what: string, wet: Figure<'ml'>): Figure<'ml'> {
  return thin === 0
    ? wet
    : calculate(`${what}: before it is thinned`, 'ml', wet, '÷', given(`1 part in ${thin} of water`, 1 + thin, '1', 'plan'));
}

/** The part of a surface that a coat goes on. */
function coveredOf({ coverPct }: Coat, { coated }: Coated, what: string): Figure<'m²'> {
  return coverPct === 100
    ? coated
    : calculate(`${what}: covered area`, 'm²', coated, '×', given('Share covered', coverPct / 100, '1', 'plan'));
}
const times = <U extends 'm²' | 'm'>(goes: number, unit: U, label: string, one: Figure<U>): Figure<U> =>
  goes === 1 ? one : (calculate(label, unit, one as Figure, '×', given('Number of layers', goes, '1', 'plan')) as Figure<U>);

const byWeight = (what: string, amount: Figure<'g'>, { name, densityGPerMl }: Coating): Pick<CoatNeed, 'volume' | 'amount'> => ({
  amount,
  volume: calculate(`${what}: its volume`, 'ml', amount, '÷', estimated(`${name}, density`, densityGPerMl, 'g/ml')),
});

/** Along the edge of every stretch. */
function inMetresOf(what: string, { stretches }: Coated): Figure<'m'> {
  const mm = stretches.reduce((sum, { region }) => sum + edgeMm(region()), 0);
  return calculate(
    `${what}: along its edge`,
    'm',
    given(`${what}: edge`, mm, 'mm', 'drawing', 'measured round the outline'),
    '÷',
    given('Millimetres in a metre', 1_000, 'mm/m', 'definition'),
  );
}

function withLoss<U extends 'ml' | 'g' | 'm' | '1'>(
  label: string,
  unit: U,
  net: Figure<U>,
  { lossPct: { value, low, high, origin } }: Coating,
): Figure<U> {
  const factor = given(`Factor for ${value} % left in pot and brush`, 1 + value / 100, '1', 'catalogue', `${origin}, ${low} to ${high} %`);
  return calculate(label, unit, net as Figure, '×', factor) as Figure<U>;
}
