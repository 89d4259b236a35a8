import { adhesiveBy, materialBy, toolBy } from '../../catalogue';
import { grainLook } from '../../finishing/coats';
import { type MishapFacts, type Traces, bySurface, cold, damp, isSealedIn, overThick, pairs, trace, usedMore, warned } from './facts';

/** Work that puts a mishap right, as far as it can be: planned and bought like any other. */
export interface MendWork {
  readonly name: string;
  readonly workMin: number;
  readonly waitMin: number;
  /** So much a square metre of the workpiece of the workshop's sealer, of the glue it is made with, or of nothing. */
  readonly takes: { readonly of: 'sealer' | 'glue'; readonly perM2: number } | null;
}
/** What a mishap may come of. */
export interface Cause {
  readonly id: string;
  readonly name: string;
  /** Its traces in a board's own plan, climate and log. */
  readonly traces: (facts: MishapFacts) => Traces;
  readonly now: string;
  readonly next: string;
  readonly mend: MendWork | null;
}
/** What is seen, and what it may come of, the most usual first. */
export interface Mishap {
  readonly id: string;
  readonly name: string;
  readonly causes: readonly Cause[];
}

const NIGHT = 720;
const DAY = 1_440;
const mend = (name: string, workMin: number, waitMin: number, takes: MendWork['takes'] = null): MendWork => ({
  name,
  workMin,
  waitMin,
  takes,
});
const cause = (
  id: string,
  name: string,
  traces: Cause['traces'],
  help: Pick<Cause, 'now' | 'next'> & { readonly mend?: MendWork },
): Cause => ({ id, name, traces, mend: null, ...help });
/** From so many bevelled parts on, the errors of each show in the last joint. */
const BEVELS_ADD_UP = 4;
const none: Cause['traces'] = () => [];
const SEAL = { of: 'sealer', perM2: 120 } as const;
const GLUE = { of: 'glue', perM2: 180 } as const;

const waterGlues = ({ joints, catalogue }: MishapFacts): MishapFacts['joints'] =>
  joints.filter(({ adhesiveId }) => adhesiveBy(catalogue, adhesiveId).family === 'water');
/** Surfaces that several colours lie on and no wash. */
const unwashed: Cause['traces'] = ({ coats }) => {
  const lists = bySurface(coats);
  const bare = lists.filter((list) => !list.some(({ method }) => method.does === 'wash'));
  return bare.length === 0 || bare.length * 2 < lists.length ? [] : [trace(0.7, `${bare.length} of ${lists.length} surfaces have no wash`)];
};
/** A base that takes water up, open on a side while something wet lies on the other. */
const bareUnder: Cause['traces'] = (facts) => {
  const { substrate } = facts.plan.stack;
  if (substrate === null || substrate.sealed === 'both') return [];
  const { name, waterPassage } = materialBy(facts.catalogue, substrate.materialId);
  return waterPassage === 'no' || waterGlues(facts).length === 0
    ? []
    : [trace(0.8, `${name} is not sealed on both faces, and glued with water`)];
};
const unweighed: Cause['traces'] = ({ plan }) =>
  plan.stack.weighed ? [] : [trace(0.55, 'the plan takes the weights off before it is dry through')];
const weakest = (facts: MishapFacts): number | null => {
  const least = facts.coats.flatMap(({ coating }) => coating.minC ?? []);
  return least.length === 0 ? null : Math.max(...least);
};
const chemicals = ({ coats }: MishapFacts): MishapFacts['coats'] =>
  coats.filter(({ coating }) => coating.family === 'water' && coating.drying.how === 'chemical');
const locks = ({ coats }: MishapFacts): MishapFacts['coats'] => coats.filter(({ method }) => method.does === 'lock');
const grains = ({ coats }: MishapFacts): MishapFacts['coats'] =>
  coats.filter(({ method }) => method.does === 'grain' || method.does === 'embed');
const unlocked: Cause['traces'] = (facts) => {
  const list = grains(facts);
  if (list.length === 0) return [];
  const goes = locks(facts).reduce((most, { coat }) => Math.max(most, coat.goes), 0);
  return goes === 0
    ? [trace(0.95, 'nothing locks the grain after it is strewn')]
    : goes === 1
      ? [trace(0.6, 'it is locked once only')]
      : [];
};

/** Everything that goes wrong at this craft often enough to have a name. @source craft.md §3 to §8, §13 */
export const MISHAPS: readonly Mishap[] = [
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
          ...warned(facts, 'glue/dissolves'),
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
    id: 'leak',
    name: 'A pour has leaked',
    causes: [
      cause(
        'edge',
        'Water runs to the tile’s edge without a dam',
        (facts) => warned(facts, 'water/leak', 'seam/water', 'water/over-brim'),
        {
          now: 'Tape the edge, scrape off the leak, pour again when it is hard.',
          next: 'A dam along the edge, sealed on the inside.',
          mend: mend('Dam and pour again', 40, DAY),
        },
      ),
      cause('bed', 'The bed was not sealed', (facts) => warned(facts, 'coats/unsealed-pour'), {
        now: 'Seal from below when hard, pour again.',
        next: 'Two coats of sealer over bed and bank.',
        mend: mend('Seal the bed and pour again', 40, DAY, SEAL),
      }),
      cause('bank', 'A gap under the bank', none, {
        now: 'Fill under the bank, pour again.',
        next: 'Run a bead of filler along the foot of every bank.',
        mend: mend('Fill under the bank', 30, NIGHT),
      }),
    ],
  },
  {
    id: 'seam',
    name: 'A seam shows',
    causes: [
      cause('level', 'The two sides differ in height', (facts) => warned(facts, 'seam/level', 'seam/width', 'seam/place', 'seam/ends'), {
        now: 'Feather the high side, or hide it with a post.',
        next: 'Match features at the seam before you cut.',
        mend: mend('Feather the seam', 30, NIGHT),
      }),
      cause('bow', 'The tiles have bowed', (facts) => [...warned(facts, 'stack/bow').map(({ text }) => trace(0.75, text))], {
        now: 'Flatten the tiles first.',
        next: 'Seal both faces.',
        mend: mend('Wet the hollow side and weigh flat', 20, 2 * DAY, SEAL),
      }),
      cause(
        'loose',
        'No connector holds the tiles together',
        ({ plan, catalogue }) => {
          const join = catalogue.joins.find(({ id }) => id === plan.table.join.methodId);
          return join === undefined || join.perEdge + join.perTile > 0 ? [] : [trace(0.5, `held by: ${join.name.toLowerCase()}`)];
        },
        { now: 'Clip them from below.', next: 'Add a connector at every seam.' },
      ),
      cause('second', 'The tiles were painted separately', none, {
        now: 'Brush one wash over both sides of the seam.',
        next: 'Paint the tiles pushed together.',
        mend: mend('Wash over the seam', 20, NIGHT),
      }),
    ],
  },
  {
    id: 'drift',
    name: 'Squares drift off the grid',
    causes: [
      cause(
        'one-edge',
        'They were laid from one edge',
        ({ plan }) => plan.surfaces.filter(({ laid }) => laid !== null).map(({ name }) => trace(0.65, `${name} is laid unit by unit`)),
        {
          now: 'Lift the last rows and spread the error over several rows.',
          next: 'Lay from a centre line outwards: this halves the error.',
          mend: mend('Lift and lay again', 60, NIGHT, GLUE),
        },
      ),
      cause(
        'cut',
        'The squares are not alike',
        ({ plan, catalogue }) =>
          plan.cutting.tools
            .filter(({ toolId }) => toolBy(catalogue, toolId).cuts === 'free')
            .map(({ toolId }) => trace(0.75, `cut freely: ${toolBy(catalogue, toolId).name.toLowerCase()}`)),
        { now: 'Sort them by size, the large ones in one row.', next: 'Cut against a stop.' },
      ),
    ],
  },
  {
    id: 'mitre',
    name: 'A mitre will not close',
    causes: [
      cause(
        'adds-up',
        'Small errors in every bevel add up round the shape',
        ({ made }) =>
          made
            .filter(({ parts }) => parts.filter(({ marks }) => (marks?.bevels.length ?? 0) > 0).length >= BEVELS_ADD_UP)
            .map(({ piece, parts }) =>
              trace(Math.min(0.95, 0.6 + parts.length / 100), `${piece.name}: ${parts.length} parts, and each brings its own error`),
            ),
        {
          now: 'Sand the last face to fit, fill the joint.',
          next: 'Adjust the bevel on scrap until a full ring closes.',
          mend: mend('Sand to fit and fill', 30, NIGHT),
        },
      ),
      cause(
        'free',
        'It was cut by eye',
        ({ plan, catalogue }) =>
          plan.cutting.tools
            .filter(({ toolId }) => toolBy(catalogue, toolId).cuts === 'free')
            .map(({ toolId }) => trace(0.5, `cut freely: ${toolBy(catalogue, toolId).name.toLowerCase()}`)),
        { now: 'Sand to fit.', next: 'A fence or a jig.', mend: mend('Sand to fit and fill', 30, NIGHT) },
      ),
      cause('blunt', 'The blade was blunt and wandered', none, {
        now: 'Sand to fit.',
        next: 'A fresh edge for bevels.',
        mend: mend('Sand to fit and fill', 30, NIGHT),
      }),
    ],
  },
  {
    id: 'sheet-loose',
    name: 'A thin sheet has come loose',
    causes: [
      cause('buckled', 'The glue film was too stiff for such a thin sheet', (facts) => warned(facts, 'glue/buckles'), {
        now: 'Slit the blister, glue under it, weigh down.',
        next: 'A thin, even film.',
        mend: mend('Slit, glue and weigh down', 20, NIGHT, { of: 'glue', perM2: 60 }),
      }),
      cause('slips', 'The adhesive does not stick to one of the faces', (facts) => warned(facts, 'glue/slips', 'glue/spots'), {
        now: 'Remove it, roughen the face, glue with an adhesive that sticks.',
        next: 'An adhesive for both faces.',
        mend: mend('Roughen and glue again', 30, NIGHT, GLUE),
      }),
      cause('unweighed', 'It was not held down while it dried', unweighed, {
        now: 'Glue the edge, weigh down overnight.',
        next: 'Weights until fully dry.',
        mend: mend('Glue and weigh down', 15, NIGHT, { of: 'glue', perM2: 60 }),
      }),
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
    id: 'ran-out',
    name: 'Something ran out',
    causes: [
      cause('hand', 'You use more than planned', usedMore, {
        now: 'Buy the rest in one batch, and blend at an edge.',
        next: 'Log the actual amount: your next plan uses it.',
      }),
      cause(
        'no-margin',
        'Only the estimated amount was bought',
        ({ plan }) => (plan.buying.ofHundred === null ? [trace(0.6, 'bought for the likely figure, with nothing to spare')] : []),
        { now: 'Buy the rest in one batch, and blend at an edge.', next: 'Set the safety margin to “enough 9 times in 10”.' },
      ),
      cause(
        'shelf',
        'The shelf held less than recorded',
        ({ supplies }) =>
          supplies.rows
            .filter(({ onShelf }) => onShelf !== null)
            .map(({ name }) => trace(0.4, `${name} was planned from the shelf`))
            .slice(0, 2),
        { now: 'Count the shelf.', next: 'Weigh a tub before you rely on it.' },
      ),
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
  {
    id: 'topples',
    name: 'A model does not stand',
    causes: [
      cause('tips', 'The piece tips over', (facts) => warned(facts, 'piece/tips'), {
        now: 'Washers under its foot.',
        next: 'A wider foot, or ballast.',
        mend: mend('Add ballast', 15, 60),
      }),
      cause(
        'slope',
        'The ground under it is too steep or uneven',
        (facts) => warned(facts, 'plot/uneven', 'piece/small-floor', 'piece/step'),
        { now: 'Level a spot the size of a base.', next: 'Leave level spots for bases.', mend: mend('Level a spot', 20, NIGHT) },
      ),
      cause(
        'rough',
        'The ground is too rough for a base',
        ({ coats, plan }) =>
          coats
            .filter(
              ({ coating, method }) => coating.grainMm !== null && method.does === 'embed' && coating.grainMm.most > plan.play.baseMm / 8,
            )
            .map(({ coating }) => trace(0.6, `${coating.name} of up to ${coating.grainMm!.most} mm`)),
        { now: 'Sand a spot the size of a base.', next: 'Keep stones out of where models stand.', mend: mend('Sand a spot', 15, 0) },
      ),
    ],
  },
];
