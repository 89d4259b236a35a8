import type { Catalogue, Guide } from '../schema';

const guide = (does: Guide['does'], goodLooks: string, usualMistake: string, practice: string): Guide => ({
  does,
  goodLooks,
  usualMistake,
  practice,
});

/** What to look for, sort of work by sort of work: general trade knowledge. */
export const guides: Catalogue['guides'] = [
  guide(
    'cut',
    'Edges are straight and square, and each part lies flush on the part it was measured from.',
    'Measuring from the last cut instead of from one edge: small errors add up along the row.',
    'Cut a 50 mm strip from an offcut, then a second one from the same edge. Lay one on the other: they should match.',
  ),
  guide(
    'trim',
    'The stack is flush with its lowest layer all round. A straightedge shows no step.',
    'Trimming before the glue is fully set: the blade pulls the layers apart.',
    'Trim one corner of a glued scrap and check it against the light.',
  ),
  guide(
    'carve',
    'An even floor with foam left under it, and a clean edge.',
    'Cutting to full depth in one pass and tearing through the floor.',
    'Carve a pit the size of a base into an offcut and measure its depth at both ends.',
  ),
  guide(
    'glue',
    'A thin line of squeeze-out all round, layers flush, weights spread over the whole face.',
    'Too much glue in the middle between two faces that let no water through: it stays wet for days.',
    'Glue two scraps of the same material and pull them apart the next day.',
  ),
  guide(
    'seal',
    'An even wet sheen on the face and all four edges.',
    'Leaving the underside unsealed: the board bows.',
    'Seal one half of a scrap and wet both halves.',
  ),
  guide(
    'assemble',
    'Walls upright, corners closed, the roof lifts off and drops back.',
    'Gluing without a dry fit first.',
    'Fit one corner dry and hold it to the light.',
  ),
  guide(
    'clad',
    'Courses level, joints staggered, openings wrapped round their reveals.',
    'Starting at the top, so that the last course becomes a sliver.',
    'Lay two courses on a scrap of the wall.',
  ),
  guide(
    'mould',
    'No bubbles on the master, and a wall all round that is thick enough to bend.',
    'Pouring fast, straight onto the master.',
    'Mix a spoonful and time how long it stays liquid.',
  ),
  guide('cast', 'Sharp edges and a flat back.', 'Demoulding while it is still warm.', 'Cast one first, check it, then cast the rest.'),
  guide(
    'fix',
    'The piece stands on its mark, and no glue shows.',
    'Gluing to a painted face: the paint peels off with the piece.',
    'Place it dry and turn the tile to check the position.',
  ),
  guide(
    'mend',
    'The fault is gone and the repair is fully dry.',
    'Continuing before it is dry: the fault comes back.',
    'Try it on a scrap with the same fault.',
  ),
  guide(
    'paste',
    'An even coat with tool marks where you want them, and clean tile edges.',
    'Too thick: it cracks and stays wet underneath for days.',
    'Spread a palm-sized patch on a scrap at the planned thickness and time it.',
  ),
  guide(
    'grain',
    'Even coverage; nothing comes off when you tap the tile.',
    'Sprinkling onto glue that has already skinned over.',
    'Sprinkle a patch, let it dry, and turn it over.',
  ),
  guide(
    'embed',
    'Half sunk and held on all sides, in clumps, not in rows.',
    'Set on paste that has skinned over: it comes off in the first game.',
    'Press three stones into a patch, two minutes apart.',
  ),
  guide(
    'press',
    'The print is clear and evenly deep.',
    'Too early, and it sticks. Too late, and it leaves no print.',
    'Press into a test patch every five minutes until the print holds.',
  ),
  guide(
    'lock',
    'Soaked right through, dry before the next coat, and nothing rubs off on your thumb.',
    'One thick coat: it stays on top, and the grain underneath stays loose.',
    'Lock a test patch twice and rub it with your thumb.',
  ),
  guide(
    'colour',
    'Even coverage: nothing underneath shows through.',
    'Judging the colour while wet: it dries lighter or darker.',
    'Paint a scrap and check it beside a figure when dry.',
  ),
  guide(
    'wash',
    'The wash has run into the hollows and left the tops clear.',
    'Brushing over it while it dries: this leaves tide marks.',
    'Wash one scrap lying flat and one standing upright.',
  ),
  guide(
    'mask',
    'Dabbed on edges, in patches of different sizes.',
    'Using an old bottle: the mask does not come off again.',
    'Mask a scrap, paint over it, and rub it off.',
  ),
  guide(
    'plant',
    'In clumps and at the foot of walls, with bare ground between.',
    'Spread evenly: it looks artificial.',
    'Set five on a scrap and look at them from across the room.',
  ),
  guide('finish', 'The same sheen all over.', 'Spraying in damp air: it dries cloudy.', 'Spray a painted scrap first.'),
  guide(
    'pour',
    'Level, clear, and up to the mark on the bank.',
    'Mixing by eye: a wrong proportion stays sticky.',
    'Mix a spoonful by weight and leave it overnight.',
  ),
  guide('late', 'Dust only where feet and wheels go.', 'Dusting all over: it hides the paint.', 'Dust one corner and tap it off.'),
];
