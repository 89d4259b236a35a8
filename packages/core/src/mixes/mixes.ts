import { type Catalogue, estimated } from '../catalogue';
import type { CoatNeed } from '../coats';
import { type Figure, given, hoursInMinutes, reckon, total } from '../base/units';

/** One part of a mix, for the whole coat. */
export interface MixPart {
  readonly name: string;
  readonly volume: Figure<'ml'>;
  readonly mass: Figure<'g'>;
}
/** What is mixed for one step over all the surfaces that take it: its parts, and how many bowls. */
export interface Mix {
  readonly id: string;
  readonly name: string;
  readonly volume: Figure<'ml'>;
  readonly parts: readonly MixPart[];
  readonly batches: Figure<'1'>;
  readonly batch: Figure<'ml'>;
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
  for (const need of needs.filter(({ coating, volume }) => coating.recipe.length > 0 && volume.value > 0)) {
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
  const bowl = estimated('The bowl holds', catalogue.bench.bowlMl, 'ml');
  const cap = coating.potLifeMin === null ? bowl : reckon('Largest batch', 'ml', bowl, 'or, if smaller,', spreadable(group, volume));
  const batches = reckon(`${name}, batches`, '1', volume, '⌈÷⌉', cap);
  const shares = coating.recipe.map((part) =>
    given(`${part.name}, parts`, part.parts, '1', 'catalogue', 'workshop default; the label wins'),
  );
  const all = total('All parts', '1', shares);
  const parts = coating.recipe.map((part, i): MixPart => {
    const share = reckon(`${part.name}, share`, '1', shares[i]!, '÷', all);
    const partVolume = reckon(`${part.name} to measure`, 'ml', volume, '×', share);
    const density = given(`${part.name}, density`, part.densityGPerMl, 'g/ml', 'catalogue', 'workshop default');
    return { name: part.name, volume: partVolume, mass: reckon(`${part.name} to weigh`, 'g', partVolume, '×', density) };
  });
  return { id, name, volume, parts, batches, batch: reckon('A batch', 'ml', volume, '÷', batches) };
}

/** ml that one person spreads within the pot life: the whole volume over the time it takes, times the pot life. */
function spreadable(group: readonly CoatNeed[], volume: Figure<'ml'>): Figure<'ml'> {
  const { coating, method } = group[0]!;
  const area = total(
    `${method.name}, all surfaces`,
    'm²',
    group.map((need) => need.area),
  );
  const time = hoursInMinutes(reckon('Time to put it on', 'h', area, '÷', estimated(`${method.name}, an hour`, method.m2PerH, 'm²/h')));
  const share = reckon('Share put on in the pot life', '1', estimated(`${coating.name}, pot life`, coating.potLifeMin!, 'min'), '÷', time);
  return reckon('Spread in the pot life', 'ml', volume, '×', share);
}
