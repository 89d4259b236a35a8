import { toolBy } from '../../catalogue';
import { trace, usedMore, warned } from './facts';

import { NIGHT, DAY, mend, cause, BEVELS_ADD_UP, none, SEAL, GLUE, unweighed } from './cause';
import type { Mishap } from './mishap';

/** What goes wrong with tiles that meet, pieces and stock. @source craft.md §3 to §8, §13 */
export const PIECES_MISHAPS: readonly Mishap[] = [
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
];
