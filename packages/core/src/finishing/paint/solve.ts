import { differenceOf } from './difference';
import { type Pot, stirred } from './paint';

/** A mix in whole parts, the colour it dries to, and how far that is from what was wanted. */
export interface SolvedMix {
  readonly parts: readonly { readonly paintId: string; readonly parts: number }[];
  readonly hex: string;
  readonly difference: number;
}
/** How many paints go into one mix, and how many parts in all: more nobody measures. */
const MAX_PAINTS = 3;
const MAX_PARTS = 8;

/**
 * The mix of paints at hand that comes nearest to a wanted colour: every mix of up to three of them in up to eight parts is stirred. Yields after every paint, so that it
 * can be stopped; the last is the best of all.
 */
export function* solveMix(
  wanted: string,
  pots: readonly Pot[],
): Generator<{ readonly done: number; readonly best: SolvedMix }, void, void> {
  let best: SolvedMix | null = null;
  const weigh = (mix: readonly { readonly pot: Pot; readonly parts: number }[]): void => {
    const hex = stirred(mix);
    const difference = differenceOf(wanted, hex);
    if (best !== null && best.difference <= difference) return;
    best = { parts: mix.map(({ pot: { id }, parts }) => ({ paintId: id, parts })), hex, difference };
  };
  for (const [i, pot] of pots.entries()) {
    for (const mix of mixesFrom([pot], pots.slice(i + 1))) weigh(mix);
    yield { done: (i + 1) / pots.length, best: best! };
  }
}

/** Every mix of the paints picked so far and of more from the rest, in parts without a common divisor. */
function* mixesFrom(picked: readonly Pot[], rest: readonly Pot[]): Generator<readonly { readonly pot: Pot; readonly parts: number }[]> {
  for (const parts of compositions(picked.length, MAX_PARTS)) yield picked.map((pot, i) => ({ pot, parts: parts[i]! }));
  if (picked.length === MAX_PAINTS) return;
  for (const [i, pot] of rest.entries()) yield* mixesFrom([...picked, pot], rest.slice(i + 1));
}
function* compositions(count: number, most: number): Generator<readonly number[]> {
  const all = function* (left: number, room: number): Generator<readonly number[]> {
    if (left === 0) return yield [];
    for (let n = 1; n <= room - (left - 1); n++) for (const others of all(left - 1, room - n)) yield [n, ...others];
  };
  for (const parts of all(count, most)) if (parts.reduce(gcd) === 1) yield parts;
}
const gcd = (a: number, b: number): number => (b === 0 ? a : gcd(b, a % b));
