import { adhesiveBy, materialBy } from '../../catalogue';
import { cold, damp, isSealedIn, overThick, trace, warned } from './facts';

import { NIGHT, DAY, mend, cause, none, SEAL, waterGlues, bareUnder, unweighed, weakest, chemicals, unlocked } from './cause';
import type { Mishap } from './mishap';

/** What goes wrong with boards, glue and layers. @source craft.md §3 to §8, §13 */
export const GROUND_MISHAPS: readonly Mishap[] = [
  {
    id: 'bowed',
    name: 'The tile has bowed',
    causes: [
      cause(
        'one-face',
        'One face was wetted or coated and the other was not',
        (facts) => [...warned(facts, 'coats/one-face', 'stack/bow'), ...bareUnder(facts)],
        {
          now: 'Wet the hollow side, lay it between boards under weight, and leave it two nights.',
          next: 'Seal both faces and all edges before anything wet goes on.',
          mend: mend('Wet the hollow side and weigh flat', 20, 2 * DAY, SEAL),
        },
      ),
      cause('unweighed', 'It dried without its weights', unweighed, {
        now: 'Wet the hollow side, lay it between boards under weight, and leave it two nights.',
        next: 'Leave the weights on until fully dry.',
        mend: mend('Weigh flat', 10, 2 * DAY),
      }),
      cause('damp', 'Damp air swells one side', (facts) => damp(facts, 72, 0.4), {
        now: 'Let it stand on edge with air on both sides.',
        next: 'Dry and keep it in a drier place.',
      }),
    ],
  },
  {
    id: 'tacky',
    name: 'It is tacky after days',
    causes: [
      cause(
        'sealed-in',
        'Water-based glue between two faces that let no water through',
        (facts) => [
          ...warned(facts, 'glue/never-dries'),
          ...waterGlues(facts)
            .filter((joint) => isSealedIn(joint, facts.catalogue) && joint.spread === 'full')
            .map(({ label }) => trace(0.9, `${label}: wet between two closed faces`)),
        ],
        {
          now: 'If it comes apart, glue it again with an adhesive that sets without air. If not, prick vents from above.',
          next: 'Beads, vents, or an adhesive that sets without giving off water.',
          mend: mend('Prick vents and weigh down', 15, 3 * DAY),
        },
      ),
      cause('cold', 'It was too cold to bind', (facts) => [...warned(facts, 'air/too-cold'), ...cold(facts, weakest(facts), 0.7)], {
        now: 'Bring it into a warm room and wait. Wipe off anything that did not set.',
        next: 'Apply nothing water-based below its minimum temperature.',
        mend: mend('Dry in a warm room', 5, 2 * DAY),
      }),
      cause(
        'damp',
        'The air was too damp to take the water',
        (facts) => [...warned(facts, 'air/never-dries', 'coats/damp'), ...damp(facts, 78, 0.5)],
        {
          now: 'Move it to a dry place with moving air.',
          next: 'Dry it in another place, or with a fan.',
          mend: mend('Dry with moving air', 5, DAY),
        },
      ),
      cause(
        'thick',
        'The coat is too thick to dry',
        ({ coats }) =>
          coats
            .filter((need) => overThick(need) > 1.6)
            .map((need) =>
              trace(
                Math.min(0.95, 0.4 + overThick(need) / 8),
                `${need.coating.name}: ${Math.round(overThick(need) * 10) / 10} times its usual film`,
              ),
            ),
        {
          now: 'Wait, with air moving over it; scrape off what has not skinned.',
          next: 'Two thin coats instead of a thick one.',
          mend: mend('Wait, with air over it', 5, 2 * DAY),
        },
      ),
      cause(
        'parts',
        'The two parts were mixed in the wrong proportion',
        (facts) => chemicals(facts).map(({ coating }) => trace(0.45, `${coating.name} is mixed of two parts`)),
        {
          now: 'Scrape off soft areas. Give sticky areas a thin coat mixed by weight.',
          next: 'Mix by weight, scrape the sides, mix again in a second cup.',
          mend: mend('Thin coat, mixed by weight', 25, DAY),
        },
      ),
    ],
  },
  {
    id: 'flaking',
    name: 'Paint or texture flakes off',
    causes: [
      cause('loose-grain', 'The coat is on loose grain', unlocked, {
        now: 'Brush off loose grain, soak twice with thinned glue, touch up.',
        next: 'Lock grain twice before any paint.',
        mend: mend('Soak twice with thinned glue', 30, DAY, SEAL),
      }),
      cause('cold', 'It was too cold to bind', (facts) => [...warned(facts, 'air/too-cold'), ...cold(facts, weakest(facts), 0.7)], {
        now: 'Scrape off loose paint, seal, repaint in a warm room.',
        next: 'Apply nothing water-based below its minimum temperature.',
        mend: mend('Scrape and seal', 40, NIGHT, SEAL),
      }),
      cause('bare', 'The face was bare or glossy', (facts) => warned(facts, 'coats/over-bare', 'coats/order'), {
        now: 'Sand, wipe, seal, repaint.',
        next: 'Seal or roughen the face first.',
        mend: mend('Sand and seal', 40, NIGHT, SEAL),
      }),
      cause('flexes', 'The tile bends', (facts) => warned(facts, 'stack/bow').map(({ text }) => trace(0.5, text)), {
        now: 'Stiffen the tile, fill the cracks.',
        next: 'A stiffer base.',
        mend: mend('Fill the cracks', 30, NIGHT),
      }),
    ],
  },
  {
    id: 'dissolved',
    name: 'Foam has been eaten away',
    causes: [
      cause(
        'glue',
        'An adhesive with solvent touched bare foam',
        (facts) => [
          ...warned(facts, 'glue/dissolves', 'piece/glue-dissolves'),
          ...facts.joints
            .filter(({ adhesiveId }) => adhesiveBy(facts.catalogue, adhesiveId).hasSolvent)
            .filter(({ lower, upper }) =>
              [lower, upper].some((face) => !face.isSealed && materialBy(facts.catalogue, face.materialId).isHurtBySolvent),
            )
            .map(({ label }) => trace(0.9, `${label}: solvent on bare foam`)),
        ],
        {
          now: 'Cut back to sound foam, fill, seal.',
          next: 'A foam-safe adhesive, or a sealed face.',
          mend: mend('Cut back, fill and seal', 45, NIGHT, SEAL),
        },
      ),
      cause(
        'coat',
        'A spray or varnish with solvent came through',
        (facts) => [
          ...warned(facts, 'coats/solvent'),
          ...facts.coats.filter(({ coating }) => coating.hasSolvent).map(({ coating }) => trace(0.5, `${coating.name} carries solvent`)),
        ],
        {
          now: 'Cut back to sound foam, fill, seal.',
          next: 'Seal the face before you spray anything from a can.',
          mend: mend('Cut back, fill and seal', 45, NIGHT, SEAL),
        },
      ),
      cause(
        'heat',
        'Heat: a hot wire held still, or a glue gun too close',
        (facts) =>
          facts.joints
            .filter(({ adhesiveId }) => adhesiveBy(facts.catalogue, adhesiveId).family === 'hot')
            .map(({ label }) => trace(0.4, `${label} is glued hot`)),
        { now: 'Fill the hollow.', next: 'Keep the wire moving; let the glue cool a moment.', mend: mend('Fill the hollow', 20, NIGHT) },
      ),
    ],
  },
  {
    id: 'mouldy',
    name: 'Mould has appeared',
    causes: [
      cause('damp', 'Wood or card stayed damp for days', (facts) => [...warned(facts, 'air/mould', 'air/dew'), ...damp(facts, 80, 0.55)], {
        now: 'Wear a mask. Wipe with alcohol outdoors, dry and seal. Dispose of soft parts by local rules.',
        next: 'Dry it somewhere drier, with air moving.',
        mend: mend('Wipe with alcohol, dry, seal', 30, DAY, SEAL),
      }),
      cause('sealed-in', 'Water was trapped inside', (facts) => [...warned(facts, 'glue/never-dries', 'piece/wet-inside')], {
        now: 'Wear a mask. Open it, dry it, wipe with alcohol.',
        next: 'Leave a way out for the water.',
        mend: mend('Open and dry', 25, 2 * DAY),
      }),
      cause('organic', 'Natural material that was not baked dry', none, {
        now: 'Wear a mask. Remove the mould.',
        next: 'Bake soil and twigs dry first.',
      }),
    ],
  },
  {
    id: 'cracked',
    name: 'The texture has cracked',
    causes: [
      cause(
        'thick',
        'The coat was too thick and shrank',
        ({ coats }) =>
          coats
            .filter((need) => overThick(need) > 1.4)
            .map((need) =>
              trace(
                Math.min(1, 0.5 + overThick(need) / 8),
                `${need.coating.name}: ${Math.round(overThick(need) * 10) / 10} times its usual film`,
              ),
            ),
        {
          now: 'Work thin paste into the cracks, or keep them as dry mud.',
          next: 'Two thin coats, or glue in the paste.',
          mend: mend('Fill the cracks', 25, NIGHT),
        },
      ),
      cause(
        'fast',
        'It dried too fast',
        (facts) => {
          const { factor, name } = facts.spots.usual.moved;
          return factor.value < 0.5 ? [trace(0.75, `dried with: ${name.toLowerCase()}`)] : [];
        },
        { now: 'Fill the cracks.', next: 'Still air for a thick coat.', mend: mend('Fill the cracks', 25, NIGHT) },
      ),
      cause('flexes', 'The tile bends', (facts) => warned(facts, 'stack/bow').map(({ text }) => trace(0.6, text)), {
        now: 'Stiffen the tile, fill the cracks.',
        next: 'A stiffer base.',
        mend: mend('Fill the cracks', 30, NIGHT),
      }),
    ],
  },
];
