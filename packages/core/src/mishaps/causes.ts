import { adhesiveBy, materialBy, toolBy } from '../catalogue';
import { grainLook } from '../coats';
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
const cause = (id: string, name: string, traces: Cause['traces'], now: string, next: string, work: MendWork | null = null): Cause => ({
  id,
  name,
  traces,
  now,
  next,
  mend: work,
});
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
        'Wet the hollow side, lay it between boards under weight, and leave it two nights.',
        'Seal both faces and all edges before anything wet goes on.',
        mend('Wet the hollow side and weigh flat', 20, 2 * DAY, SEAL),
      ),
      cause(
        'unweighed',
        'It dried without its weights',
        unweighed,
        'Wet the hollow side, lay it between boards under weight, and leave it two nights.',
        'Leave the weights on until it is dry through.',
        mend('Weigh flat', 10, 2 * DAY),
      ),
      cause(
        'damp',
        'Damp air swells one side',
        (facts) => damp(facts, 72, 0.4),
        'Let it stand on edge with air on both sides.',
        'Dry and keep it in a drier place.',
      ),
    ],
  },
  {
    id: 'tacky',
    name: 'It is tacky after days',
    causes: [
      cause(
        'sealed-in',
        'Water glue between two faces that let no water out',
        (facts) => [
          ...warned(facts, 'glue/never-dries'),
          ...waterGlues(facts)
            .filter((joint) => isSealedIn(joint, facts.catalogue) && joint.spread === 'full')
            .map(({ label }) => trace(0.9, `${label}: wet between two closed faces`)),
        ],
        'Pull it apart if it comes, and glue it anew with one that sets by itself; else prick vents from above.',
        'Beads, vents, or an adhesive that sets without giving off water.',
        mend('Prick vents and weigh down', 15, 3 * DAY),
      ),
      cause(
        'cold',
        'It was too cold to bind',
        (facts) => [...warned(facts, 'air/too-cold'), ...cold(facts, weakest(facts), 0.7)],
        'Bring it into the warm and wait; what never bound is wiped off.',
        'Nothing water-borne under its stated warmth.',
        mend('Dry in the warm', 5, 2 * DAY),
      ),
      cause(
        'damp',
        'The air was too damp to take the water',
        (facts) => [...warned(facts, 'air/never-dries', 'coats/damp'), ...damp(facts, 78, 0.5)],
        'Move it where it is dry, with air moving over it.',
        'Dry it in another place, or with a fan.',
        mend('Dry with moving air', 5, DAY),
      ),
      cause(
        'thick',
        'It lies thicker than it can dry',
        ({ coats }) =>
          coats
            .filter((need) => overThick(need) > 1.6)
            .map((need) =>
              trace(
                Math.min(0.95, 0.4 + overThick(need) / 8),
                `${need.coating.name}: ${Math.round(overThick(need) * 10) / 10} times its usual film`,
              ),
            ),
        'Wait, with air moving over it; scrape off what has not skinned.',
        'Two thin coats instead of a thick one.',
        mend('Wait, with air over it', 5, 2 * DAY),
      ),
      cause(
        'parts',
        'Two parts that were not in proportion',
        (facts) => chemicals(facts).map(({ coating }) => trace(0.45, `${coating.name} is mixed of two parts`)),
        'Scrape off what is soft; what stays sticky gets a thin coat mixed by weight.',
        'Mix by weight, scrape the sides, mix again in a second cup.',
        mend('Thin coat, mixed by weight', 25, DAY),
      ),
    ],
  },
  {
    id: 'flaking',
    name: 'Paint or texture flakes off',
    causes: [
      cause(
        'loose-grain',
        'It sits on loose grain',
        unlocked,
        'Brush off what is loose, soak twice with thinned glue, touch up.',
        'Lock grain twice before any paint.',
        mend('Soak twice with thinned glue', 30, DAY, SEAL),
      ),
      cause(
        'cold',
        'It was too cold to bind',
        (facts) => [...warned(facts, 'air/too-cold'), ...cold(facts, weakest(facts), 0.7)],
        'Scrape off what is loose, seal, repaint in the warm.',
        'Nothing water-borne under its stated warmth.',
        mend('Scrape and seal', 40, NIGHT, SEAL),
      ),
      cause(
        'bare',
        'It went on a bare or glossy face',
        (facts) => warned(facts, 'coats/over-bare', 'coats/order'),
        'Sand, wipe, seal, repaint.',
        'Seal or roughen the face first.',
        mend('Sand and seal', 40, NIGHT, SEAL),
      ),
      cause(
        'flexes',
        'The tile bends under it',
        (facts) => warned(facts, 'stack/bow').map(({ text }) => trace(0.5, text)),
        'Stiffen the tile, fill the cracks.',
        'A stiffer base.',
        mend('Fill the cracks', 30, NIGHT),
      ),
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
        'Cut back to sound foam, fill, seal.',
        'A foam-safe adhesive, or a sealed face.',
        mend('Cut back, fill and seal', 45, NIGHT, SEAL),
      ),
      cause(
        'coat',
        'A spray or varnish with solvent came through',
        (facts) => [
          ...warned(facts, 'coats/solvent'),
          ...facts.coats.filter(({ coating }) => coating.hasSolvent).map(({ coating }) => trace(0.5, `${coating.name} carries solvent`)),
        ],
        'Cut back to sound foam, fill, seal.',
        'Close the face before anything from a can.',
        mend('Cut back, fill and seal', 45, NIGHT, SEAL),
      ),
      cause(
        'heat',
        'Heat: a hot wire that stood, a gun too near',
        (facts) =>
          facts.joints
            .filter(({ adhesiveId }) => adhesiveBy(facts.catalogue, adhesiveId).family === 'hot')
            .map(({ label }) => trace(0.4, `${label} is glued hot`)),
        'Fill the hollow.',
        'Keep the wire moving; let the glue cool a moment.',
        mend('Fill the hollow', 20, NIGHT),
      ),
    ],
  },
  {
    id: 'mouldy',
    name: 'It has gone mouldy',
    causes: [
      cause(
        'damp',
        'Wood or card stayed damp for days',
        (facts) => [...warned(facts, 'air/mould', 'air/dew'), ...damp(facts, 80, 0.55)],
        'Mask on. Wipe with alcohol outdoors, dry, seal; what is soft is thrown away by local rules.',
        'Dry it somewhere drier, with air moving.',
        mend('Wipe with alcohol, dry, seal', 30, DAY, SEAL),
      ),
      cause(
        'sealed-in',
        'Water was closed in',
        (facts) => [...warned(facts, 'glue/never-dries', 'piece/wet-inside')],
        'Mask on. Open it, dry it, wipe with alcohol.',
        'A way out for the water.',
        mend('Open and dry', 25, 2 * DAY),
      ),
      cause('organic', 'Found stuff that was not baked dry', none, 'Mask on. Take it off.', 'Bake soil and twigs dry first.'),
    ],
  },
  {
    id: 'cracked',
    name: 'The texture has cracked',
    causes: [
      cause(
        'thick',
        'It went on thicker than it can shrink',
        ({ coats }) =>
          coats
            .filter((need) => overThick(need) > 1.4)
            .map((need) =>
              trace(
                Math.min(1, 0.5 + overThick(need) / 8),
                `${need.coating.name}: ${Math.round(overThick(need) * 10) / 10} times its usual film`,
              ),
            ),
        'Work thin paste into the cracks, or keep them as dry mud.',
        'Two thin coats, or glue in the paste.',
        mend('Fill the cracks', 25, NIGHT),
      ),
      cause(
        'fast',
        'It dried too fast',
        (facts) => {
          const { factor, name } = facts.spots.usual.moved;
          return factor.value < 0.5 ? [trace(0.75, `dried with: ${name.toLowerCase()}`)] : [];
        },
        'Fill the cracks.',
        'Still air for a thick coat.',
        mend('Fill the cracks', 25, NIGHT),
      ),
      cause(
        'flexes',
        'The tile bends under it',
        (facts) => warned(facts, 'stack/bow').map(({ text }) => trace(0.6, text)),
        'Stiffen the tile, fill the cracks.',
        'A stiffer base.',
        mend('Fill the cracks', 30, NIGHT),
      ),
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
        'Touch up, and leave it to cure.',
        'Cured through before tape; pull it back on itself, slowly.',
        mend('Touch up', 20, DAY),
      ),
      cause(
        'loose',
        'What is under it was loose',
        unlocked,
        'Seal what is loose, touch up.',
        'Lock grain twice before any paint.',
        mend('Seal and touch up', 30, NIGHT, SEAL),
      ),
      cause(
        'cold',
        'It was too cold to bind',
        (facts) => cold(facts, weakest(facts), 0.6),
        'Touch up in the warm.',
        'Nothing water-borne under its stated warmth.',
        mend('Touch up', 20, DAY),
      ),
    ],
  },
  {
    id: 'stones-off',
    name: 'Stones and stems come off',
    causes: [
      cause(
        'skinned',
        'They went into paste that had skinned over',
        (facts) => [
          ...warned(facts, 'coats/set-hard', 'coats/embed-slow', 'days/too-slow'),
          ...facts.coats
            .filter(({ method, coat }) => method.does === 'embed' && coat.before !== 'wet')
            .map(({ coating }) => trace(0.9, `${coating.name}: set in when what is under it is dry`)),
        ],
        'Glue them back one by one.',
        'Smaller patches: spread, set, spread.',
        mend('Glue stones back', 30, NIGHT, { of: 'glue', perM2: 40 }),
      ),
      cause(
        'once',
        'They were locked once, or not at all',
        unlocked,
        'Soak twice with thinned glue.',
        'Lock at least twice, a day apart.',
        mend('Soak twice with thinned glue', 25, DAY, SEAL),
      ),
      cause(
        'thin',
        'The lock was thinned too far',
        (facts) =>
          locks(facts)
            .filter(({ coat }) => coat.thin > 5)
            .map(({ coating, coat }) => trace(0.7, `${coating.name} with ${coat.thin} parts of water`)),
        'Soak again with a stronger mix.',
        'Less water, and a drop of soap.',
        mend('Soak with a stronger mix', 20, DAY, SEAL),
      ),
    ],
  },
  {
    id: 'cloudy-pour',
    name: 'A pour is cloudy or sticky',
    causes: [
      cause(
        'cold',
        'It was too cold to set',
        (facts) => chemicals(facts).flatMap(({ coating }) => cold(facts, coating.minC, 0.75)),
        'Keep it warm and covered for three days.',
        'Pour in the warm, parts and board as well.',
        mend('Keep warm and covered', 5, 3 * DAY),
      ),
      cause(
        'damp',
        'Damp air, or a wet bed',
        (facts) => [...warned(facts, 'coats/uncured', 'coats/unsealed-pour'), ...damp(facts, 75, 0.5)],
        'When hard, flat it and varnish.',
        'Bed cured and sealed; dry air.',
        mend('Flat and varnish', 30, DAY),
      ),
      cause(
        'deep',
        'It was poured too deep at once',
        (facts) =>
          facts.coats
            .filter((need) => need.coating.spread.by === 'depth' && need.filmMm !== null && need.filmMm > need.coating.spread.maxPourMm)
            .map(({ coating }) => trace(0.8, `${coating.name} deeper than it may be poured`)),
        'Drill out bubbles, top up.',
        'More pours, each shallower.',
        mend('Top up', 25, DAY),
      ),
      cause(
        'parts',
        'The parts were not in proportion',
        (facts) => chemicals(facts).map(({ coating }) => trace(0.4, `${coating.name} is mixed of two parts`)),
        'What stays sticky gets a thin coat mixed by weight.',
        'Mix by weight, scrape the sides, mix again in a second cup.',
        mend('Thin coat, mixed by weight', 25, DAY),
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
        'Tape the edge, scrape off what ran, pour again when it is hard.',
        'A dam along the edge, sealed on the inside.',
        mend('Dam and pour again', 40, DAY),
      ),
      cause(
        'bed',
        'The bed was not closed',
        (facts) => warned(facts, 'coats/unsealed-pour'),
        'Seal from below when hard, pour again.',
        'Two coats of sealer over bed and bank.',
        mend('Seal the bed and pour again', 40, DAY, SEAL),
      ),
      cause(
        'bank',
        'A gap under the bank',
        none,
        'Fill under the bank, pour again.',
        'Run a bead of filler along the foot of every bank.',
        mend('Fill under the bank', 30, NIGHT),
      ),
    ],
  },
  {
    id: 'seam',
    name: 'A seam shows',
    causes: [
      cause(
        'level',
        'The two sides are not of one height',
        (facts) => warned(facts, 'seam/level', 'seam/width', 'seam/place', 'seam/ends'),
        'Feather the high side, or put a post on it.',
        'Match what crosses before it is cut.',
        mend('Feather the seam', 30, NIGHT),
      ),
      cause(
        'bow',
        'The tiles have bowed',
        (facts) => [...warned(facts, 'stack/bow').map(({ text }) => trace(0.75, text))],
        'Flatten the tiles first.',
        'Seal both faces.',
        mend('Wet the hollow side and weigh flat', 20, 2 * DAY, SEAL),
      ),
      cause(
        'loose',
        'Nothing holds the tiles together',
        ({ plan, catalogue }) => {
          const join = catalogue.joins.find(({ id }) => id === plan.table.join.methodId);
          return join === undefined || join.perEdge + join.perTile > 0 ? [] : [trace(0.5, `held by: ${join.name.toLowerCase()}`)];
        },
        'Clip them from below.',
        'A fixing at every seam.',
      ),
      cause(
        'second',
        'It was painted in two goes',
        none,
        'Brush one wash over both sides of the seam.',
        'Paint the tiles pushed together.',
        mend('Wash over the seam', 20, NIGHT),
      ),
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
        'Take up the last rows, share the error out over several.',
        'Lay from a centre line outward: the worst run halves.',
        mend('Take up and lay anew', 60, NIGHT, GLUE),
      ),
      cause(
        'cut',
        'The squares are not alike',
        ({ plan, catalogue }) =>
          plan.cutting.tools
            .filter(({ toolId }) => toolBy(catalogue, toolId).cuts === 'free')
            .map(({ toolId }) => trace(0.75, `cut freely: ${toolBy(catalogue, toolId).name.toLowerCase()}`)),
        'Sort them by size, the large ones in one row.',
        'Cut against a stop.',
      ),
    ],
  },
  {
    id: 'mitre',
    name: 'A mitre will not close',
    causes: [
      cause(
        'adds-up',
        'A small error in every bevel adds up round the shape',
        ({ made }) =>
          made
            .filter(({ parts }) => parts.filter(({ marks }) => (marks?.bevels.length ?? 0) > 0).length >= BEVELS_ADD_UP)
            .map(({ piece, parts }) =>
              trace(Math.min(0.95, 0.6 + parts.length / 100), `${piece.name}: ${parts.length} parts, and each brings its own error`),
            ),
        'Sand the last face to fit, fill the joint.',
        'Set the bevel on scrap until a ring of them closes.',
        mend('Sand to fit and fill', 30, NIGHT),
      ),
      cause(
        'free',
        'It was cut by eye',
        ({ plan, catalogue }) =>
          plan.cutting.tools
            .filter(({ toolId }) => toolBy(catalogue, toolId).cuts === 'free')
            .map(({ toolId }) => trace(0.5, `cut freely: ${toolBy(catalogue, toolId).name.toLowerCase()}`)),
        'Sand to fit.',
        'A fence or a jig.',
        mend('Sand to fit and fill', 30, NIGHT),
      ),
      cause(
        'blunt',
        'The blade was blunt and wandered',
        none,
        'Sand to fit.',
        'A fresh edge for bevels.',
        mend('Sand to fit and fill', 30, NIGHT),
      ),
    ],
  },
  {
    id: 'sheet-loose',
    name: 'A thin sheet has come loose',
    causes: [
      cause(
        'buckled',
        'The glue was too stiff a film for so thin a sheet',
        (facts) => warned(facts, 'glue/buckles'),
        'Slit the blister, glue under it, weigh down.',
        'A thin, even film.',
        mend('Slit, glue and weigh down', 20, NIGHT, { of: 'glue', perM2: 60 }),
      ),
      cause(
        'slips',
        'The adhesive does not hold on one of the faces',
        (facts) => warned(facts, 'glue/slips', 'glue/spots'),
        'Take it off, roughen, glue with one that holds.',
        'An adhesive for both faces.',
        mend('Roughen and glue anew', 30, NIGHT, GLUE),
      ),
      cause(
        'unweighed',
        'It was not held down while it dried',
        unweighed,
        'Glue the edge, weigh down overnight.',
        'Weights until it is dry through.',
        mend('Glue and weigh down', 15, NIGHT, { of: 'glue', perM2: 60 }),
      ),
    ],
  },
  {
    id: 'wet-smell',
    name: 'It smells wet',
    causes: [
      cause(
        'sealed-in',
        'Water is closed in a joint',
        (facts) => [
          ...warned(facts, 'glue/never-dries', 'piece/wet-inside'),
          ...waterGlues(facts)
            .filter((joint) => isSealedIn(joint, facts.catalogue) && joint.spread === 'full')
            .map(({ label }) => trace(0.85, `${label}: wet between two closed faces`)),
        ],
        'Prick vents from above and wait.',
        'Beads or vents, or another adhesive.',
        mend('Prick vents', 15, 3 * DAY),
      ),
      cause(
        'damp',
        'The place is damp',
        (facts) => damp(facts, 75, 0.55),
        'Move it where it is dry, with air moving.',
        'Another place to dry.',
        mend('Dry with moving air', 5, 2 * DAY),
      ),
      cause(
        'mix',
        'A mix that has gone off in its tub',
        none,
        'Throw the tub away by local rules; let the board air.',
        'Mix what is used in a week.',
      ),
    ],
  },
  {
    id: 'ran-out',
    name: 'Something ran out',
    causes: [
      cause(
        'hand',
        'Your hand takes more than was planned',
        usedMore,
        'Buy the rest in one go, and blend at an edge.',
        'Write down what it takes: the next plan goes by it.',
      ),
      cause(
        'no-margin',
        'Just as much was bought as was reckoned',
        ({ plan }) => (plan.buying.ofHundred === null ? [trace(0.6, 'bought for the likely figure, with nothing to spare')] : []),
        'Buy the rest in one go, and blend at an edge.',
        'Buy to be enough in nine boards of ten.',
      ),
      cause(
        'shelf',
        'There was less on the shelf than it said',
        ({ supplies }) =>
          supplies.rows
            .filter(({ onShelf }) => onShelf !== null)
            .map(({ name }) => trace(0.4, `${name} was to come from the shelf`))
            .slice(0, 2),
        'Count the shelf.',
        'Weigh a tub before it is counted on.',
      ),
    ],
  },
  {
    id: 'colour-shouts',
    name: 'A colour shouts',
    causes: [
      cause(
        'no-wash',
        'Nothing draws the colours together',
        unwashed,
        'One thin wash of a dull brown over all of it.',
        'A wash, or a last drybrush of one pale colour over everything.',
        mend('Wash over all of it', 30, NIGHT),
      ),
      cause(
        'wash-early',
        'A wash that is painted over again',
        (facts) => warned(facts, 'coats/wash-early'),
        'Wash again.',
        'Wash after the colours.',
        mend('Wash again', 25, NIGHT),
      ),
      cause(
        'wet',
        'It was judged while it was wet',
        none,
        'Look at it dry and by daylight.',
        'A swatch on a scrap, dry, before the batch.',
      ),
    ],
  },
  {
    id: 'grain-coarse',
    name: 'The grain looks too coarse',
    causes: [
      cause(
        'scale',
        'At this scale it reads as bigger than it is',
        (facts) => [
          ...warned(facts, 'grain/coarse'),
          ...facts.coats.flatMap(({ coating }) => {
            const look = grainLook(coating, facts.plan.figureHeightMm / facts.catalogue.bench.personMm.value);
            return look !== null && coating.family === 'grain' && (look.readsAs === 'gravel' || look.readsAs === 'stones')
              ? [trace(0.6, `${coating.name} reads as ${look.readsAs} beside these figures`)]
              : [];
          }),
        ],
        'Brush thin filler over it, or strew a finer one on top.',
        'A finer grain: powder for soil.',
        mend('Strew a finer grain', 30, NIGHT, SEAL),
      ),
      cause(
        'dry-brush',
        'A pale drybrush picks out every grain',
        ({ coats }) =>
          coats
            .filter(({ method }) => method.lays.all === 0 && method.lays.edges + method.lays.tops > 0.5 && method.does === 'colour')
            .map(({ coating }) => trace(0.4, `${coating.name} lies on the tops alone`)),
        'A thin glaze over it.',
        'A softer last colour.',
        mend('Glaze', 20, NIGHT),
      ),
    ],
  },
  {
    id: 'topples',
    name: 'A model will not stand',
    causes: [
      cause(
        'tips',
        'The piece tips by itself',
        (facts) => warned(facts, 'piece/tips'),
        'Washers under its foot.',
        'A wider foot, or ballast.',
        mend('Put ballast in', 15, 60),
      ),
      cause(
        'slope',
        'The ground under it is too steep or uneven',
        (facts) => warned(facts, 'plot/uneven', 'piece/small-floor', 'piece/step'),
        'Level a spot the size of a base.',
        'Leave level spots for bases.',
        mend('Level a spot', 20, NIGHT),
      ),
      cause(
        'rough',
        'The ground is rougher than a base takes',
        ({ coats, plan }) =>
          coats
            .filter(
              ({ coating, method }) => coating.grainMm !== null && method.does === 'embed' && coating.grainMm.most > plan.play.baseMm / 8,
            )
            .map(({ coating }) => trace(0.6, `${coating.name} of up to ${coating.grainMm!.most} mm`)),
        'Sand a spot the size of a base.',
        'Keep stones out of where models stand.',
        mend('Sand a spot', 15, 0),
      ),
    ],
  },
];
