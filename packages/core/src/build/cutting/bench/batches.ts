import { memoize } from '../../../base/memory';
import { listedBy } from '../../../base/grouping';
import { type Figure, type MeasureSystem, calculate, ceilTolerant, given, lengthWords, total } from '../../../base/units';
import { type BatchWay, type Catalogue, estimated } from '../../../catalogue';
import { type PlacedSheet, type ThroughCut, cutOrder } from '../nesting';
import type { CutJob } from '../job';
import { FEW_PARTS, type Part } from '../parts';

/** Parts that are all one rectangle: once a distance is set, one after the other is cut at it. */
export interface Batch {
  readonly key: string;
  readonly longMm: number;
  readonly shortMm: number;
  readonly partIds: ReadonlySet<string>;
}

/** What is missing from its box before a part is more than a rectangle. */
const PLAIN_SHARE = 0.995;

const isPlain = ({ areaMm2, widthMm, depthMm, marks, isRough }: Part): boolean =>
  isRough === undefined &&
  areaMm2 >= widthMm * depthMm * PLAIN_SHARE &&
  (marks === undefined || marks.bevels.length + marks.folds.length === 0);

/** The batches among the parts of a job: more than ten equal plain rectangles each. */
export const batchesOf = memoize((parts: readonly Part[]): readonly Batch[] => {
  if (parts.length <= FEW_PARTS) return [];
  const equal = listedBy(parts.filter(isPlain), ({ widthMm, depthMm }) =>
    [Math.max(widthMm, depthMm), Math.min(widthMm, depthMm)].map((mm) => mm.toFixed(1)).join(' × '),
  );
  return [...equal].flatMap(([key, own]): Batch[] => {
    const { widthMm, depthMm } = own[0]!;
    return own.length > FEW_PARTS
      ? [{ key, longMm: Math.max(widthMm, depthMm), shortMm: Math.min(widthMm, depthMm), partIds: new Set(own.map(({ id }) => id)) }]
      : [];
  });
});

/** Whether equal parts can be cut so: by their thickness and their longer side. */
export const suitsBatch = ({ thickestMm, longestMm }: BatchWay, { longMm }: Batch, thicknessMm: number): boolean =>
  thicknessMm <= (thickestMm ?? Infinity) && longMm <= (longestMm ?? Infinity);

/** How a batch of a job is cut: as the job says, or the usual way where that does not suit it. */
const wayFor = (batch: Batch, { batchWay, thicknessMm }: CutJob, [usual]: Catalogue['batchWays']): BatchWay =>
  suitsBatch(batchWay, batch, thicknessMm) ? batchWay : usual!;

/** Why a way that was chosen is not followed, for whoever chose it: nothing is equal in such numbers any more, or is too long or too thick for it; empty where it is. */
export function unusedWay(job: CutJob, [usual]: Catalogue['batchWays'], system: MeasureSystem): readonly string[] {
  const { batchWay: way, thicknessMm } = job;
  if (way.id === usual!.id) return [];
  const instead = usual!.name.toLowerCase();
  const batches = batchesOf(job.parts);
  if (batches.length === 0) return [`Chosen: ${way.name.toLowerCase()}. No more than ${FEW_PARTS} parts are equal now: ${instead}.`];
  return batches
    .filter((batch) => !suitsBatch(way, batch, thicknessMm))
    .map(({ longMm, shortMm }) => {
      const most =
        thicknessMm > (way.thickestMm ?? Infinity)
          ? `takes up to ${lengthWords(way.thickestMm!, system)} thick`
          : `takes parts up to ${lengthWords(way.longestMm!, system)} long`;
      return `${lengthWords([longMm, shortMm], system)}: ${instead}. “${way.name}” ${most}.`;
    });
}

/** What of one batch lies on one sheet. */
interface OnSheet {
  readonly batch: Batch;
  readonly count: number;
  /** Through cuts that part it from nothing but itself. */
  readonly cuts: readonly ThroughCut[];
}

interface SheetBatches {
  readonly own: readonly OnSheet[];
  /** Cuts that free nothing but equal and rough parts. */
  readonly unmarked: ReadonlySet<ThroughCut>;
}
const onSheet = memoize((sheet: PlacedSheet, kerfMm: number, batches: readonly Batch[], roughIds: ReadonlySet<string>): SheetBatches => {
  const ids = sheet.placements.map(({ blankId }) => blankId);
  const order = cutOrder(sheet, kerfMm);
  const cuts = order?.cuts ?? [];
  const under = partsUnder(cuts, new Set(order?.freed.map(({ blankId }) => blankId)));
  const isUnmarked = (id: string): boolean => roughIds.has(id) || batches.some(({ partIds }) => partIds.has(id));
  const own = batches.flatMap((batch): OnSheet[] => {
    const count = ids.filter((id) => batch.partIds.has(id)).length;
    return count === 0 ? [] : [{ batch, count, cuts: cuts.filter(({ piece }) => under(piece).every((id) => batch.partIds.has(id))) }];
  });
  return { own, unmarked: new Set(cuts.filter(({ piece }) => under(piece).every(isUnmarked))) };
});
const roughIdsOf = memoize(
  (parts: readonly Part[]): ReadonlySet<string> => new Set(parts.filter(({ isRough }) => isRough).map(({ id }) => id)),
);
/** The finished parts that a piece comes apart into. */
function partsUnder(cuts: readonly ThroughCut[], parts: ReadonlySet<string>): (piece: string) => readonly string[] {
  const leaves = new Map(cuts.map(({ piece, leaves: own }) => [piece, own]));
  const known = new Map<string, readonly string[]>();
  const under = (piece: string): readonly string[] => {
    let found = known.get(piece);
    if (found === undefined) {
      const own = (leaves.get(piece) ?? []).flatMap((name) => (name === null ? [] : under(name)));
      found = parts.has(piece) ? [piece, ...own] : own;
      known.set(piece, found);
    }
    return found;
  };
  return under;
}

/** The batches of a sheet: what they take besides the blade's travel, the cuts that need no marking, and the parts. */
export interface BatchWork {
  readonly minutes: readonly Figure<'min'>[];
  readonly unmarked: ReadonlySet<ThroughCut>;
  /** Equal and rough parts. */
  readonly partIds: ReadonlySet<string>;
  /** Cuts within the paces of the batches, however often the blade passes through; and those that are pressed out and no blade travels. */
  readonly pacedMm: number;
  readonly pressedMm: number;
}
const NONE: BatchWork = { minutes: [], unmarked: new Set(), partIds: new Set(), pacedMm: 0, pressedMm: 0 };

/** Set-up once a distance, shared by the sheets; then per cut, and per part, the first passes of the blade within them. @source `walks.md`: paces of squares and strips */
export function batchWork(job: CutJob, index: number, { batchWays }: Catalogue): BatchWork {
  const batches = batchesOf(job.parts);
  const roughIds = roughIdsOf(job.parts);
  if (batches.length + roughIds.size === 0) return NONE;
  const { own, unmarked } = onSheet(job.layout.sheets[index]!, job.kerfMm, batches, roughIds);
  const works = own.map((of) => ({ ...of, way: wayFor(of.batch, job, batchWays) }));
  return {
    minutes: works.map((work) => minutesOf(work, job)),
    unmarked,
    partIds: new Set([...works.flatMap(({ batch }) => [...batch.partIds]), ...roughIds]),
    pacedMm: works.reduce((sum, { way, cuts }) => sum + (way.isPressed ? 0 : lengthOf(cuts)), 0),
    pressedMm: works.reduce((sum, { way, cuts }) => sum + (way.isPressed ? lengthOf(cuts) : 0), 0),
  };
}
const lengthOf = (cuts: readonly ThroughCut[]): number => cuts.reduce((mm, { lengthMm }) => mm + lengthMm, 0);

function minutesOf({ batch, count, cuts, way }: OnSheet & { readonly way: BatchWay }, { name, thicknessMm }: CutJob): Figure<'min'> {
  const what = `${count} equal parts ${batch.key} mm of ${name}`;
  const stacked = Math.max(1, Math.floor((way.stackMm ?? 0) / thicknessMm + 1e-9));
  // Every part is freed by a cut across; what else there is parts strips.
  const strips = Math.max(0, cuts.length - count);
  const settings = batch.longMm - batch.shortMm < 0.05 ? 1 : 2;
  const share = count / batch.partIds.size;
  const settingNote = settings === 1 ? 'one distance for strips and parts' : 'one for the strips, one for the parts';
  const parts: Figure<'min'>[] = [];
  if (way.setUpMin.high > 0)
    parts.push(
      calculate(
        `${what}: set up`,
        'min',
        given('Distances to set', settings * share, '1', 'layout', share < 1 ? `${settingNote}; this sheet’s share` : settingNote),
        '×',
        estimated('Setting one', way.setUpMin, 'min'),
      ),
    );
  if (way.cutMin.high > 0)
    parts.push(
      calculate(
        `${what}: cuts`,
        'min',
        given(
          'Cuts',
          strips + ceilTolerant(count / stacked),
          '1',
          'layout',
          stacked > 1 ? `across ${stacked} strips at a time` : 'one by one',
        ),
        '×',
        estimated('One cut', way.cutMin, 'min'),
      ),
    );
  parts.push(calculate(`${what}: parts`, 'min', given('Parts', count, '1', 'layout'), '×', estimated(way.name, way.partMin, 'min')));
  return total(`${what}: ${way.name.toLowerCase()}`, 'min', parts);
}

/** What the equal parts of a job take by its way, besides the blade's travel. */
export const batchMinutes = (job: CutJob, catalogue: Catalogue): Figure<'min'> =>
  total(
    `${job.name}: equal parts`,
    'min',
    job.layout.sheets.flatMap((_, index) => batchWork(job, index, catalogue).minutes),
  );

/** What is to be bought to press out the batches of a job, a die for each size; null for nothing. */
export function diesFor(job: CutJob, { batchWays }: Catalogue): Figure<'money'> | null {
  const dies = batchesOf(job.parts).flatMap((batch) => {
    const { name, priceMinor } = wayFor(batch, job, batchWays);
    return priceMinor === 0 ? [] : [given(`${name}: ${batch.key} mm`, priceMinor, 'money', 'catalogue', 'example price')];
  });
  return dies.length === 0 ? null : total(`Dies for ${job.name}`, 'money', dies);
}
