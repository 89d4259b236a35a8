import type { Catalogue } from '../schema';

/** Whose words names are said in. */
export const TERMS_OF = { british: 'British', american: 'American' } as const;
export type TermsOf = keyof typeof TERMS_OF;

/** What we say, and what is said across the water; each stands for itself in both cases of its first letter. The longer before what it holds. */
const AMERICAN: readonly (readonly [ours: string, theirs: string])[] = [
  ['masonry paint', 'exterior latex paint'],
  ['filler', 'spackle'],
  ['foam board', 'foamcore board'],
  ['fluted polypropylene', 'corrugated plastic'],
  ['greyboard', 'chipboard'],
  ['corrugated card', 'corrugated cardboard'],
  ['packing card', 'packing cardboard'],
  ['card', 'cardstock'],
  ['superglue', 'super glue'],
  ['low-tack tape', 'painter’s tape'],
  ['fibreboard', 'fiberboard'],
  ['fibres', 'fibers'],
  ['fibre', 'fiber'],
  ['colour', 'color'],
  ['grey', 'gray'],
  ['mould', 'mold'],
  ['timber', 'lumber'],
];
const WORDS = new RegExp(`(?<![A-Za-z])(${AMERICAN.map(([ours]) => ours).join('|')})(?![A-Za-z])`, 'gi');
const THEIRS = new Map(AMERICAN);
const american = (words: string): string =>
  words.replaceAll(WORDS, (found) => {
    const theirs = THEIRS.get(found.toLowerCase())!;
    return /^[A-Z]/.test(found) ? `${theirs.charAt(0).toUpperCase()}${theirs.slice(1)}` : theirs;
  });

/** Keys of a catalogue under which words stand that are read, not compared. */
const READ = new Set(['name', 'remark', 'text', 'unitsName']);

/** The catalogue that ships with its names in somebody's words. Ids and figures stay, so that plans do not notice. */
export function inTerms(ours: Catalogue, terms: TermsOf): Catalogue {
  return terms === 'british' ? ours : (said(ours, '') as Catalogue);
}

function said(value: unknown, key: string): unknown {
  if (typeof value === 'string') return READ.has(key) ? american(value) : value;
  if (Array.isArray(value)) return value.map((one) => said(one, key));
  if (typeof value !== 'object' || value === null) return value;
  return Object.fromEntries(Object.entries(value).map(([inner, one]) => [inner, said(one, inner)]));
}
