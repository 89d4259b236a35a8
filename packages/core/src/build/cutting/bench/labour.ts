import { memoize } from '../../../base/memory';
import { type BatchWay, type Catalogue, type Material, type Tool, estimated, materialBy } from '../../../catalogue';
import { innerEdgeMm } from '../../../base/geometry';
import { type Figure, given, inMetres, calculate, total, ceilTolerant } from '../../../base/units';
import { type PlacedSheet, cutOrder } from '../nesting';
import { type BatchWork, batchWork, batchesOf, diesFor, suitsBatch } from './batches';
import type { CutJob } from '../job';
import type { Part } from '../parts';

/** What it takes to cut one sheet. */
export interface SheetLabour {
  readonly length: Figure<'m'>;
  readonly minutes: Figure<'min'>;
  /** Snap-off edges spent; null for a tool that spends none. */
  readonly edges: Figure<'1'> | null;
  /** What a shop asks for the cuts; null at one's own bench. */
  readonly shop: Figure<'money'> | null;
}

/** Sides of a part that are marked where straight-through cuts do not free it. */
const SIDES = 4;

/** Passes through a thickness: one guiding score, then cuts of a stated depth; one for what cuts all of it at once. @source craft.md §4 */
export function passesThrough(material: Material, tool: Tool, thicknessMm: number): number {
  if (tool.isOnePass) return 1;
  const afterScore = Math.max(0, thicknessMm - material.scoreMm);
  return (material.scoreMm > 0 ? 1 : 0) + ceilTolerant(afterScore / material.passMm);
}

/** {@link passesThrough} as a figure. */
export function passes(material: Material, tool: Tool, thicknessMm: number): Figure<'1'> {
  const note = tool.isOnePass
    ? `${tool.name} cuts through in one pass`
    : material.scoreMm > 0
      ? `a score of ${material.scoreMm} mm, then ${material.passMm} mm a pass`
      : `${material.passMm} mm a pass`;
  return given(`Passes through ${thicknessMm} mm of ${material.name}`, passesThrough(material, tool, thicknessMm), '1', 'catalogue', note);
}

/** The work on one sheet: straight-through cuts and the outlines within them × passes ÷ speed, and a marked line for every cut; batches of equal parts by their own way. */
export function sheetLabour(job: CutJob, index: number, catalogue: Catalogue): SheetLabour {
  const sheet = job.layout.sheets[index]!;
  const name = `${job.name}, sheet ${index + 1}`;
  const material = materialBy(catalogue, job.materialId);
  const parts = partsOn(job, sheet);
  const batched = batchWork(job, index, catalogue);
  const cuts = straightCuts(sheet, job, batched);
  const straight = given(`${name}: straight cuts`, cuts.mm, 'mm', 'layout', `${cuts.count} cuts`);
  const round = cuts.isRound ? 0 : parts.reduce((sum, part) => sum + outlineMm(part), 0);
  const line =
    round === 0
      ? straight
      : calculate(`${name}: all cuts`, 'mm', straight, '+', given(`${name}: outlines that are not straight`, round, 'mm', 'drawing'));
  const length = inMetres(line);
  const travel = calculate(`${name}: blade travel`, 'm', length, '×', job.passes);
  const paced = pacedTravel(name, batched, job);
  const timed = paced === null ? travel : calculate(`${name}: blade travel on its own time`, 'm', travel, '−', paced);
  const cutting = calculate(`${name}: cutting`, 'min', timed, '÷', estimated(`${job.tool.name}, a pass`, job.tool.mPerMin, 'm/min'));
  const lines = given(`${name}: lines to mark`, cuts.marked, '1', 'layout', 'one a cut');
  const marking = calculate(`${name}: marking`, 'min', lines, '×', estimated('A marked line', catalogue.bench.markingMinPerLine, 'min'));
  const counted = given(`${name}: cuts`, cuts.count, '1', 'layout');
  const price = given('A cut at the shop', job.tool.perCutMinor, 'money', 'catalogue', 'example price');
  return {
    length,
    minutes: batched.minutes.reduce<Figure<'min'>>(
      (sum, own) => calculate(`${name}: marking and cutting`, 'min', sum, '+', own),
      calculate(`${name}: marking and cutting`, 'min', cutting, '+', marking),
    ),
    edges: job.tool.spendsEdges
      ? calculate(
          `${name}: fresh edges`,
          '1',
          travel,
          '⌈÷⌉',
          given(`A fresh edge lasts in ${material.name}`, material.edgeLifeM, 'm', 'catalogue', 'our default value'),
        )
      : null,
    shop: job.tool.perCutMinor > 0 ? calculate(`${name}: the shop's cuts`, 'money', counted, '×', price) : null,
  };
}

interface LabourInputs {
  readonly jobs: readonly CutJob[];
  readonly catalogue: Catalogue;
}

/** Minutes of every part of every job: its share of the work on its sheet, by the length round it; a part on no sheet is reckoned on its own. */
export const minutesByPart = ({ jobs, catalogue }: LabourInputs): ReadonlyMap<string, Figure<'min'>> =>
  new Map(jobs.flatMap((job) => [...minutesOf(job, catalogue)]));

const minutesOf = memoize((job: CutJob, catalogue: Catalogue): ReadonlyMap<string, Figure<'min'>> => {
  const minutes = new Map<string, Figure<'min'>>();
  job.layout.sheets.forEach((sheet, index) => {
    const work = sheetLabour(job, index, catalogue);
    const parts = partsOn(job, sheet);
    const allMm = parts.reduce((sum, part) => sum + part.cutMm, 0);
    for (const part of parts) {
      const share = given(`${part.name}: share of its sheet`, part.cutMm / allMm, '1', 'layout', 'by the length round it');
      minutes.set(part.id, calculate(`${part.name}, cutting`, 'min', work.minutes, '×', share));
    }
  });
  for (const id of job.layout.tooLarge) {
    const part = job.parts.find((one) => one.id === id)!;
    const travel = calculate(
      `${part.name}, blade travel`,
      'm',
      inMetres(given(`${part.name}, round the part`, part.cutMm, 'mm', 'drawing')),
      '×',
      job.passes,
    );
    minutes.set(
      id,
      calculate(`${part.name}, cutting`, 'min', travel, '÷', estimated(`${job.tool.name}, a pass`, job.tool.mPerMin, 'm/min')),
    );
  }
  return minutes;
});

/** What cutting costs besides sheets: the shop's cuts, and dies bought for equal parts. */
export function shopCuts({ jobs, catalogue }: LabourInputs): Figure<'money'> | null {
  const cuts = jobs
    .filter(({ tool }) => tool.perCutMinor > 0)
    .flatMap((job) => job.layout.sheets.map((_, i) => sheetLabour(job, i, catalogue).shop!));
  const dies = jobs.flatMap((job) => diesFor(job, catalogue) ?? []);
  if (cuts.length + dies.length === 0) return null;
  const label = dies.length === 0 ? 'Cuts at the shop' : cuts.length === 0 ? 'Dies for equal parts' : 'Cuts at the shop, and dies';
  return total(label, 'money', [...cuts, ...dies]);
}

const partsOn = (job: CutJob, sheet: PlacedSheet): readonly Part[] => {
  const byId = partsById(job.parts);
  return sheet.placements.map(({ blankId }) => byId.get(blankId)!);
};
const partsById = memoize((parts: readonly Part[]): ReadonlyMap<string, Part> => new Map(parts.map((part) => [part.id, part])));

/** Passes that are within the pace of a batch: of thin stock, all. */
const PACED_PASSES = 3;
function pacedTravel(name: string, { pacedMm }: BatchWork, { passes: { value } }: CutJob): Figure<'m'> | null {
  if (pacedMm === 0) return null;
  const within = given('Passes within the pace', Math.min(PACED_PASSES, value), '1', 'catalogue', 'more are only needed in thick stock');
  return calculate(
    `${name}: travel within the pace of equal parts`,
    'm',
    inMetres(given('Their cuts', pacedMm, 'mm', 'layout')),
    '×',
    within,
  );
}

interface StraightCuts {
  readonly count: number;
  /** Those of them that are marked first: all but the cuts through equal parts. */
  readonly marked: number;
  readonly mm: number;
  readonly isRound: boolean;
}
/** Cuts that free the parts: through cuts in order; where there are none, round every outline with a wire, round every box with a blade. */
function straightCuts(sheet: PlacedSheet, job: CutJob, batched: BatchWork): StraightCuts {
  const order = cutOrder(sheet, job.kerfMm);
  if (order !== null) {
    const mm = order.cuts.reduce((sum, { lengthMm }) => sum + lengthMm, 0) - batched.pressedMm;
    return { count: order.cuts.length, marked: order.cuts.filter((cut) => !batched.unmarked.has(cut)).length, mm, isRound: false };
  }
  const parts = partsOn(job, sheet);
  const single = parts.filter(({ id }) => !batched.partIds.has(id)).length;
  if (job.tool.cuts === 'free')
    return { count: parts.length, marked: single, mm: parts.reduce((sum, { cutMm }) => sum + cutMm, 0), isRound: true };
  const round = sheet.placements.reduce((sum, { widthMm, depthMm }) => sum + 2 * (widthMm + depthMm), 0);
  return { count: parts.length * SIDES, marked: single * SIDES, mm: round, isRound: false };
}

/** Each way in which equal parts of a job can be cut, with the minutes the whole job then takes; none for a job without any. */
export function waysToBatch(job: CutJob, catalogue: Catalogue): readonly { readonly way: BatchWay; readonly minutes: Figure<'min'> }[] {
  const batches = batchesOf(job.parts);
  return catalogue.batchWays
    .filter((way) => batches.some((batch) => suitsBatch(way, batch, job.thicknessMm)))
    .map((way) => ({ way, minutes: jobMinutes({ ...job, batchWay: way }, catalogue) }));
}
/** All sheets of a job marked and cut. */
export const jobMinutes = (job: CutJob, catalogue: Catalogue): Figure<'min'> =>
  total(
    `${job.name}: marking and cutting`,
    'min',
    job.layout.sheets.map((_, index) => sheetLabour(job, index, catalogue).minutes),
  );

/** What is left to cut once the box of a part is free. */
const outlineMm = ({ outline, widthMm, depthMm }: Part): number =>
  innerEdgeMm(outline, { left: 0, top: 0, right: widthMm, bottom: depthMm });
