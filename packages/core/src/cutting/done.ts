import type { CutSheet } from '../plan';
import type { CutJob } from './cut-sheets';
import { type KeptLayout, keptFrom, restBeside } from './kept';
import { type LaidSheet, type Layout, type Placement, ruleOf } from './layout';
import type { Part } from './parts';
import { type Stock, isNew } from './stock';

/** A sheet that is cut, and what of it the plan no longer wants as it was cut. */
export interface OutdatedSheet {
  readonly cutId: string;
  /** Ids of parts that are gone or have another size or outline now. */
  readonly partIds: readonly string[];
}
interface Done {
  readonly sheets: readonly LaidSheet[];
  /** Parts that are cut and still as they are wanted: they are laid out no more. */
  readonly partIds: ReadonlySet<string>;
  readonly outdated: readonly OutdatedSheet[];
}

/** A part within this of what was cut is the same part: under what a blade can do. */
const SAME_MM = 0.01;
const SAME_MM2 = 1;

/**
 * Sheets of a job that are cut already: their parts stay as they are. A part that the plan wants otherwise by now is left out, to be laid out anew.
 * @param kinds new sheets that are stocked, for what one cost
 */
export function doneSheets(
  cut: readonly CutSheet[],
  parts: readonly Part[],
  kinds: readonly Stock[],
  trimMm: number,
  kerfMm: number,
): Done {
  const partIds = new Set<string>();
  const outdated: OutdatedSheet[] = [];
  const sheets = cut.map((sheet): LaidSheet => {
    const stock = stockOf(sheet, kinds, trimMm);
    const holds = sheet.places.filter((place) => isAsCut(place, parts) && !partIds.has(place.partId));
    for (const { partId } of holds) partIds.add(partId);
    if (holds.length < sheet.places.length) {
      outdated.push({ cutId: sheet.id, partIds: sheet.places.filter((place) => !holds.includes(place)).map(({ partId }) => partId) });
    }
    const placements = holds.map(placementOf);
    const rest = restBeside(sheet.places.map(placementOf), ruleOf(stock, kerfMm));
    return { stock, placements, rest, cut: { id: sheet.id, number: sheet.number } };
  });
  return { sheets, partIds, outdated };
}

/** What the plan keeps when a sheet is ticked off as cut: that sheet, and the others as they lie, since they may stand on a printed list. */
export const tickedOff = (job: CutJob, index: number, id: string): { readonly cut: CutSheet; readonly kept: KeptLayout } => ({
  cut: asCut(job, index, id),
  kept: keptWhere(job, (sheet, i) => !isDone(sheet) && i !== index),
});

/** What the plan keeps when a tick is taken back: the sheet lies among the others again, as it was. */
export const takenBack = (job: CutJob, index: number): KeptLayout =>
  keptWhere(job, (sheet, i) => (!isDone(sheet) || i === index) && sheet.placements.length > 0);

const keptWhere = (job: CutJob, holds: (sheet: LaidSheet, index: number) => boolean): KeptLayout =>
  keptFrom(job.key, { ...job.layout, sheets: job.layout.sheets.filter(holds) });

/** A sheet of a job's layout as the plan remembers it once it is cut. */
function asCut(job: CutJob, index: number, id: string): CutSheet {
  const { stock, placements } = job.layout.sheets[index]!;
  return {
    id,
    jobKey: job.key,
    number: index + 1,
    widthMm: stock.widthMm,
    depthMm: stock.depthMm,
    offcutId: stock.offcutId,
    places: placements.map(({ blankId, xMm, yMm, turned, half, widthMm, depthMm }) => ({
      partId: blankId,
      xMm: tidy(xMm),
      yMm: tidy(yMm),
      liesWideMm: widthMm,
      liesDeepMm: depthMm,
      areaMm2: job.parts.find((part) => part.id === blankId)!.areaMm2,
      turned,
      half,
    })),
  };
}

/** A job less what is cut: what is still to be laid out, and searched on. */
export function openOf(job: CutJob): CutJob {
  if (!job.layout.sheets.some(isDone)) return job;
  const done = new Set(job.layout.sheets.filter(isDone).flatMap(({ placements }) => placements.map(({ blankId }) => blankId)));
  return {
    ...job,
    parts: job.parts.filter(({ id }) => !done.has(id)),
    layout: { ...job.layout, sheets: job.layout.sheets.filter((sheet) => !isDone(sheet)) },
  };
}

/** A job with another layout of what is open; what is cut stays where it is. */
export const withOpen = (job: CutJob, layout: Layout): CutJob => ({
  ...job,
  layout: { ...layout, sheets: inOrder(job.layout.sheets.filter(isDone), layout.sheets) },
});

export const isDone = ({ cut }: LaidSheet): boolean => cut !== undefined;

/** All sheets of a job as they are numbered: a sheet that is cut keeps the number it was cut under, since it stands on a printed list and on the parts. */
export function inOrder(done: readonly LaidSheet[], open: readonly LaidSheet[]): readonly LaidSheet[] {
  const waiting = [...done].sort((a, b) => a.cut!.number - b.cut!.number);
  const coming = [...open];
  const all: LaidSheet[] = [];
  while (waiting.length + coming.length > 0) {
    const isTurn = waiting.length > 0 && (waiting[0]!.cut!.number <= all.length + 1 || coming.length === 0);
    all.push(isTurn ? waiting.shift()! : coming.shift()!);
  }
  return all;
}

type Place = CutSheet['places'][number];

function isAsCut({ partId, liesWideMm, liesDeepMm, areaMm2 }: Place, parts: readonly Part[]): boolean {
  const part = parts.find(({ id }) => id === partId);
  if (part === undefined || Math.abs(part.areaMm2 - areaMm2) > SAME_MM2) return false;
  const [wide, deep] = [part.widthMm, part.depthMm].sort((a, b) => a - b);
  const [cutWide, cutDeep] = [liesWideMm, liesDeepMm].sort((a, b) => a - b);
  return Math.abs(wide! - cutWide!) <= SAME_MM && Math.abs(deep! - cutDeep!) <= SAME_MM;
}

const placementOf = ({ partId, xMm, yMm, liesWideMm, liesDeepMm, turned, half }: Place): Placement => ({
  blankId: partId,
  xMm,
  yMm,
  widthMm: liesWideMm,
  depthMm: liesDeepMm,
  turned,
  half,
  pinned: false,
});

/** Offcuts cost nothing and have straight edges; a new sheet cost what its size costs. */
function stockOf({ widthMm, depthMm, offcutId }: CutSheet, kinds: readonly Stock[], trimMm: number): Stock {
  if (offcutId !== null) return { widthMm, depthMm, offcutId, trimMm: 0, priceMinor: 0 };
  const kind = kinds.find((one) => isNew(one) && one.widthMm === widthMm && one.depthMm === depthMm);
  return kind ?? { widthMm, depthMm, offcutId, trimMm, priceMinor: 0 };
}

const tidy = (mm: number): number => Math.round(mm * 1000) / 1000;
