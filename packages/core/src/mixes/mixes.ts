import { type Catalogue, estimated } from '../catalogue';
import type { CoatNeed } from '../coats';
import { type Figure, given, hoursInMinutes, reckon, total } from '../units';

/** One part of a mix, for the whole coat. */
export interface MixPart {
  readonly name: string;
  readonly volume: Figure<'ml'>;
  readonly mass: Figure<'g'>;
}
/** A coat that is mixed: its parts, and how many bowls it is mixed in. */
export interface Mix {
  readonly coatId: string;
  readonly zone: string;
  readonly name: string;
  readonly volume: Figure<'ml'>;
  readonly parts: readonly MixPart[];
  readonly batches: Figure<'1'>;
  readonly batch: Figure<'ml'>;
}

/**
 * Seventh stage: what to mix. A batch is no more than the bowl holds, nor than can be spread while it stays workable.
 * @source craft.md §6
 */
export function mixesOf(needs: readonly CoatNeed[], catalogue: Catalogue): readonly Mix[] {
  return needs.filter(({ stuff, volume }) => stuff.recipe.length > 0 && volume.value > 0).map((need) => mixOf(need, catalogue));
}

function mixOf(need: CoatNeed, catalogue: Catalogue): Mix {
  const { stuff, method, volume } = need;
  const bowl = estimated('The bowl holds', catalogue.bench.bowlMl, 'ml');
  const cap = stuff.potLifeMin === null ? bowl : reckon('Largest batch', 'ml', bowl, 'or, if smaller,', spreadable(need));
  const batches = reckon(`${stuff.name}, batches`, '1', volume, '⌈÷⌉', cap);
  const shares = stuff.recipe.map(({ name, parts }) =>
    given(`${name}, parts`, parts, '1', 'catalogue', 'workshop default; the label wins'),
  );
  const all = total('All parts', '1', shares);
  const parts = stuff.recipe.map(({ name, densityGPerMl }, i): MixPart => {
    const share = reckon(`${name}, share`, '1', shares[i]!, '÷', all);
    const partVolume = reckon(`${name} to measure`, 'ml', volume, '×', share);
    return {
      name,
      volume: partVolume,
      mass: reckon(
        `${name} to weigh`,
        'g',
        partVolume,
        '×',
        given(`${name}, density`, densityGPerMl, 'g/ml', 'catalogue', 'workshop default'),
      ),
    };
  });
  return {
    coatId: need.coatId,
    zone: need.zone,
    name: `${stuff.name}, ${method.name}`,
    volume,
    parts,
    batches,
    batch: reckon('A batch', 'ml', volume, '÷', batches),
  };
}

/** ml that one person spreads within the pot life: the whole volume over the time it takes, times the pot life. */
function spreadable({ stuff, method, area, volume }: CoatNeed): Figure<'ml'> {
  const time = hoursInMinutes(
    reckon('Time to put it on', 'h', area, '÷', estimated(`${method.name}, an hour`, method.m2PerH, 'm²/h')),
  );
  const share = reckon(
    'Share put on in the pot life',
    '1',
    estimated(`${stuff.name}, pot life`, stuff.potLifeMin!, 'min'),
    '÷',
    time,
  );
  return reckon('Spread in the pot life', 'ml', volume, '×', share);
}
