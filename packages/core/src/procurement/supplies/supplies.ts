import type { Fixings } from '../../terrain/tiling';
import { listedBy } from '../../base/grouping';
import { type Feature, kindOf } from '../../plan/features';
import type { CastNeed, CladNeed, FillNeed, LengthNeed } from '../../build/pieces';
import { type Catalogue, type Pack, adhesiveBy, estimated } from '../../catalogue';
import type { CoatingNeed } from '../../finishing/coats';
import type { StuffNeed } from '../../finishing/mixes';
import type { CutJob } from '../../build/cutting/job';
import type { GlueNeed } from '../../build/stack/adhesives';
import type { Plan } from '../../plan';
import { type Figure, type MeasureSystem, type Unit, given, lengthWords, calculate, total } from '../../base/units';
import { cheapestPacks } from './packs';

type OfHundred = Plan['buying']['ofHundred'];
/** So much of a need that it is enough in so many of a hundred. */
export type SafetyStock = <U extends Unit>(need: Figure<U>, ofHundred: number) => Figure<U>;

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
  /** Where in the catalogue what is bought stands, as `adhesives.white-glue`; null for what lies on no shelf. */
  readonly stockId: string | null;
  readonly need: Figure;
  /** What of it the shelf has; null where it has none. */
  readonly onShelf: Figure | null;
  /** How often of a hundred what is bought is to be enough; null: as much as was reckoned. */
  readonly ofHundred: OfHundred;
  /** Packages to buy, in words: `1 × 1 l and 2 × 250 ml` is given as counts and amounts. */
  readonly packs: readonly { readonly count: number; readonly amount: Figure }[];
  /** Packages it is sold in; none for what is bought as it was laid out. */
  readonly sizes: readonly Pack[];
  /** What is to be bought of it, by where it stands in the catalogue: what the shelf has is off. */
  readonly wants: readonly { readonly stockId: string; readonly amount: number }[];
  readonly buy: Figure<'money'>;
  /** What it would be if nothing lay on the shelf: the money planned for it. */
  readonly planned: Figure<'money'>;
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
  readonly surely: SafetyStock | null;
  readonly system: MeasureSystem;
  readonly catalogue: Catalogue;
  /** What this board may take from the shelf. */
  readonly shelf: Readonly<Record<string, number>>;
}

/** What to buy, and what of it goes into the board. */
export function suppliesFor(inputs: SupplyInputs): Supplies {
  const { jobs, cutAtShop, buying, shelf, surely, system } = inputs;
  const packRow = (row: Row): Supply => packed(row, { buying, surely, shelf });
  const rows = [
    ...jobs.map((job) => sheetRow(job, system, shelf)),
    ...(cutAtShop === null ? [] : [shopRow(cutAtShop)]),
    ...[...pieceRows(inputs), ...glueRows(inputs), ...fixingRows(inputs), ...coatRows(inputs)].map(packRow),
  ];
  return {
    rows,
    buy: total(
      'Buy',
      'money',
      rows.map(({ buy }) => buy),
    ),
    used: total(
      'Cost of materials used',
      'money',
      rows.map(({ used }) => used),
    ),
  };
}

/** What pieces are made of besides sheets. */
const pieceRows = ({ lengths, clads, fills, casts }: SupplyInputs): readonly Row[] => [
  ...lengths.map(lengthRow),
  ...clads.map(({ cladding: { id, name, packs }, count }): Row => ({
    id,
    group: 'cladding',
    stockId: `claddings.${id}`,
    name,
    need: count,
    sizes: packs,
  })),
  ...fills.map(({ fill: { id, name, packsMl }, volume }): Row => ({
    id,
    group: 'fills',
    stockId: `fills.${id}`,
    name,
    need: volume,
    sizes: packsMl,
  })),
  ...casts.map(({ name, mass, packs }): Row => ({
    id: `casting ${name}`,
    group: 'casting',
    stockId: `castings.${name}`,
    name,
    need: mass,
    sizes: packs,
  })),
];
/** What is mixed in as well as spread is one tub. */
const isAlsoGlue = ({ stuff }: StuffNeed): boolean => stuff.adhesiveId !== undefined;
const glueRows = ({ glues, stuffs, catalogue }: SupplyInputs): readonly Row[] =>
  allOfGlue(glues, stuffs.filter(isAlsoGlue), catalogue).map(({ adhesiveId, name, mass }) => ({
    id: adhesiveId,
    group: 'adhesive',
    stockId: `adhesives.${adhesiveId}`,
    name,
    need: mass,
    sizes: adhesiveBy(catalogue, adhesiveId).packsG,
  }));
const fixingRows = ({ fixings, features, catalogue }: SupplyInputs): readonly Row[] => [
  ...(fixings === null
    ? []
    : [
        {
          id: 'fixings',
          group: 'fixings',
          stockId: `joins.${fixings.join.id}`,
          name: fixings.join.name,
          need: fixings.count,
          sizes: fixings.join.packs,
        } as const,
      ]),
  ...lightRows(features, catalogue),
];
/** What is mixed is bought by its parts. */
const coatRows = ({ coatings, stuffs }: SupplyInputs): readonly Row[] => [
  ...coatings
    .filter(({ coating }) => coating.recipe === null && coating.sold.packs.length > 0)
    .map(({ coating, amount }): Row => ({
      id: coating.id,
      group: coating.family,
      stockId: `coatings.${coating.id}`,
      name: coating.name,
      need: amount,
      sizes: coating.sold.packs,
    })),
  ...stuffs
    .filter((need) => !isAlsoGlue(need))
    .map(({ stuff: { id, name, packsMl }, volume }): Row => ({
      id: `stuff ${id}`,
      group: 'stuffs',
      stockId: `stuffs.${id}`,
      name,
      need: volume,
      sizes: packsMl,
    })),
];

function sheetRow({ key, name, bought, sheetCount, cost }: CutJob, system: MeasureSystem, shelf: SupplyInputs['shelf']): Supply {
  const there = bought.map(({ sheet, count }) => Math.min(count, shelf[`sheets.${sheet.id}`] ?? 0));
  const lying = there.flatMap((count, i) =>
    count === 0
      ? []
      : [
          calculate(
            `${name}, sheets in stock`,
            'money',
            given(`${name}, on the shelf`, count, '1', 'shelf', 'whole sheets'),
            '×',
            given(`${name}, a sheet`, bought[i]!.sheet.priceMinor, 'money', 'catalogue', 'example price'),
          ),
        ],
  );
  const onShelf =
    lying.length === 0
      ? null
      : given(
          `${name}, on the shelf`,
          there.reduce((sum, count) => sum + count, 0),
          '1',
          'shelf',
        );
  const buy = lying.length === 0 ? cost : calculate(`${name}, buy`, 'money', cost, '−', total(`${name}, already in stock`, 'money', lying));
  const packs = bought.map(({ sheet, count }) => ({
    count,
    amount: given(lengthWords([sheet.widthMm, sheet.depthMm], system), 1, '1', 'catalogue'),
  }));
  return {
    id: key,
    group: 'sheets',
    name,
    stockId: null,
    need: sheetCount,
    onShelf,
    wants: bought.map(({ sheet, count }, i) => ({ stockId: `sheets.${sheet.id}`, amount: count - there[i]! })),
    ofHundred: null,
    packs,
    sizes: [],
    buy,
    planned: cost,
    used: cost,
  };
}

/** Strips, rods and tubes: whole lengths, whatever is left of the last. */
const lengthRow = ({ stock: { id, name, priceMinor }, lengths }: LengthNeed): Row => ({
  id,
  group: 'lengths',
  stockId: `lengths.${id}`,
  name,
  need: given(name, lengths.length, '1', 'layout', 'divided over whole lengths'),
  sizes: [{ amount: 1, priceMinor }],
});

/** What a shop asks for cutting; nothing is left over of it. */
const shopRow = (cost: Figure<'money'>): Supply => ({
  id: 'shop-cuts',
  group: 'sheets',
  name: cost.label,
  stockId: null,
  need: cost,
  onShelf: null,
  wants: [],
  ofHundred: null,
  packs: [],
  sizes: [],
  buy: cost,
  planned: cost,
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
    return {
      id,
      group: 'lights',
      stockId: `${catalogue.lamps.some((lamp) => lamp.id === id) ? 'lamps' : 'batteries'}.${id}`,
      name,
      need: given(name, count, '1', 'plan'),
      sizes: [{ amount: 1, priceMinor }],
    };
  });
}

interface Row extends Pick<Supply, 'id' | 'group' | 'name' | 'stockId'> {
  readonly need: Figure<'ml'> | Figure<'g'> | Figure<'1'> | Figure<'m'>;
  readonly sizes: readonly Pack[];
}
function packed(
  { id, group, name, stockId, need, sizes }: Row,
  { buying, surely, shelf }: Pick<SupplyInputs, 'buying' | 'surely' | 'shelf'>,
): Supply {
  const own = buying.own.find(({ supplyId }) => supplyId === id);
  const ofHundred = own === undefined ? buying.ofHundred : own.ofHundred;
  const wanted: Figure = ofHundred === null || surely === null ? need : surely<Unit>(need, ofHundred);
  const unit = need.unit;
  const there = Math.min(wanted.value, stockId === null ? 0 : (shelf[stockId] ?? 0));
  const onShelf = there > 0 ? given(`${name}, on the shelf`, there, unit, 'shelf', 'amount available for this board') : null;
  const short = onShelf === null ? wanted : calculate(`${name}, short`, unit, wanted, '−', onShelf);
  const bought = packagesFor(name, unit, short.value, sizes);
  const wants = stockId === null || short.value <= 0 ? [] : [{ stockId, amount: short.value }];
  const row = { id, group, name, stockId, need, onShelf, ofHundred, wants, packs: bought.packs, sizes, buy: bought.cost };
  // What lies there was paid for once: what goes in costs its share of packages that would hold all of it.
  const whole = onShelf === null ? bought : packagesFor(name, unit, wanted.value, sizes);
  if (whole.packs.length === 0) return { ...row, planned: whole.cost, used: whole.cost };
  const amount = given(`${name}, bought`, whole.amount, unit, 'catalogue', 'all packages together');
  return {
    ...row,
    planned: whole.cost,
    used: calculate(`${name}, used up`, 'money', whole.cost, '×', calculate(`${name}, share used`, '1', need, '÷', amount)),
  };
}

/** The cheapest packages of our own prices that hold so much, and what they cost together. */
function packagesFor(
  name: string,
  unit: Unit,
  short: number,
  sizes: readonly Pack[],
): { readonly packs: Supply['packs']; readonly cost: Figure<'money'>; readonly amount: number } {
  const choice = cheapestPacks(short, sizes);
  const bought = choice.packs.map(({ pack, count }) => ({
    count,
    amount: given(`${name}, package`, pack.amount, unit, 'catalogue', 'invented'),
    cost: calculate(
      `${name}, ${count} × ${pack.amount} ${unit}`,
      'money',
      given('Packages', count, '1', 'layout', 'cheapest that cover the need'),
      '×',
      given(`${name}, a package of ${pack.amount} ${unit}`, pack.priceMinor, 'money', 'catalogue', 'example price'),
    ),
  }));
  return {
    packs: bought.map(({ count, amount }) => ({ count, amount })),
    cost: total(
      `${name}, buy`,
      'money',
      bought.map(({ cost }) => cost),
    ),
    amount: choice.amount,
  };
}

/** Adhesives by all that is taken from their tubs: what is spread, and what is stirred into mixes. */
function allOfGlue(glues: readonly GlueNeed[], stirred: readonly StuffNeed[], catalogue: Catalogue): readonly GlueNeed[] {
  const weighed = stirred.map(({ stuff: { name, adhesiveId, densityGPerMl }, volume }) => ({
    adhesiveId: adhesiveId!,
    mass: calculate(`${name}, in mixes`, 'g', volume, '×', estimated(`${name}, density`, densityGPerMl, 'g/ml')),
  }));
  const ids = [...new Set([...glues, ...weighed].map(({ adhesiveId }) => adhesiveId))];
  return ids.map((adhesiveId) => {
    const { name } = adhesiveBy(catalogue, adhesiveId);
    const own = [...glues, ...weighed].filter((need) => need.adhesiveId === adhesiveId).map(({ mass }) => mass);
    return { adhesiveId, name, mass: own.length === 1 ? own[0]! : total(`${name}, from the tub`, 'g', own) };
  });
}
