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
    'Edges straight and upright, and a part that lies flush on the one it was measured from.',
    'Measuring from the last cut instead of from one edge: small errors add up along the row.',
    'Cut a 50 mm strip from an offcut, then a second from the same edge, and lay them on each other.',
  ),
  guide(
    'trim',
    'The stack is flush with its lowest layer all round; a straightedge finds no step.',
    'Trimming before the glue has set through: the blade drags the layers apart.',
    'Trim one corner of a glued scrap and look at it against the light.',
  ),
  guide(
    'carve',
    'A floor of one depth with foam left under it, and an edge that is not crushed.',
    'Going down in one pass and tearing through the floor.',
    'Carve a pit the size of a base into an offcut and measure its depth at both ends.',
  ),
  guide(
    'glue',
    'A thin line of squeeze-out all round, layers flush, weights spread over the whole face.',
    'A wet pool in the middle between two faces that let no water out: it is still wet after days.',
    'Glue two scraps of the same stuff and pull them apart the next day.',
  ),
  guide(
    'seal',
    'An even wet sheen on the face and all four edges.',
    'Leaving the underside bare: the board bows towards the dry side.',
    'Seal one half of a scrap and wet both halves.',
  ),
  guide(
    'assemble',
    'Walls upright, corners closed, the roof lifts off and drops back.',
    'Gluing before a dry fit.',
    'Fit one corner dry and hold it to the light.',
  ),
  guide(
    'clad',
    'Courses level, joints staggered, openings wrapped round their reveals.',
    'Starting at the top, so that the last course is a sliver.',
    'Lay two courses on a scrap of the wall.',
  ),
  guide(
    'mould',
    'No bubbles on the master, and a wall all round that is thick enough to bend.',
    'Pouring fast onto the master itself.',
    'Mix a spoonful and see how long it runs.',
  ),
  guide('cast', 'Sharp edges and a flat back.', 'Taking it out while it is still warm.', 'Cast one, and only then the rest.'),
  guide(
    'fix',
    'It stands where it was marked, and no glue shows.',
    'Gluing to a painted face: what comes off is the paint.',
    'Set it down dry and turn the tile.',
  ),
  guide(
    'mend',
    'It is as it should have been, and dry through.',
    'Going on before it has dried: the same trouble comes back.',
    'Try it on a scrap that has the same trouble.',
  ),
  guide(
    'paste',
    'A skin of one thickness with the tool marks where they belong, and the edges of the tile clean.',
    'Too thick: it cracks, and is wet underneath for days.',
    'Spread a palm-sized patch on a scrap at the planned thickness and time it.',
  ),
  guide(
    'grain',
    'An even cover with nothing loose once it is tapped.',
    'Sprinkling onto glue that has skinned over.',
    'Sprinkle a patch, let it dry, and turn it over.',
  ),
  guide(
    'embed',
    'Half sunk and held on all sides, in clumps and never in rows.',
    'Laid on top of paste that has skinned: it comes off with the first game.',
    'Press three stones into a patch, two minutes apart.',
  ),
  guide(
    'press',
    'The print is clear and equally deep.',
    'Too early it sticks, too late it does not take.',
    'Press every five minutes into a patch until it stays.',
  ),
  guide(
    'lock',
    'Wetted right through, dry before the next, and nothing comes off on a thumb.',
    'One thick coat: it lies on top, and the grain underneath stays loose.',
    'Lock a patch twice and rub it with a thumb.',
  ),
  guide(
    'colour',
    'Nothing of what is under it shows where it should not.',
    'Judging it wet: it dries to another lightness.',
    'Brush a scrap and look at it dry beside a figure.',
  ),
  guide(
    'wash',
    'It has run into the hollows and left the tops.',
    'Going back into it while it dries: tide marks.',
    'Wash a scrap flat and one upright.',
  ),
  guide(
    'mask',
    'Dabbed on edges, in patches of all sizes.',
    'An old bottle that does not come off again.',
    'Mask a scrap, paint over it, and rub it off.',
  ),
  guide(
    'plant',
    'In clumps and at the feet of walls, with bare ground between.',
    'Evenly spread: it looks sown.',
    'Set five on a scrap, and look from across the room.',
  ),
  guide('finish', 'One sheen all over.', 'Sprayed in damp air: it dries cloudy.', 'Spray a painted scrap first.'),
  guide(
    'pour',
    'Level, clear, and up to the mark on the bank.',
    'Mixed by eye: two parts that are not in proportion stay sticky.',
    'Mix a spoonful by weight and leave it overnight.',
  ),
  guide('late', 'Dust where feet and wheels go.', 'All over: it hides what was painted.', 'Dust one corner and tap it off.'),
];
