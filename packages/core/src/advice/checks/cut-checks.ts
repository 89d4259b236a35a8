import type { CutSheet } from '../../plan/workshop';
import { listedBy } from '../../base/grouping';
import { jobKey } from '../../build/cutting';
import { LIMITS } from '../../plan/fields';
import { type Ground, columnLetter } from '../../terrain/ground';
import type { Catalogue } from '../../catalogue';
import type { CutJob, OutdatedSheet } from '../../build/cutting/job';
import { type BeyondTool, batchMinutes, batchesOf, canCutWith, beyondTool, waysToBatch } from '../../build/cutting/bench';
import { type Part, proposedSplits } from '../../build/cutting/parts';
import { isNew, roomOf } from '../../build/cutting/nesting';
import type { Plan } from '../../plan';
import { type Figure, given } from '../../base/units';
import type { QuickFix, Warning } from './warning';

interface Inputs {
  readonly table: Plan['table'];
  readonly ground: Ground;
  readonly parts: readonly Part[];
  readonly jobs: readonly CutJob[];
  readonly cutSheets: readonly CutSheet[];
  readonly catalogue: Catalogue;
}

/** Sheets that were ticked off by mistake, or are wanted no more. */
const notCut = (cutIds: readonly string[]): QuickFix['edit'] => ({ code: 'sheet/uncut', cutIds, layout: null, jobKeys: [] });

/** Parts that fit no sheet or do not go into the machine, told before anything is cut, with a split that works. @source craft.md §4 */
export function* cutWarnings(inputs: Inputs): Generator<Warning> {
  const { jobs } = inputs;
  for (const job of jobs) {
    const tooLarge = job.layout.tooLarge.map((id) => job.parts.find((part) => part.id === id)!);
    yield* oneATile(tooLarge, (part, all) => tooLargeWarning(part, all, job, inputs));
    const limits = beyondTool(job).filter(({ part }) => !tooLarge.includes(part));
    if (limits.length > 0) yield limitWarning(limits, job, inputs);
    yield* slowBatches(job, inputs);
    for (const sheet of job.outdated) yield outdatedWarning(sheet, job, inputs);
  }
  yield* unwantedSheets(inputs);
}

/** Many equal parts that another way would cut in a third of the time, without anything bought for it. */
function* slowBatches(job: CutJob, { catalogue }: Inputs): Generator<Warning> {
  const batches = batchesOf(job.parts);
  if (batches.length === 0) return;
  const own = batchMinutes(job, catalogue);
  const [best] = waysToBatch(job, catalogue)
    .filter(({ way }) => way.priceMinor === 0 && way !== job.batchWay)
    .map(({ way }) => ({ way, minutes: batchMinutes({ ...job, batchWay: way }, catalogue) }))
    .sort((a, b) => a.minutes.value - b.minutes.value);
  if (best === undefined || own.value < best.minutes.value * MUCH_FASTER) return;
  yield {
    id: `cut/slow ${job.key}`,
    code: 'cut/slow',
    severity: 'care',
    featureId: null,
    title: job.name,
    text: [
      `${batches.reduce((sum, { partIds }) => sum + partIds.size, 0)} equal parts, ${job.batchWay.name.toLowerCase()}, take `,
      own,
      `. ${best.way.name}: `,
      best.minutes,
      '.',
    ],
    mends: [{ edit: { code: 'cutting/batch', jobKey: job.key, wayId: best.way.id }, label: best.way.name }],
  };
}
/** Less is not worth setting anything up. */
const MUCH_FASTER = 3;

/** A sheet is cut and cannot be uncut: what changed since is either changed back, or cut again. */
function outdatedWarning({ cutId, partIds }: OutdatedSheet, job: CutJob, { cutSheets }: Inputs): Warning {
  const { number, places } = cutSheets.find(({ id }) => id === cutId)!;
  const [first] = partIds;
  const name = job.parts.find(({ id }) => id === first)?.name;
  const others = partIds.length - (name === undefined ? 0 : 1);
  const and = others === 0 ? '' : ` and ${others} more`;
  const changed =
    name === undefined ? `${partIds.length} of its ${places.length} parts are no longer needed` : `${name}${and} changed since`;
  return {
    id: `cut/outdated ${cutId}`,
    code: 'cut/outdated',
    severity: 'care',
    featureId: job.parts.find(({ id }) => id === first)?.featureId ?? null,
    title: `Sheet ${number} of ${job.name}`,
    text: [`is cut, but ${changed}. The parts needed now are in a new layout and must be cut again.`],
    mends: [{ edit: notCut([cutId]), label: 'Mark as not cut' }],
  };
}

/** Sheets that are cut of a material or thickness that nothing is cut from any more. */
function* unwantedSheets({ cutSheets, jobs, catalogue }: Inputs): Generator<Warning> {
  const wanted = new Set(jobs.map(({ key }) => key));
  for (const [key, own] of listedBy(cutSheets, ({ materialId, thicknessMm }) => jobKey(materialId, thicknessMm))) {
    if (wanted.has(key)) continue;
    const material = catalogue.materials.find(({ id }) => id === own[0]!.materialId);
    yield {
      id: `cut/unwanted ${key}`,
      code: 'cut/unwanted',
      severity: 'care',
      featureId: null,
      title: material?.name ?? 'Cut sheets',
      text: [
        `${own.length === 1 ? 'One sheet of it is' : `${own.length} sheets of it are`} cut, but the plan no longer uses this thickness.`,
      ],
      mends: [{ edit: notCut(own.map(({ id }) => id)), label: 'Mark as not cut' }],
    };
  }
}

/** One warning for all such parts of a tile: its mends split every one of them. */
function* oneATile(parts: readonly Part[], warn: (first: Part, all: readonly Part[]) => Warning): Generator<Warning> {
  for (const own of listedBy(parts, ({ workpieceId }) => workpieceId).values()) yield warn(own[0]!, own);
}

const sizeOf = (part: Part): (string | Figure)[] => [
  given('Part, width', part.widthMm, 'mm', 'drawing'),
  ' × ',
  given('Part, depth', part.depthMm, 'mm', 'drawing'),
];

function tooLargeWarning(part: Part, all: readonly Part[], job: CutJob, inputs: Inputs): Warning {
  const largest = job.stock.filter(isNew).sort((a, b) => b.widthMm * b.depthMm - a.widthMm * a.depthMm)[0];
  return {
    id: `cut/too-large ${job.key} ${part.workpieceId}`,
    code: 'cut/too-large',
    severity: 'stop',
    featureId: part.featureId,
    title: part.name,
    text:
      largest === undefined
        ? [`No sheet of ${job.name} is stocked. Choose another thickness in Section.`]
        : [
            'measures ',
            ...sizeOf(part),
            `; the largest sheet of ${job.name} holds `,
            given('Largest sheet, width less its trim', roomOf(largest, 0).w, 'mm', 'catalogue'),
            ' × ',
            given('Largest sheet, depth less its trim', roomOf(largest, 0).h, 'mm', 'catalogue'),
            ' after trimming.',
          ],
    mends: largest === undefined ? [] : [...splitParts(all, job, inputs), ...tileMends(part, inputs)],
  };
}

const LIMIT_NAMES: Readonly<Record<BeyondTool['what'], string>> = {
  throat: 'the throat',
  fence: 'the fence',
  height: 'the height under the wire',
};

/** One warning for all parts of a job that its tool does not take: one mend does for them all. */
function limitWarning(limits: readonly BeyondTool[], job: CutJob, inputs: Inputs): Warning {
  const { part, what, limitMm } = limits[0]!;
  const all = limits.map((limit) => limit.part);
  const limit = given(`${job.tool.name}, ${what}`, limitMm, 'mm', 'catalogue', 'our default value; measure your own');
  const others =
    all.length === 1 ? '' : all.length === 2 ? ' One other part is as large.' : ` ${all.length - 1} other parts are too large as well.`;
  return {
    id: `cut/${what} ${job.key}`,
    code: `cut/${what}`,
    severity: 'stop',
    featureId: part.featureId,
    title: part.name,
    text:
      what === 'height'
        ? ['is ', given('Thickness', job.thicknessMm, 'mm', 'plan'), ` thick; ${job.tool.name.toLowerCase()} takes `, limit, `.${others}`]
        : [
            'measures ',
            ...sizeOf(part),
            `; on its narrower side, ${LIMIT_NAMES[what]} of ${job.tool.name.toLowerCase()} allows `,
            limit,
            `.${others}`,
          ],
    mends: [...otherTools(job, all), ...(what === 'height' ? [] : splitParts(all, job, inputs))],
  };
}

/** Tools of the material that take all these parts. */
const otherTools = (job: CutJob, all: readonly Part[]): QuickFix[] =>
  job.tools
    .filter((tool) => tool !== job.tool && beyondTool({ ...job, tool, parts: all }).length === 0)
    .map((tool) => ({
      edit: { code: 'cutting/tool', jobKey: job.key, toolId: tool.id, kerfMm: null },
      label: `Cut it with ${tool.name.toLowerCase()}`,
    }));

/** Splits of every one of the parts, as one mend. */
function splitParts(all: readonly Part[], job: CutJob, { parts, ground, catalogue }: Inputs): QuickFix[] {
  const splits = all.map((part) => proposedSplits(part, canCutWith(job, part, job.tool), { parts, ground, catalogue }));
  if (splits.some((own) => own.length === 0)) return [];
  const counts = new Set(splits.map((own) => (own.length === 1 ? own[0]!.atMm.length + 1 : 0)));
  const pieces = counts.size === 1 && !counts.has(0) ? [...counts][0]! : null;
  const what = all.length === 1 ? 'it' : 'them';
  return [
    {
      edit: { code: 'part/split', splits: splits.flat() },
      label: pieces === null ? `Split ${what} into pieces that fit` : `Split ${what} in ${pieces}`,
    },
  ];
}

/** Two tiles made of the column or the row that a part is too large for, its longer side first. */
function tileMends(part: Part, { table, ground }: Inputs): QuickFix[] {
  const tile = ground.tiles.find(({ id }) => id === part.workpieceId);
  if (tile === undefined) return [];
  const divide = (side: 'columnWidthsMm' | 'rowDepthsMm', index: number, label: string): QuickFix[] =>
    table[side].length < LIMITS.tilesAlong.max ? [{ edit: { code: 'table/divide', side, index, into: 2 }, label }] : [];
  const mends = [
    ...divide('columnWidthsMm', tile.column, `Make two tiles of column ${columnLetter(tile.column)}`),
    ...divide('rowDepthsMm', tile.row, `Make two tiles of row ${tile.row + 1}`),
  ];
  return part.widthMm >= part.depthMm ? mends : mends.reverse();
}
