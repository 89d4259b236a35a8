import { grainLook } from '../../finishing/coats';
import { cold, damp, isSealedIn, pairs, trace, warned } from './facts';

import { NIGHT, DAY, mend, cause, none, SEAL, waterGlues, unwashed, weakest, chemicals, locks, unlocked } from './cause';
import type { Mishap } from './mishap';

/** What goes wrong with coats, colours and water. @source craft.md §3 to §8, §13 */
export const COATS_MISHAPS: readonly Mishap[] = [
  {
    id: 'tape-lift',
    name: 'Paint came off with the tape',
    causes: [
      cause(
        'uncured',
        'It was taped before it had cured',
        (facts) => [
          ...warned(facts, 'coats/uncured'),
          ...pairs(facts.coats)
            .filter(([, next]) => next.method.does === 'mask' && next.coat.before !== 'cured')
            .map(([before]) => trace(0.8, `${before.coating.name} is taped while it is only dry`)),
        ],
        {
          now: 'Touch up, and leave it to cure.',
          next: 'Let it cure fully before taping. Pull the tape back on itself, slowly.',
          mend: mend('Touch up', 20, DAY),
        },
      ),
      cause('loose', 'The layer below was loose', unlocked, {
        now: 'Seal loose areas, touch up.',
        next: 'Lock grain twice before any paint.',
        mend: mend('Seal and touch up', 30, NIGHT, SEAL),
      }),
      cause('cold', 'It was too cold to bind', (facts) => cold(facts, weakest(facts), 0.6), {
        now: 'Touch up in a warm room.',
        next: 'Apply nothing water-based below its minimum temperature.',
        mend: mend('Touch up', 20, DAY),
      }),
    ],
  },
  {
    id: 'stones-off',
    name: 'Stones and stems come off',
    causes: [
      cause(
        'skinned',
        'They were set in paste that had skinned over',
        (facts) => [
          ...warned(facts, 'coats/set-hard', 'coats/embed-slow', 'days/too-slow'),
          ...facts.coats
            .filter(({ method, coat }) => method.does === 'embed' && coat.before !== 'wet')
            .map(({ coating }) => trace(0.9, `${coating.name}: set in when what is under it is dry`)),
        ],
        {
          now: 'Glue them back one by one.',
          next: 'Smaller patches: spread, set, spread.',
          mend: mend('Glue stones back', 30, NIGHT, { of: 'glue', perM2: 40 }),
        },
      ),
      cause('once', 'They were locked only once, or not at all', unlocked, {
        now: 'Soak twice with thinned glue.',
        next: 'Lock at least twice, a day apart.',
        mend: mend('Soak twice with thinned glue', 25, DAY, SEAL),
      }),
      cause(
        'thin',
        'The lock was thinned too far',
        (facts) =>
          locks(facts)
            .filter(({ coat }) => coat.thin > 5)
            .map(({ coating, coat }) => trace(0.7, `${coating.name} with ${coat.thin} parts of water`)),
        {
          now: 'Soak again with a stronger mix.',
          next: 'Less water, and a drop of soap.',
          mend: mend('Soak with a stronger mix', 20, DAY, SEAL),
        },
      ),
    ],
  },
  {
    id: 'cloudy-pour',
    name: 'A pour is cloudy or sticky',
    causes: [
      cause('cold', 'It was too cold to set', (facts) => chemicals(facts).flatMap(({ coating }) => cold(facts, coating.minC, 0.75)), {
        now: 'Keep it warm and covered for three days.',
        next: 'Pour in a warm room, with the parts and the board warm too.',
        mend: mend('Keep warm and covered', 5, 3 * DAY),
      }),
      cause(
        'damp',
        'Damp air, or a wet bed',
        (facts) => [...warned(facts, 'coats/uncured', 'coats/unsealed-pour'), ...damp(facts, 75, 0.5)],
        { now: 'When hard, flat it and varnish.', next: 'Bed cured and sealed; dry air.', mend: mend('Flat and varnish', 30, DAY) },
      ),
      cause(
        'deep',
        'It was poured too deep at once',
        (facts) =>
          facts.coats
            .filter((need) => need.coating.spread.by === 'depth' && need.filmMm !== null && need.filmMm > need.coating.spread.maxPourMm)
            .map(({ coating }) => trace(0.8, `${coating.name} deeper than it may be poured`)),
        { now: 'Drill out bubbles, top up.', next: 'Pour in more, shallower layers.', mend: mend('Top up', 25, DAY) },
      ),
      cause(
        'parts',
        'The parts were not in proportion',
        (facts) => chemicals(facts).map(({ coating }) => trace(0.4, `${coating.name} is mixed of two parts`)),
        {
          now: 'Give sticky areas a thin coat mixed by weight.',
          next: 'Mix by weight, scrape the sides, mix again in a second cup.',
          mend: mend('Thin coat, mixed by weight', 25, DAY),
        },
      ),
    ],
  },
  {
    id: 'wet-smell',
    name: 'It smells wet',
    causes: [
      cause(
        'sealed-in',
        'Water is trapped in a joint',
        (facts) => [
          ...warned(facts, 'glue/never-dries', 'piece/wet-inside'),
          ...waterGlues(facts)
            .filter((joint) => isSealedIn(joint, facts.catalogue) && joint.spread === 'full')
            .map(({ label }) => trace(0.85, `${label}: wet between two closed faces`)),
        ],
        { now: 'Prick vents from above and wait.', next: 'Beads or vents, or another adhesive.', mend: mend('Prick vents', 15, 3 * DAY) },
      ),
      cause('damp', 'The place is damp', (facts) => damp(facts, 75, 0.55), {
        now: 'Move it to a dry place with moving air.',
        next: 'Dry in another place.',
        mend: mend('Dry with moving air', 5, 2 * DAY),
      }),
      cause('mix', 'A mix has gone off in its tub', none, {
        now: 'Dispose of the tub by local rules. Air the board.',
        next: 'Mix what is used in a week.',
      }),
    ],
  },
  {
    id: 'colour-shouts',
    name: 'One colour stands out too much',
    causes: [
      cause('no-wash', 'The colours do not blend', unwashed, {
        now: 'Apply one thin wash of a dull brown over everything.',
        next: 'A wash, or a last drybrush of one pale colour over everything.',
        mend: mend('Wash over all of it', 30, NIGHT),
      }),
      cause('wash-early', 'The wash was painted over', (facts) => warned(facts, 'coats/wash-early'), {
        now: 'Wash again.',
        next: 'Wash after the colours.',
        mend: mend('Wash again', 25, NIGHT),
      }),
      cause('wet', 'The colour was judged while wet', none, {
        now: 'Look at it dry and by daylight.',
        next: 'Check a dry swatch on a scrap before you mix a batch.',
      }),
    ],
  },
  {
    id: 'grain-coarse',
    name: 'The grain looks too coarse',
    causes: [
      cause(
        'scale',
        'At this scale it looks bigger than it is',
        (facts) => [
          ...warned(facts, 'grain/coarse'),
          ...facts.coats.flatMap(({ coating }) => {
            const look = grainLook(coating, facts.plan.figureHeightMm / facts.catalogue.bench.personMm.value);
            return look !== null && coating.family === 'grain' && (look.readsAs === 'gravel' || look.readsAs === 'stones')
              ? [trace(0.6, `${coating.name} looks like ${look.readsAs} beside these figures`)]
              : [];
          }),
        ],
        {
          now: 'Brush thin filler over it, or sprinkle a finer grain on top.',
          next: 'A finer grain: powder for soil.',
          mend: mend('Sprinkle a finer grain', 30, NIGHT, SEAL),
        },
      ),
      cause(
        'dry-brush',
        'A pale drybrush picks out every grain',
        ({ coats }) =>
          coats
            .filter(({ method }) => method.lays.all === 0 && method.lays.edges + method.lays.tops > 0.5 && method.does === 'colour')
            .map(({ coating }) => trace(0.4, `${coating.name} covers only the raised grain`)),
        { now: 'A thin glaze over it.', next: 'A softer last colour.', mend: mend('Glaze', 20, NIGHT) },
      ),
    ],
  },
];
