import { type Figure, calculate, given } from '../../../base/units';
import { type Adhesive, type Catalogue, estimated } from '../../../catalogue';

/** One sort of work of putting a piece together. */
export interface JoiningWork {
  readonly name: string;
  /** The minutes of one of usual size, the first of its sort. */
  readonly each: Figure<'min'>;
  /** One number for each time it is done for one copy: how much longer than a usual one it takes for its size. */
  readonly sizes: readonly number[];
  /** Whether the hand becomes quicker with each like it; not where the pace is one of many. */
  readonly isLearned: boolean;
}

/** The minutes of one joint of usual length, the first of its sort. */
export const jointMinutes = ({ name, jointMin }: Adhesive, { bench }: Catalogue): Figure<'min'> =>
  estimated(`${name}, a joint fitted and glued`, jointMin ?? bench.pieceJointMin, 'min');

/**
 * How much longer a joint takes than one of usual length: half of a usual one is handling whatever the length, and past it only glue and pressing are added.
 * @source walks of the trade: 2 min for a joint of a shell, some 0.4 min for a stick of a few mm
 */
export function sizeShare(longMm: number, { bench }: Catalogue): number {
  const lengths = longMm / bench.jointLongMm.value;
  return lengths <= 1 ? (1 + lengths) / 2 : 1 + (lengths - 1) / 10;
}

/** What a task of a sort takes of the first, by how often it was done: the tenth takes a known share, and none less than another. @source the power law of practice */
export function practised(nth: number, { bench }: Catalogue): number {
  const power = -Math.log10(Math.min(1, bench.tenthJointShare.value));
  return Math.max(bench.leastJointShare.value, nth ** -power);
}

/** The minutes of putting together so many copies side by side: what is alike is done in one go, so that the later ones are quicker. */
export function joiningMinutes(
  name: string,
  joining: readonly JoiningWork[],
  copies: number,
  catalogue: Catalogue,
): readonly Figure<'min'>[] {
  return joining.flatMap(({ name: what, each, sizes, isLearned }) => {
    const all = copies * sizes.length;
    if (all === 0) return [];
    const label = `${name}: ${what}`;
    const count = given(`${label}, all copies`, all, '1', 'drawing', `${sizes.length} for each of ${copies}`);
    // Longest first: the order of least help, so that one more never makes the whole shorter.
    const sorted = sizes.toSorted((a, b) => b - a);
    const sum = sorted.reduce((of, size) => of + size, 0) * copies;
    const learned = sorted.reduce(
      (of, size, i) =>
        of + Array.from({ length: copies }, (_, k) => size * practised(i * copies + k + 1, catalogue)).reduce((a, b) => a + b, 0),
      0,
    );
    const usual = calculate(`${label}, the first of usual size`, 'min', count, '×', each);
    const sized =
      Math.abs(sum / all - 1) < 1e-9
        ? usual
        : calculate(label, 'min', usual, '×', given('For their size', sum / all, '1', 'drawing', 'joints longer or shorter than usual'));
    if (!isLearned || all === 1) return [{ ...sized, label }];
    const share = given('Quicker with each alike', learned / sum, '1', 'drawing', 'the tenth of a sort takes about half of the first');
    return [calculate(label, 'min', sized, '×', share)];
  });
}
