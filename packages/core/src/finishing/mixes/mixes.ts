import { type Figure, given, hoursInMinutes, calculate, total } from '../../base/units';
import { type Catalogue, type Coating, estimated } from '../../catalogue';
import type { CoatNeed } from '../coats';
import { type Kitchen, kitchenWords } from './kitchen';
import { type MixPart, partsOf } from './ingredients';

/** The same for one bowl, also in spoons. */
export interface BatchPart extends MixPart {
  readonly kitchen: Readonly<Record<Kitchen, string>>;
}
/** What is mixed for one step over all the surfaces that take it: its parts, and how many bowls. */
export interface Mix {
  readonly id: string;
  readonly coatingId: string;
  readonly name: string;
  readonly by: 'volume' | 'mass';
  readonly volume: Figure<'ml'>;
  readonly parts: readonly MixPart[];
  readonly batches: Figure<'1'>;
  readonly batch: Figure<'ml'>;
  readonly inBatch: readonly BatchPart[];
  /** Drops of tint in one bowl; null where it takes none. */
  readonly tintDrops: Figure<'1'> | null;
  readonly potLife: Figure<'min'> | null;
  /** What stays on a square metre when it is dry; null where that is not the point of it. */
  readonly solids: Figure<'g/m²'> | null;
  readonly area: Figure<'m²'>;
  readonly cautionIds: readonly string[];
}
/**
 * What to mix. A batch is no more than the bowl holds, nor than can be spread while it stays workable.
 * @source craft.md §6
 */
export function mixesOf({
  coats: needs,
  catalogue,
}: {
  readonly coats: readonly CoatNeed[];
  readonly catalogue: Catalogue;
}): readonly Mix[] {
  const groups = new Map<string, CoatNeed[]>();
  for (const need of needs.filter(({ coating, volume }) => coating.recipe !== null && volume.value > 0)) {
    const id = `${need.coating.id}-${need.method.id}`;
    groups.set(id, [...(groups.get(id) ?? []), need]);
  }
  return [...groups].map(([id, group]) => mixOf(id, group, catalogue));
}

function mixOf(id: string, group: readonly CoatNeed[], catalogue: Catalogue): Mix {
  const { coating, method } = group[0]!;
  const name = `${coating.name}, ${method.name}`;
  const volume = total(
    name,
    'ml',
    group.map((need) => need.volume),
  );
  const area = total(
    `${name}, all surfaces`,
    'm²',
    group.map((need) => goneOver(need)),
  );
  const bowl = estimated('Pot volume', catalogue.bench.bowlMl, 'ml');
  const cap =
    coating.potLifeMin === null ? bowl : calculate('Largest batch', 'ml', bowl, 'or, if smaller,', spreadable(group, volume, area));
  const batches = calculate(`${name}, batches`, '1', volume, '⌈÷⌉', cap);
  const batch = calculate('A batch', 'ml', volume, '÷', batches);
  const parts = partsOf(coating, volume, catalogue);
  const drops = coating.recipe!.tintDropsPer100Ml;
  return {
    id,
    coatingId: coating.id,
    name,
    by: coating.recipe!.by,
    volume,
    parts,
    batches,
    batch,
    inBatch: parts.map((part): BatchPart => {
      const each = calculate(`${part.name}, a batch`, 'ml', part.volume, '÷', batches);
      return {
        ...part,
        volume: each,
        mass: calculate(`${part.name}, a batch by weight`, 'g', part.mass, '÷', batches),
        kitchen: { metric: kitchenWords(each.value, 'metric'), us: kitchenWords(each.value, 'us') },
      };
    }),
    tintDrops:
      drops === 0
        ? null
        : calculate(
            'Drops of tint, a batch',
            '1',
            batch,
            '×',
            given('Drops per ml', drops / 100, '1/ml', 'catalogue', 'our default value'),
          ),
    potLife: coating.potLifeMin === null ? null : estimated(`${coating.name}, pot life`, coating.potLifeMin, 'min'),
    solids: coating.family === 'sealer' ? solidsOn(coating, volume, area) : null,
    area,
    cautionIds: coating.cautionIds,
  };
}

/** All goes of a coat over its area. */
const goneOver = ({ coat, area }: CoatNeed): Figure<'m²'> =>
  coat.goes === 1 ? area : calculate(`${area.label}: all applications`, 'm²', area, '×', given('Number of layers', coat.goes, '1', 'plan'));

/** Solids that stay on a square metre, all goes together: thin coats add up. */
function solidsOn({ name, densityGPerMl, solidsPct }: Coating, volume: Figure<'ml'>, area: Figure<'m²'>): Figure<'g/m²'> {
  const wet = calculate(`${name}, wet`, 'g', volume, '×', estimated(`${name}, density`, densityGPerMl, 'g/ml'));
  const dry = calculate(
    `${name}, dry amount`,
    'g',
    wet,
    '×',
    given('Share left when dry', solidsPct.value / 100, '1', 'catalogue', solidsPct.origin),
  );
  return calculate(`${name}, dry solids per square metre`, 'g/m²', dry, '÷', area);
}

/** ml that one person spreads within the pot life: the whole volume over the time it takes, times the pot life. */
function spreadable(group: readonly CoatNeed[], volume: Figure<'ml'>, area: Figure<'m²'>): Figure<'ml'> {
  const { coating, method } = group[0]!;
  const time = hoursInMinutes(calculate('Application time', 'h', area, '÷', estimated(`${method.name}, per hour`, method.m2PerH, 'm²/h')));
  const share = calculate(
    'Share applied in the pot life',
    '1',
    estimated(`${coating.name}, pot life`, coating.potLifeMin!, 'min'),
    '÷',
    time,
  );
  return calculate('Area spread in the pot life', 'ml', volume, '×', share);
}
