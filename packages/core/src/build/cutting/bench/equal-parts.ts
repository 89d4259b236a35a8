import { listedBy } from '../../../base/grouping';
import { type MeasureSystem, lengthWords } from '../../../base/units';
import type { Part, PartMarks } from '../parts';

/** Letters that names have to share before they are one name. */
const LEAST_SHARED = 4;

/** What equal parts are called together: the words they share, in their places or from the beginning; the first of them and its others where there are none. */
export function sharedName(names: readonly string[]): string {
  const [first = '', ...others] = names;
  if (others.every((name) => name === first)) return first;
  const words = first.split(' ');
  const rest = others.map((name) => name.split(' '));
  const isEvery = rest.every((own) => own.length === words.length);
  const apart = words.findIndex((word, i) => rest.some((own) => own[i] !== word));
  const shared = isEvery ? words.filter((word, i) => rest.every((own) => own[i] === word)) : words.slice(0, Math.max(0, apart));
  // `piece 1 of 2` is a piece, `layer 2` a layer, when others are pieces and layers too.
  const name = shared
    .join(' ')
    .replace(/ of \d+$/u, '')
    .replace(/[\s,:;(×-]+$/u, '');
  return name.length >= LEAST_SHARED ? name : `${first} and others`;
}

/** What makes parts the same to whoever cuts them: outline and marks, whichever way round they lie. */
const likeness = ({ widthMm, depthMm, areaMm2, cutMm, marks }: Part): string =>
  [Math.max(widthMm, depthMm), Math.min(widthMm, depthMm), areaMm2 / 10, cutMm, marksWords(marks)]
    .map((one) => (typeof one === 'number' ? one.toFixed(1) : one))
    .join(' ');

/** Equal parts together, in the order of the first of each. */
export const equalParts = <Of>(all: readonly Of[], partOf: (one: Of) => Part): readonly (readonly Of[])[] => [
  ...listedBy(all, (one) => likeness(partOf(one))).values(),
];

/** `4 × Wall set: strip, 752 × 51 mm`. */
export const partsWords = (parts: readonly Part[], system: MeasureSystem): string => {
  const { widthMm, depthMm } = parts[0]!;
  const name = sharedName(parts.map((part) => part.name));
  return `${parts.length > 1 ? `${parts.length} × ` : ''}${name}, ${lengthWords([widthMm, depthMm], system)}`;
};

/** What is to be known at the blade besides the outline: `2 edges bevelled 22.5°; 3 × V-cut of 90.0°, 10.0 mm wide, from the drawn side`. */
export function marksWords(marks: Pick<PartMarks, 'bevels' | 'folds' | 'scores'> | undefined): string {
  if (marks === undefined) return '';
  const { bevels, folds, scores } = marks;
  const leans = [...counted(bevels.map(({ deg }) => `${Math.abs(deg).toFixed(1)}°`))].map(
    ([deg, count]) => `${count} ${count === 1 ? 'edge' : 'edges'} bevelled ${deg}`,
  );
  const bends = [
    ...counted(
      folds.map(
        ({ by, bendDeg, grooveMm, side }) =>
          `${by === 'v-cut' ? 'V-cut' : 'score'} of ${bendDeg.toFixed(1)}°, ${grooveMm.toFixed(1)} mm wide, from ${side === 'drawn' ? 'the drawn side' : 'the far side'}`,
      ),
    ),
  ].map(([what, count]) => `${count} × ${what}`);
  const lines = scores.length === 0 ? [] : [`${scores.length} ${scores.length === 1 ? 'line' : 'lines'} scored`];
  return [...leans, ...bends, ...lines].join('; ');
}
function counted(words: readonly string[]): ReadonlyMap<string, number> {
  const counts = new Map<string, number>();
  for (const word of words) counts.set(word, (counts.get(word) ?? 0) + 1);
  return counts;
}
