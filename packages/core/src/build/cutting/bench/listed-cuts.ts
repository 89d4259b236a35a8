import { memoize } from '../../../base/memory';
import { listedBy } from '../../../base/grouping';
import { type MeasureSystem, lengthText, lengthWords } from '../../../base/units';
import { type ThroughCut, cutOrder } from '../nesting';
import type { CutJob } from '../job';
import type { Part } from '../parts';
import { equalParts, partsWords } from './equal-parts';

/** One line of a cut list: one cut, or all that can be made at one setting of the fence. */
export interface CutStep {
  readonly step: number;
  readonly way: ThroughCut['way'];
  readonly from: 'left' | 'top';
  readonly atMm: number;
  readonly cuts: readonly ThroughCut[];
  /** The first strip is waste, and the blade runs on its side of the line. */
  readonly isWaste: boolean;
  readonly passes: number;
  /** Pieces it starts from, each before its first cut. */
  readonly pieces: readonly ThroughCut[];
  readonly freed: readonly Part[];
  /** Pieces that are cut again, and what is left over. */
  readonly again: readonly Size[];
  readonly over: readonly Size[];
}
interface Size {
  readonly widthMm: number;
  readonly depthMm: number;
}

/** Settings this near are one. */
const SAME_MM = 0.05;

/** The cuts of a sheet in order, with those at one setting together as soon as their pieces are there; empty where straight-through cuts do not free the parts. */
export const cutSteps = memoize((job: CutJob, index: number): readonly CutStep[] => {
  const order = cutOrder(job.layout.sheets[index]!, job.kerfMm);
  if (order === null) return [];
  const byId = new Map(job.parts.map((part) => [part.id, part]));
  const partOf = new Map(order.freed.map(({ piece, blankId }) => [piece, byId.get(blankId)!]));
  const pieceOf = new Map(order.cuts.map((cut) => [cut.piece, cut]));
  const there = new Set(['S']);
  const left = new Set(order.cuts);
  const steps: CutStep[] = [];
  while (left.size > 0) {
    const [first] = left;
    const together: ThroughCut[] = [];
    const isWaste = isWasteFirst(first!);
    for (let found = true; found;) {
      found = false;
      for (const cut of left) {
        const isAlike = cut.way === first!.way && Math.abs(cut.atMm - first!.atMm) < SAME_MM && isWasteFirst(cut) === isWaste;
        if (!isAlike || !there.has(cut.piece)) continue;
        together.push(cut);
        left.delete(cut);
        for (const name of cut.leaves) if (name !== null) there.add(name);
        found = true;
      }
    }
    steps.push(stepOf(together, steps.length + 1, job, { partOf, pieceOf, isWaste }));
  }
  return steps;
});
const isWasteFirst = ({ leaves: [near] }: ThroughCut): boolean => near === 'waste' || near === 'rest';

interface Known {
  readonly partOf: ReadonlyMap<string, Part>;
  readonly pieceOf: ReadonlyMap<string, ThroughCut>;
  readonly isWaste: boolean;
}
function stepOf(cuts: readonly ThroughCut[], step: number, { kerfMm, passes }: CutJob, { partOf, pieceOf, isWaste }: Known): CutStep {
  const [{ way, atMm }] = cuts as readonly [ThroughCut, ...ThroughCut[]];
  const made = new Set(cuts.flatMap(({ leaves }) => leaves));
  const own = new Set(cuts.map(({ piece }) => piece));
  const leaves = cuts.flatMap((cut) => [
    { name: cut.leaves[0], size: sideOf(cut, 0, kerfMm) },
    ...(cut.leaves[1] === null ? [] : [{ name: cut.leaves[1], size: sideOf(cut, 1, kerfMm) }]),
  ]);
  return {
    step,
    way,
    from: way === 'down' ? 'left' : 'top',
    atMm,
    cuts,
    isWaste,
    passes: passes.value,
    pieces: cuts.filter(({ piece }) => !made.has(piece)),
    freed: leaves.flatMap(({ name }) => partOf.get(name) ?? []),
    again: leaves.flatMap(({ name, size }) => (pieceOf.has(name) && !own.has(name) ? [size] : [])),
    over: leaves.flatMap(({ name, size }) => (name === 'rest' ? [size] : [])),
  };
}
/** One of the two pieces a cut leaves. */
function sideOf({ way, atMm, size: { widthMm, depthMm }, leaves }: ThroughCut, side: 0 | 1, kerfMm: number): Size {
  const longMm = way === 'down' ? widthMm : depthMm;
  // Beside waste the line is where the other begins.
  const beyondMm = leaves[0] === 'waste' || leaves[0] === 'rest' ? longMm - atMm : longMm - atMm - kerfMm;
  const mm = side === 0 ? atMm : beyondMm;
  return way === 'down' ? { widthMm: mm, depthMm } : { widthMm, depthMm: mm };
}

/** A cut list line in words: what to cut, where, how often; then what comes of it. */
export function stepWords(step: CutStep, system: MeasureSystem): { readonly cut: string; readonly gives: string } {
  const { way, from, atMm, cuts, pieces, isWaste } = step;
  const through = way === 'down' ? 'top to bottom' : 'side to side';
  const at = lengthText(atMm, system);
  const of = piecesWords(pieces, system);
  const cut =
    cuts.length === 1
      ? `Cut ${of} from ${through}, ${at} from its ${from} edge${isWaste ? '; the blade on the near side of the line' : ''}.`
      : `Fence ${at}: ${cuts.length} cuts from ${through} through ${of}, each from the ${from} edge.`;
  const gives = [
    ...equalParts(step.freed, (part) => part).map((own) => `free: ${partsWords(own, system)}`),
    ...(step.again.length === 0 ? [] : [`to cut again: ${sizesWords(step.again, system)}`]),
    ...(isWaste ? ['the piece cut off is waste'] : step.over.length === 0 ? [] : [`left over: ${sizesWords(step.over, system)}`]),
  ];
  return { cut, gives: capital(gives.join('; ')) };
}
const capital = (words: string): string => `${words.charAt(0).toUpperCase()}${words.slice(1)}`;

function piecesWords(pieces: readonly ThroughCut[], system: MeasureSystem): string {
  if (pieces.length === 1) {
    const [{ piece, size }] = pieces as readonly [ThroughCut];
    return piece === 'S' ? 'the sheet' : `the piece ${lengthWords([size.widthMm, size.depthMm], system)}`;
  }
  const sizes = new Set(pieces.map(({ size }) => lengthWords([size.widthMm, size.depthMm], system)));
  return sizes.size === 1 ? `the ${pieces.length} pieces ${[...sizes][0]!}` : `${pieces.length} pieces`;
}

/** More sizes than these are no help at the bench. */
const MOST_SIZES = 3;
function sizesWords(sizes: readonly Size[], system: MeasureSystem): string {
  const bySize = [...listedBy(sizes, ({ widthMm, depthMm }) => lengthWords([widthMm, depthMm], system))];
  const told = bySize.slice(0, MOST_SIZES).map(([size, own]) => (own.length === 1 ? size : `${own.length} × ${size}`));
  const more = bySize.slice(MOST_SIZES).reduce((sum, [, own]) => sum + own.length, 0);
  return [...told, ...(more === 0 ? [] : [`${more} more`])].join(', ');
}
