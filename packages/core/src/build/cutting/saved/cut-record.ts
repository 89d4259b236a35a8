import { cutMm } from '../../../base/rounding';
import { type CutJob, type OutdatedSheet, isCut } from '../job';
import type { CutSheet } from '../../../plan/workshop';
import { type SavedLayout, savedFrom } from './saved-layout';
import { NO_TRIM, type PlacedSheet, type Placement, type Stock, isNew, restBeside, ruleOf } from '../nesting';
import type { Part } from '../parts';
import type { Split } from '../../../plan';

interface RecordInputs {
  readonly cut: readonly CutSheet[];
  readonly parts: readonly Part[];
  /** New sheets that are stocked, for what one cost. */
  readonly kinds: readonly Stock[];
  readonly kerfMm: number;
}
interface Done {
  readonly sheets: readonly PlacedSheet[];
  /** Parts that are cut and still as they are wanted: they are laid out no more. */
  readonly partIds: ReadonlySet<string>;
  readonly outdated: readonly OutdatedSheet[];
}

/** A part within this of what was cut is the same part: under what a blade can do. */
const SAME_MM = 0.01;
const SAME_MM2 = 1;

/**
 * Sheets of a job that are cut already: their parts stay as they are. A part that the plan wants otherwise by now is left out, to be laid out anew.
 */
export function recordedSheets({ cut, parts, kinds, kerfMm }: RecordInputs): Done {
  const partIds = new Set<string>();
  const outdated: OutdatedSheet[] = [];
  const sheets = cut.map((sheet): PlacedSheet => {
    const stock = stockOf(sheet, kinds);
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
export const tickedOff = (job: CutJob, index: number, id: string): TickedOff => ({
  cut: asCut(job, index, id),
  saved: savedWhere(job, (sheet, i) => !isCut(sheet) && i !== index),
  splits: splitsOn(job, index),
});
interface TickedOff {
  readonly cut: CutSheet;
  readonly saved: SavedLayout;
  readonly splits: readonly Split[];
}

/** Joints that were laid without being asked for in what lies on a sheet: once that is cut they stay where they are. */
function splitsOn({ parts, laidSplits, savingSplits, layout }: CutJob, index: number): readonly Split[] {
  // What a joint saves it saves with all others: none of them is sought again once a sheet is cut.
  if (laidSplits.length === 0) return savingSplits;
  const onIt = new Set(layout.sheets[index]!.placements.map(({ blankId }) => blankId));
  const wholes = new Set(parts.filter(({ id }) => onIt.has(id)).map(({ wholeId }) => wholeId));
  return [...laidSplits.filter(({ wholeId }) => wholes.has(wholeId)), ...savingSplits];
}

/** What the plan keeps when a tick is taken back: the sheet lies among the others again, as it was. */
export const takenBack = (job: CutJob, index: number): SavedLayout =>
  savedWhere(job, (sheet, i) => (!isCut(sheet) || i === index) && sheet.placements.length > 0);

const savedWhere = (job: CutJob, holds: (sheet: PlacedSheet, index: number) => boolean): SavedLayout =>
  savedFrom(job.key, { ...job.layout, sheets: job.layout.sheets.filter(holds) });

/** A sheet of a job's layout as the plan remembers it once it is cut. */
function asCut(job: CutJob, index: number, id: string): CutSheet {
  const { stock, placements } = job.layout.sheets[index]!;
  return {
    id,
    materialId: job.materialId,
    thicknessMm: job.thicknessMm,
    number: index + 1,
    widthMm: stock.widthMm,
    depthMm: stock.depthMm,
    offcutId: stock.offcutId,
    places: placements.map(({ blankId, xMm, yMm, turned, half, widthMm, depthMm }) => ({
      partId: blankId,
      xMm: cutMm(xMm),
      yMm: cutMm(yMm),
      boxWidthMm: widthMm,
      boxDepthMm: depthMm,
      areaMm2: job.parts.find((part) => part.id === blankId)!.areaMm2,
      turned,
      half,
    })),
  };
}

type Place = CutSheet['places'][number];

function isAsCut({ partId, boxWidthMm, boxDepthMm, areaMm2 }: Place, parts: readonly Part[]): boolean {
  const part = parts.find(({ id }) => id === partId);
  if (part === undefined || Math.abs(part.areaMm2 - areaMm2) > SAME_MM2) return false;
  const [wide, deep] = [part.widthMm, part.depthMm].sort((a, b) => a - b);
  const [cutWide, cutDeep] = [boxWidthMm, boxDepthMm].sort((a, b) => a - b);
  return Math.abs(wide! - cutWide!) <= SAME_MM && Math.abs(deep! - cutDeep!) <= SAME_MM;
}

const placementOf = ({ partId, xMm, yMm, boxWidthMm, boxDepthMm, turned, half }: Place): Placement => ({
  blankId: partId,
  xMm,
  yMm,
  widthMm: boxWidthMm,
  depthMm: boxDepthMm,
  turned,
  half,
  pinned: false,
});

/** Offcuts cost nothing and have straight edges; a new sheet cost what its size costs. */
function stockOf({ widthMm, depthMm, offcutId }: CutSheet, kinds: readonly Stock[]): Stock {
  if (offcutId !== null) return { widthMm, depthMm, offcutId, trim: NO_TRIM, priceMinor: 0 };
  const kind = kinds.find((one) => isNew(one) && one.widthMm === widthMm && one.depthMm === depthMm);
  return kind ?? { widthMm, depthMm, offcutId, trim: kinds[0]?.trim ?? NO_TRIM, priceMinor: 0 };
}
