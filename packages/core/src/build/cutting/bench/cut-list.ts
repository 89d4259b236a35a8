import { listedBy } from '../../../base/grouping';
import type { CutJob } from '../job';
import { cutOrder } from '../nesting';
import type { Part, Segments } from '../parts';
import { equalParts, marksWords, sharedName } from './equal-parts';

/** One part as it is marked out on its sheet: measured from the left and the top edge only, so that no one adds up by hand. */
export interface CutRow {
  readonly part: Part;
  readonly number: number;
  readonly widthMm: number;
  readonly depthMm: number;
  readonly leftMm: number;
  readonly topMm: number;
  readonly turned: boolean;
  readonly half: boolean;
  readonly pinned: boolean;
}

/** The parts of one sheet in the order they are marked out: row by row from the top, then from the left. */
export function cutList(job: CutJob, sheetIndex: number): readonly CutRow[] {
  const placements = [...job.layout.sheets[sheetIndex]!.placements].sort((a, b) => a.yMm - b.yMm || a.xMm - b.xMm);
  return placements.map(({ blankId, xMm, yMm, widthMm, depthMm, turned, half, pinned }, i) => ({
    part: job.parts.find(({ id }) => id === blankId)!,
    number: i + 1,
    widthMm,
    depthMm,
    leftMm: xMm,
    topMm: yMm,
    turned,
    half,
    pinned,
  }));
}

export interface StripSegments extends Segments {
  readonly strips: number;
}
/** Equal parts of a sheet on one line. */
export interface ListedParts {
  readonly rows: readonly CutRow[];
  readonly name: string;
  /** Their numbers on the drawing: `1–16, 20`. */
  readonly numbers: string;
  /** Bevels, folds and scores; none for a part that is cut square. */
  readonly marks: string;
  /** What is cut from the strips they are glued in, and from how many of them alike. */
  readonly segments: readonly StripSegments[];
  /** Where it lies, for a part that is alone of its kind. */
  readonly at: { readonly leftMm: number; readonly topMm: number } | null;
}

/** The parts of one sheet, equal ones once with their count; each by itself where through cuts do not free them and every place counts. */
export function listedParts(job: CutJob, sheetIndex: number): readonly ListedParts[] {
  const rows = cutList(job, sheetIndex);
  const isThrough = cutOrder(job.layout.sheets[sheetIndex]!, job.kerfMm) !== null;
  const groups = isThrough ? equalParts(rows, ({ part }) => part) : rows.map((row) => [row]);
  return groups.map((own): ListedParts => {
    const { part, leftMm, topMm } = own[0]!;
    return {
      rows: own,
      name: sharedName(own.map((row) => row.part.name)),
      numbers: runs(own.map(({ number }) => number)),
      marks: marksWords(part.marks),
      segments: segmentsOf(own),
      at: own.length === 1 ? { leftMm, topMm } : null,
    };
  });
}

const segmentsOf = (rows: readonly CutRow[]): readonly StripSegments[] =>
  [
    ...listedBy(
      rows.flatMap(({ part }) => part.segments ?? []),
      ({ name, count, lengthMm }) => `${count} ${name} ${lengthMm}`,
    ).values(),
  ].map((own) => ({ ...own[0]!, strips: own.length }));

/** Numbers that follow on each other as one run. */
function runs(numbers: readonly number[]): string {
  const found: [number, number][] = [];
  for (const number of numbers) {
    const last = found.at(-1);
    if (last?.[1] === number - 1) last[1] = number;
    else found.push([number, number]);
  }
  return found.map(([from, to]) => (from === to ? String(from) : `${from}–${to}`)).join(', ');
}
