import type { Fixings } from '../tiling';
import { listedBy } from '../base/grouping';
import { type Feature, kindOf } from '../features';
import type { CastNeed, CladNeed, FillNeed, LengthNeed } from '../pieces';
import { type Catalogue, type Pack, adhesiveBy } from '../catalogue';
import type { CoatingNeed } from '../coats';
import type { StuffNeed } from '../mixes';
import type { CutJob } from '../cutting/job';
import type { GlueNeed } from '../stack/adhesives';
import type { Plan } from '../plan';
import { type Figure, type MeasureSystem, type Unit, given, lengthWords, reckon, total } from '../base/units';
import { cheapestPacks } from './packs';

type OfHundred = Plan['buying']['ofHundred'];
/** So much of a need that it is enough in so many of a hundred. */
export type Surely = <U extends Unit>(need: Figure<U>, ofHundred: number) => Figure<U>;

/** One line of what the board takes: the need, what it is bought in, and the money. */
export interface Supply {
  readonly id: string;
  readonly group:
    | 'sheets'
    | 'lengths'
    | 'cladding'
    | 'fills'
    | 'casting'
    | 'adhesive'
    | 'fixings'
    | 'lights'
    | 'stuffs'
    | 'texture'
    | 'grain'
    | 'sealer'
    | 'paint'
    | 'planting'
    | 'mask'
    | 'varnish'
    | 'water';
  readonly name: string;
  readonly need: Figure;
  /** How often of a hundred what is bought is to be enough; null: as much as was reckoned. */
  readonly ofHundred: OfHundred;
  /** Packages to buy, in words: `1 × 1 l and 2 × 250 ml` is given as counts and amounts. */
  readonly packs: readonly { readonly count: number; readonly amount: Figure }[];
  /** Packages it is sold in; none for what is bought as it was laid out. */
  readonly sizes: readonly Pack[];
  readonly buy: Figure<'money'>;
  /** Share of the money that goes into the board; sheets count whole. */
  readonly used: Figure<'money'>;
}
export interface Supplies {
  readonly rows: readonly Supply[];
  readonly buy: Figure<'money'>;
  readonly used: Figure<'money'>;
}

interface SupplyInputs {
  readonly jobs: readonly CutJob[];
  /** What a shop asks for cutting. */
  readonly cutAtShop: Figure<'money'> | null;
  readonly glues: readonly GlueNeed[];
  readonly lengths: readonly LengthNeed[];
  readonly clads: readonly CladNeed[];
  readonly fills: readonly Pick<FillNeed, 'fill' | 'volume'>[];
  readonly casts: readonly CastNeed[];
  readonly coatings: readonly CoatingNeed[];
  readonly stuffs: readonly StuffNeed[];
  readonly fixings: Fixings | null;
  readonly features: readonly Feature[];
  readonly buying: Plan['buying'];
  /** Null until it is fetched: all is bought as reckoned until then. */
  readonly surely: Surely | null;
  readonly system: MeasureSystem;
  readonly catalogue: Catalogue;
}

/** What to buy, and what of it goes into the board. */
export function suppliesFor({
  jobs,
  cutAtShop,
  glues,
  lengths,
  clads,
  fills,
  casts,
  coatings,
  stuffs,
  fixings,
  features,
  buying,
  surely,
  system,
  catalogue,
}: SupplyInputs): Supplies {
  const packRow = (row: Row): Supply => packed(row, buying, surely);
  const rows = [
    ...jobs.map((job) => sheetRow(job, system)),
    ...(cutAtShop === null ? [] : [shopRow(cutAtShop)]),
    ...lengths.map((length) => packRow(lengthRow(length))),
    ...clads.map(({ cladding: { id, name, packs }, count }) => packRow({ id, group: 'cladding', name, need: count, sizes: packs })),
    ...fills.map(({ fill: { id, name, packsMl }, volume }) => packRow({ id, group: 'fills', name, need: volume, sizes: packsMl })),
    ...casts.map(({ name, mass, packs }) => packRow({ id: `casting ${name}`, group: 'casting', name, need: mass, sizes: packs })),
    ...glues.map(({ adhesiveId, name, mass }) =>
      packRow({ id: adhesiveId, group: 'adhesive', name, need: mass, sizes: adhesiveBy(catalogue, adhesiveId).packsG }),
    ),
    ...(fixings === null
      ? []
      : [packRow({ id: 'fixings', group: 'fixings', name: fixings.join.name, need: fixings.count, sizes: fixings.join.packs })]),
    ...lightRows(features, catalogue).map(packRow),
    // What is mixed is bought by its parts.
    ...coatings
      .filter(({ coating }) => coating.recipe === null && coating.sold.packs.length > 0)
      .map(({ coating, amount }) =>
        packRow({ id: coating.id, group: coating.family, name: coating.name, need: amount, sizes: coating.sold.packs }),
      ),
    ...stuffs.map(({ stuff: { id, name, packsMl }, volume }) =>
      packRow({ id: `stuff ${id}`, group: 'stuffs', name, need: volume, sizes: packsMl }),
    ),
  ];
  return {
    rows,
    buy: total(
      'To buy',
      'money',
      rows.map(({ buy }) => buy),
    ),
    used: total(
      'Cost of what goes in',
      'money',
      rows.map(({ used }) => used),
    ),
  };
}

function sheetRow({ key, name, bought, sheetCount, cost }: CutJob, system: MeasureSystem): Supply {
  const packs = bought.map(({ sheet, count }) => ({
    count,
    amount: given(lengthWords([sheet.widthMm, sheet.depthMm], system), 1, '1', 'catalogue'),
  }));
  return { id: key, group: 'sheets', name, need: sheetCount, ofHundred: null, packs, sizes: [], buy: cost, used: cost };
}

/** Strips, rods and tubes: whole lengths, whatever is left of the last. */
const lengthRow = ({ stock: { id, name, priceMinor }, lengths }: LengthNeed): Row => ({
  id,
  group: 'lengths',
  name,
  need: given(name, lengths.length, '1', 'layout', 'shared out over whole lengths'),
  sizes: [{ amount: 1, priceMinor }],
});

/** What a shop asks for cutting; nothing is left over of it. */
const shopRow = (cost: Figure<'money'>): Supply => ({
  id: 'shop-cuts',
  group: 'sheets',
  name: cost.label,
  need: cost,
  ofHundred: null,
  packs: [],
  sizes: [],
  buy: cost,
  used: cost,
});

/** Battery boxes and lamps of all small lights, bought one by one. */
function lightRows(features: readonly Feature[], catalogue: Catalogue): Row[] {
  const pieces = listedBy(
    features.flatMap((feature) => kindOf(feature).bought?.(feature, catalogue) ?? []),
    ({ id }) => id,
  );
  return [...pieces].map(([id, all]) => {
    const { name, priceMinor } = all[0]!;
    const count = all.reduce((sum, piece) => sum + piece.count, 0);
    return { id, group: 'lights', name, need: given(name, count, '1', 'plan'), sizes: [{ amount: 1, priceMinor }] };
  });
}

interface Row extends Pick<Supply, 'id' | 'group' | 'name'> {
  readonly need: Figure<'ml'> | Figure<'g'> | Figure<'1'> | Figure<'m'>;
  readonly sizes: readonly Pack[];
}
function packed({ id, group, name, need, sizes }: Row, buying: Plan['buying'], surely: Surely | null): Supply {
  const own = buying.own.find(({ supplyId }) => supplyId === id);
  const ofHundred = own === undefined ? buying.ofHundred : own.ofHundred;
  const wanted = ofHundred === null || surely === null ? need : surely<Unit>(need, ofHundred);
  const choice = cheapestPacks(wanted.value, sizes);
  const unit = need.unit;
  const bought = choice.packs.map(({ pack, count }) => ({
    count,
    amount: given(`${name}, package`, pack.amount, unit, 'catalogue', 'invented'),
    cost: reckon(
      `${name}, ${count} × ${pack.amount} ${unit}`,
      'money',
      given('Packages', count, '1', 'layout', 'cheapest that hold the need'),
      '×',
      given(`${name}, a package of ${pack.amount} ${unit}`, pack.priceMinor, 'money', 'catalogue', 'invented price'),
    ),
  }));
  const buy = total(
    `${name}, to buy`,
    'money',
    bought.map(({ cost }) => cost),
  );
  const packs = bought.map(({ count, amount }) => ({ count, amount }));
  if (bought.length === 0) return { id, group, name, need, ofHundred, packs, sizes, buy, used: buy };
  const amount = given(`${name}, bought`, choice.amount, unit, 'catalogue', 'all packages together');
  const used = reckon(`${name}, used up`, 'money', buy, '×', reckon(`${name}, share used`, '1', need, '÷', amount));
  return { id, group, name, need, ofHundred, packs, sizes, buy, used };
}
