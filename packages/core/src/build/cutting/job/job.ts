import type { BatchWay, Sheet, Tool } from '../../../catalogue';
import type { Figure } from '../../../base/units';
import { type Aim, type Layout, type LayoutTask, type PlacedSheet, type Stock, blankOf } from '../nesting';
import type { Part } from '../parts';
import type { Split } from '../../../plan';

/** A sheet that is cut, and what of it the plan no longer wants as it was cut. */
export interface OutdatedSheet {
  readonly cutId: string;
  /** Ids of parts that are gone or have another size or outline now. */
  readonly partIds: readonly string[];
}
/** All parts of one material and thickness, laid on offcuts first and then on new sheets. */
export interface CutJob {
  readonly key: string;
  readonly name: string;
  readonly materialId: string;
  readonly thicknessMm: number;
  readonly hatch: string;
  readonly tool: Tool;
  /** What this job may be cut with. */
  readonly tools: readonly Tool[];
  readonly kerfMm: number;
  /** How equal parts of it are cut. */
  readonly batchWay: BatchWay;
  /** What is stated to be cut off every edge of a new sheet; null where the edges of the sheets decide. */
  readonly statedTrimMm: number | null;
  readonly aim: Aim;
  readonly parts: readonly Part[];
  /** How those of them are split that go on no sheet whole, where nobody said how. */
  readonly laidSplits: readonly Split[];
  /** Those of them that are joined only because it saves sheets. */
  readonly savingSplits: readonly Split[];
  /** New sheets of every stocked size, and the offcuts in the rack. */
  readonly stock: readonly Stock[];
  readonly layout: Layout;
  /** Sheets that are cut and whose parts the plan wants otherwise by now. */
  readonly outdated: readonly OutdatedSheet[];
  /** New sheets by size. */
  readonly bought: readonly { readonly sheet: Sheet; readonly count: number }[];
  readonly sheetCount: Figure<'1'>;
  readonly offcutCount: Figure<'1'>;
  /** No plan can use fewer new sheets, or cost less. */
  readonly fewest: Figure<'1'>;
  readonly cheapest: Figure<'money'>;
  readonly passes: Figure<'1'>;
  readonly cost: Figure<'money'>;
  readonly partsArea: Figure<'mm²'>;
  readonly sheetsArea: Figure<'mm²'>;
  readonly used: Figure<'%'>;
}

/** What a job is laid out from, to search on. */
export const taskOf = ({ parts, stock, kerfMm, aim, layout }: CutJob): LayoutTask => ({
  blanks: parts.map(blankOf),
  stock,
  kerfMm,
  aim,
  pinned: layout.sheets
    .map((sheet) => ({ stock: sheet.stock, placements: sheet.placements.filter(({ pinned }) => pinned) }))
    .filter(({ placements }) => placements.length > 0),
});

/** A job less what is cut: what is still to be laid out, and searched on. */
export function openOf(job: CutJob): CutJob {
  if (!job.layout.sheets.some(isCut)) return job;
  const done = new Set(job.layout.sheets.filter(isCut).flatMap(({ placements }) => placements.map(({ blankId }) => blankId)));
  return {
    ...job,
    parts: job.parts.filter(({ id }) => !done.has(id)),
    layout: { ...job.layout, sheets: job.layout.sheets.filter((sheet) => !isCut(sheet)) },
  };
}

/** A job with another layout of what is open; what is cut stays where it is. */
export const withOpen = (job: CutJob, layout: Layout): CutJob => ({
  ...job,
  layout: { ...layout, sheets: inOrder(job.layout.sheets.filter(isCut), layout.sheets) },
});

export const isCut = ({ cut }: PlacedSheet): boolean => cut !== undefined;

/** All sheets of a job as they are numbered: a sheet that is cut keeps the number it was cut under, since it stands on a printed list and on the parts. */
export function inOrder(done: readonly PlacedSheet[], open: readonly PlacedSheet[]): readonly PlacedSheet[] {
  const waiting = [...done].sort((a, b) => a.cut!.number - b.cut!.number);
  const coming = [...open];
  const all: PlacedSheet[] = [];
  while (waiting.length + coming.length > 0) {
    const isTurn = waiting.length > 0 && (waiting[0]!.cut!.number <= all.length + 1 || coming.length === 0);
    all.push(isTurn ? waiting.shift()! : coming.shift()!);
  }
  return all;
}
