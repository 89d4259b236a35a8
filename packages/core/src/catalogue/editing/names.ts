import type { Catalogue } from '../schema';
import { nameOf } from './entries';
import { fieldName } from './form';
import { ALL_KINDS, KINDS, type Kind, isKind } from './kinds';

/** General terms for one and the same stuff, here and elsewhere. */
const TERMS: readonly (readonly string[])[] = [
  ['filler', 'spackle', 'spackling', 'spackling paste', 'stopper', 'wall filler'],
  ['foam board', 'foamboard', 'foamcore', 'foam core', 'paper-faced foam', 'sandwich board'],
  ['twin-wall', 'twin wall', 'fluted plastic', 'fluted board', 'hollow sheet', 'corrugated plastic', 'hollow-core plastic'],
  ['extruded foam', 'extruded polystyrene', 'xps', 'insulation board', 'insulation foam', 'blue foam', 'pink foam'],
  ['expanded foam', 'expanded polystyrene', 'eps', 'bead foam', 'beaded foam', 'packing foam', 'white foam'],
  ['white glue', 'pva', 'school glue', 'craft glue', 'polyvinyl acetate'],
  ['wood glue', 'carpenter glue', "carpenter's glue", 'yellow glue', 'joiner glue'],
  ['hot melt', 'hot-melt', 'hot glue', 'glue stick', 'glue gun'],
  ['superglue', 'super glue', 'cyanoacrylate', 'ca glue', 'instant glue'],
  ['construction adhesive', 'grab adhesive', 'mounting adhesive', 'panel adhesive', 'foam-safe construction'],
  ['contact adhesive', 'contact cement', 'impact adhesive'],
  ['hardboard', 'high-density fibreboard', 'hdf', 'pressed board'],
  ['fibreboard', 'fiberboard', 'medium-density fibreboard', 'mdf'],
  ['plywood', 'ply', 'veneer board'],
  ['card', 'cardboard', 'greyboard', 'grayboard', 'chipboard', 'bookbinding board', 'mounting board'],
  ['plaster', 'gypsum', 'casting plaster', 'plaster of paris'],
  ['emulsion', 'wall paint', 'latex paint', 'masonry paint', 'house paint'],
  ['craft acrylic', 'acrylic paint', 'artist acrylic', 'poster acrylic'],
  ['varnish', 'clear coat', 'sealer coat', 'lacquer', 'topcoat'],
  ['caulk', 'decorator caulk', "decorator's caulk", 'painter caulk', 'gap sealant', 'acrylic sealant'],
  ['kitchen roll', 'paper towel', 'kitchen paper', 'paper toweling'],
  ['masking tape', 'painter tape', "painter's tape", 'low-tack tape'],
  ['masking fluid', 'liquid mask', 'drawing gum', 'frisket'],
  ['rubbing alcohol', 'isopropanol', 'isopropyl alcohol', 'surgical spirit', 'ipa'],
  ['flock', 'turf', 'ground foam', 'scatter', 'sawdust flock'],
  ['static grass', 'electrostatic grass', 'fibre grass', 'grass fibres'],
  ['grout', 'tile grout', 'joint filler', 'cement grout'],
  ['resin', 'two-part resin', 'epoxy', 'casting resin', 'pour'],
  ['gravel', 'grit', 'ballast', 'pebbles', 'stones'],
  ['knife', 'snap-off knife', 'box cutter', 'utility knife', 'craft knife', 'cutter'],
  ['hot wire', 'hot-wire', 'wire cutter', 'foam cutter', 'hot bow'],
  ['styrene', 'polystyrene sheet', 'plastic card', 'sheet styrene'],
  ['cork', 'cork sheet', 'cork tile'],
  ['batten', 'lath', 'strip', 'furring'],
];

const plain = (words: string): string =>
  words
    .normalize('NFKD')
    .replace(/\p{M}/gu, '')
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, ' ')
    .trim();
const GROUPS: readonly (readonly string[])[] = TERMS.map((group) => group.map(plain));
/** Whether the words of one stand in another, each at the beginning of a word. */
const standsIn = (words: string, text: string): boolean => words.split(' ').every((word) => ` ${text}`.includes(` ${word}`));

/** A place of the catalogue in words: what it is of, and which of its figures. */
export function saidIn(catalogue: Catalogue, path: string): string {
  const [list, id] = path.split('.');
  const figure = fieldName(path.split('.').at(-1)!);
  if (list === undefined || !isKind(list)) return figure;
  const entry = (catalogue[list] as readonly { readonly id: string }[]).find((one) => one.id === id);
  return entry === undefined ? figure : `${nameOf(catalogue, list, entry)}, ${figure}`;
}

/** Other general terms for what a name says. */
export const otherNames = (name: string): readonly string[] => {
  const said = plain(name);
  return [...new Set(TERMS.filter((_, i) => GROUPS[i]!.some((term) => standsIn(term, said))).flat())].filter(
    (term) => !standsIn(plain(term), said),
  );
};

/** An entry that was looked for, and the term it was found by where that is not its own name. */
export interface Found {
  readonly kind: Kind;
  readonly id: string;
  readonly name: string;
  readonly by: string | null;
}

/** Entries by any of their general names; all of them for no words at all. */
export function searched(catalogue: Catalogue, words: string): readonly Found[] {
  const asked = plain(words);
  const found: Found[] = [];
  for (const kind of ALL_KINDS)
    for (const entry of catalogue[kind] as readonly { readonly id: string }[]) {
      const name = nameOf(catalogue, kind, entry);
      const by = asked === '' || standsIn(asked, plain(`${name} ${KINDS[kind].many}`)) ? null : termFor(name, asked);
      if (by !== undefined) found.push({ kind, id: entry.id, name, by });
    }
  return found;
}
const termFor = (name: string, asked: string): string | undefined => otherNames(name).find((term) => standsIn(asked, plain(term)));
