import { type Catalogue, type Pack, adhesiveBy, batteryBy, lampBy } from '../catalogue';
import type { StuffNeed } from '../coats';
import type { CutJob } from '../cutting';
import type { Feature } from '../plan';
import type { GlueNeed } from '../stack';
import { type Figure, type MeasureSystem, given, lengthWords, reckon, total } from '../units';
import { cheapestPacks } from './packs';

/** One line of what the board takes: the need, what it is bought in, and the money. */
export interface Supply {
  readonly id: string;
  readonly group: 'sheets' | 'adhesive' | 'fixings' | 'lights' | 'texture' | 'sealer' | 'paint' | 'varnish' | 'water';
  readonly name: string;
  readonly need: Figure;
  /** Packages to buy, in words: `1 × 1 l and 2 × 250 ml` is given as counts and amounts. */
  readonly packs: readonly { readonly count: number; readonly amount: Figure }[];
  readonly buy: Figure<'money'>;
  /** Share of the money that goes into the board; sheets count whole. */
  readonly used: Figure<'money'>;
}
export interface Supplies {
  readonly rows: readonly Supply[];
  readonly buy: Figure<'money'>;
  readonly used: Figure<'money'>;
}

/** Tenth stage: what to buy, and what of it goes into the board. */
export function suppliesFor(
  jobs: readonly CutJob[],
  shop: Figure<'money'> | null,
  glues: readonly GlueNeed[],
  stuffs: readonly StuffNeed[],
  fixings: Figure<'1'> | null,
  features: readonly Feature[],
  system: MeasureSystem,
  catalogue: Catalogue,
): Supplies {
  const rows = [
    ...jobs.map((job) => sheetRow(job, system)),
    ...(shop === null ? [] : [shopRow(shop)]),
    ...glues.map(({ adhesiveId, name, mass }) => packRow(adhesiveId, 'adhesive', name, mass, adhesiveBy(catalogue, adhesiveId).packsG)),
    ...(fixings === null
      ? []
      : [packRow('fixings', 'fixings', fixings.label, fixings, catalogue.joins.find(({ name }) => name === fixings.label)!.packs)]),
    ...lightRows(features, catalogue),
    ...stuffs.map(({ stuff, volume }) => packRow(stuff.id, stuff.family, stuff.name, volume, stuff.packsMl)),
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
  return { id: key, group: 'sheets', name, need: sheetCount, packs, buy: cost, used: cost };
}

/** What a shop asks for cutting; nothing is left over of it. */
const shopRow = (cost: Figure<'money'>): Supply => ({
  id: 'shop-cuts',
  group: 'sheets',
  name: cost.label,
  need: cost,
  packs: [],
  buy: cost,
  used: cost,
});

/** Battery boxes and lamps of all small lights, bought one by one. */
function lightRows(features: readonly Feature[], catalogue: Catalogue): Supply[] {
  const counts = new Map<string, { readonly name: string; readonly priceMinor: number; count: number }>();
  const add = ({ id, name, priceMinor }: { id: string; name: string; priceMinor: number }, count: number): void => {
    const known = counts.get(id);
    if (known === undefined) counts.set(id, { name, priceMinor, count });
    else known.count += count;
  };
  for (const feature of features) {
    if (feature.kind !== 'light') continue;
    add(batteryBy(catalogue, feature.batteryId), 1);
    add(lampBy(catalogue, feature.lampId), feature.lamps);
  }
  return [...counts].map(([id, { name, priceMinor, count }]) =>
    packRow(id, 'lights', name, given(name, count, '1', 'plan'), [{ amount: 1, priceMinor }]),
  );
}

function packRow(
  id: string,
  group: Supply['group'],
  name: string,
  need: Figure<'ml'> | Figure<'g'> | Figure<'1'>,
  sizes: readonly Pack[],
): Supply {
  const choice = cheapestPacks(need.value, sizes);
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
  if (bought.length === 0) return { id, group, name, need, packs, buy, used: buy };
  const amount = given(`${name}, bought`, choice.amount, unit, 'catalogue', 'all packages together');
  const used = reckon(`${name}, used up`, 'money', buy, '×', reckon(`${name}, share used`, '1', need, '÷', amount));
  return { id, group, name, need, packs, buy, used };
}
