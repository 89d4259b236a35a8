import type { Catalogue, StarterSurface } from '../schema';

type Use = StarterSurface['coats'][number];
const use = (coatingId: string, methodId: string, rest: Omit<Use, 'coatingId' | 'methodId'> = {}): Use => ({
  coatingId,
  methodId,
  ...rest,
});
const surface = (
  id: string,
  name: string,
  relief: StarterSurface['relief'],
  coats: Use[],
  patternId: string | null = null,
): StarterSurface => ({ id, name, relief, patternId, coats });
const of = (paintId: string, more: Readonly<Record<string, number>> = {}): Pick<Use, 'tint'> => ({
  tint: [{ paintId, parts: 1 }, ...Object.entries(more).map(([id, parts]) => ({ paintId: id, parts }))],
});

/** A plain run of paint. */
export const painted: Use[] = [
  use('masonry-paint', 'base'),
  use('craft-acrylic', 'overbrush'),
  use('wash', 'wash'),
  use('pale-acrylic', 'drybrush'),
  use('matt-varnish', 'varnish'),
];
const paste = use('light-filler', 'spread');
const seal = use('sealing-glue', 'soak');
const matt = use('matt-varnish', 'varnish');

/** Base, broken up, washed, brushed dry: in colours of its own. */
const inColours = (base: string, over: string, shade: string, light: string): Use[] => [
  use('masonry-paint', 'base', of(base)),
  use('craft-acrylic', 'overbrush', of(over)),
  use('wash', 'wash', of(shade)),
  use('pale-acrylic', 'drybrush', of(light)),
  matt,
];

/** Recipes of our own to begin with; every one can be changed. */
export const surfaces: Catalogue['starter']['surfaces'] = [
  surface('packed-earth', 'Packed earth', 'earth', [paste, seal, ...inColours('bog-oak', 'clay-pit', 'bog-oak', 'dry-reed')]),
  surface('rock-face', 'Rock face', 'rock', [paste, seal, ...inColours('slate-yard', 'slate-yard', 'kiln-black', 'mist-grey')]),
  surface(
    'flagstone',
    'Flagstone',
    'flag',
    [use('joint-compound', 'spread'), seal, ...inColours('slate-yard', 'mist-grey', 'bog-oak', 'chalk-cliff')],
    'flags',
  ),
  surface('bare-bed', 'Bare bed', 'earth', [seal, ...inColours('bog-oak', 'brick-kiln', 'kiln-black', 'clay-pit')]),
  surface('stand', 'Stand for a piece', 'flat', [seal, ...inColours('bog-oak', 'dry-reed', 'bog-oak', 'straw-loft')]),
  surface('ploughed-earth', 'Ploughed earth', 'furrows', [paste, seal, ...inColours('bog-oak', 'moss-bank', 'bog-oak', 'clay-pit')]),
  surface('still-water', 'Still water', 'flat', [seal, use('masonry-paint', 'base', of('fen-water')), use('casting-epoxy', 'pour')]),
  surface('murky-water', 'Murky water', 'earth', [
    seal,
    use('masonry-paint', 'base', of('bog-oak', { 'moss-bank': 2 })),
    use('craft-acrylic', 'stipple', of('moss-bank')),
    use('tinted-epoxy', 'pour'),
    use('leaf-litter', 'float', { before: 'wet', coverPct: 15 }),
  ]),
  surface(
    'cobble',
    'Cobble',
    'cobble',
    [
      use('joint-compound', 'spread', { filmMm: 2 }),
      use('joint-compound', 'stamp', { before: 'wet', filmMm: 0.1 }),
      seal,
      use('masonry-paint', 'base', of('slate-yard', { 'bog-oak': 1 })),
      use('craft-acrylic', 'tint-units', of('mist-grey', { 'clay-pit': 1 })),
      use('wash', 'wash', of('bog-oak')),
      use('pale-acrylic', 'drybrush', of('chalk-cliff')),
      matt,
      use('moss-clumps', 'clumps', { coverPct: 20 }),
    ],
    'cobbles',
  ),
  surface('plank', 'Plank', 'plank', [seal, ...inColours('bog-oak', 'clay-pit', 'bog-oak', 'dry-reed')], 'boards'),
  surface('mud', 'Mud', 'earth', [
    use('mud-paste', 'spread'),
    use('sealing-glue', 'soak', { goes: 2 }),
    use('wash', 'wash', of('bog-oak')),
    use('craft-acrylic', 'drybrush', of('clay-pit')),
    matt,
    use('gloss-varnish', 'gloss', { coverPct: 30 }),
  ]),
  surface('turf', 'Turf', 'turf', [
    use('tinted-filler', 'spread'),
    use('fine-sand', 'sprinkle', { before: 'wet' }),
    use('wetting-mist', 'mist'),
    use('sealing-glue', 'drip', { before: 'wet', goes: 2 }),
    use('wash', 'wash', of('bog-oak')),
    use('craft-acrylic', 'drybrush', of('dry-reed')),
    matt,
    use('static-grass', 'strew'),
    use('tufts', 'set-down'),
  ]),
  surface('meadow', 'Meadow', 'turf', [
    use('tinted-filler', 'spread'),
    use('soil-dust', 'sprinkle', { before: 'wet' }),
    use('sealing-glue', 'soak', { goes: 2 }),
    matt,
    use('fine-turf', 'strew', { coverPct: 60 }),
    use('static-grass', 'strew'),
    use('flock', 'clumps', { coverPct: 40 }),
    use('tufts', 'set-down'),
  ]),
  surface('snow', 'Snow', 'earth', [
    paste,
    seal,
    use('masonry-paint', 'base', of('clay-pit')),
    use('wash', 'wash', of('dusk-blue')),
    matt,
    use('snow-mix', 'snow'),
  ]),
  surface('dust-and-ash', 'Dust and ash', 'rubble', [
    use('tinted-filler', 'spread'),
    use('small-grit', 'sprinkle', { before: 'wet', coverPct: 30 }),
    use('sealing-glue', 'soak', { goes: 2 }),
    use('masonry-paint', 'base', of('slate-yard', { 'bog-oak': 1 })),
    use('wash', 'wash', of('kiln-black')),
    use('pale-acrylic', 'drybrush', of('mist-grey')),
    matt,
    use('ash-and-dust', 'dust-on'),
  ]),
  surface('sand', 'Sand', 'sand', [
    use('tinted-filler', 'spread', { filmMm: 1 }),
    use('fine-sand', 'sprinkle', { before: 'wet' }),
    use('wetting-mist', 'mist'),
    use('sealing-glue', 'drip', { before: 'wet', goes: 2 }),
    ...inColours('clay-pit', 'dry-reed', 'clay-pit', 'chalk-cliff'),
  ]),
  surface('brick', 'Brick', 'brick', [
    seal,
    ...[
      use('masonry-paint', 'base', of('brick-kiln', { 'bog-oak': 1 })),
      use('craft-acrylic', 'overbrush', of('brick-kiln')),
      use('wash', 'wash', of('bog-oak')),
      use('pale-acrylic', 'drybrush', of('clay-pit', { 'chalk-cliff': 1 })),
      matt,
    ],
  ]),
  surface('render', 'Render', 'flat', [
    use('light-filler', 'spread', { filmMm: 0.5 }),
    seal,
    ...inColours('mist-grey', 'chalk-cliff', 'clay-pit', 'salt-white'),
  ]),
  surface('concrete', 'Concrete', 'flag', [seal, ...inColours('slate-yard', 'mist-grey', 'bog-oak', 'chalk-cliff')], 'squares'),
  surface('rusted-plate', 'Rusted plate', 'flat', [
    seal,
    use('masonry-paint', 'base', of('rust-bloom', { 'bog-oak': 1 })),
    use('craft-acrylic', 'base', { ...of('rust-bloom'), coverPct: 60 }),
    use('masking-fluid', 'mask'),
    use('craft-acrylic', 'overbrush', of('slate-yard')),
    use('wash', 'runs', of('rust-bloom')),
    matt,
  ]),
  surface('corrugated', 'Corrugated', 'corrugated', [
    seal,
    use('masonry-paint', 'base', of('slate-yard')),
    use('craft-acrylic', 'overbrush', of('mist-grey')),
    use('verdigris', 'runs'),
    use('craft-acrylic', 'sponge-chip', of('rust-bloom')),
    matt,
  ]),
  surface('thatch', 'Thatch', 'furrows', [seal, ...inColours('clay-pit', 'straw-loft', 'bog-oak', 'dry-reed')]),
  surface('slate-roof', 'Slate', 'slate', [seal, ...inColours('kiln-black', 'slate-yard', 'bog-oak', 'mist-grey')]),
];
