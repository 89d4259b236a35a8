import type { Catalogue } from '../catalogue';
import {
  type CutJob,
  type MachineLimit,
  type OutdatedSheet,
  type Part,
  type PartList,
  canCutWith,
  isNew,
  machineLimits,
  proposedSplits,
} from '../cutting';
import type { Ground } from '../ground';
import type { Plan } from '../plan';
import { type Figure, given } from '../units';
import type { Mend } from './mends';
import type { Warning } from './warning';

/** Parts that fit no sheet or do not go into the machine, told before anything is cut, with a split that works. @source craft.md §4 */
export function* cutWarnings(
  plan: Plan,
  ground: Ground,
  jobs: readonly CutJob[],
  { parts }: PartList,
  catalogue: Catalogue,
): Generator<Warning> {
  for (const job of jobs) {
    const tooLarge = job.layout.tooLarge.map((id) => job.parts.find((part) => part.id === id)!);
    yield* oneATile(tooLarge, (part, all) => tooLargeWarning(part, all, plan, ground, job, parts, catalogue));
    const limits = machineLimits(job).filter(({ part }) => !tooLarge.includes(part));
    if (limits.length > 0) yield limitWarning(limits, ground, job, parts, catalogue);
    for (const sheet of job.outdated) yield outdatedWarning(sheet, plan, job);
  }
  yield* unwantedSheets(plan, jobs, catalogue);
}

/** A sheet is cut and cannot be uncut: what changed since is either changed back, or cut again. */
function outdatedWarning({ cutId, partIds }: OutdatedSheet, { cutting }: Plan, job: CutJob): Warning {
  const { number, places } = cutting.cut.find(({ id }) => id === cutId)!;
  const [first] = partIds;
  const name = job.parts.find(({ id }) => id === first)?.name;
  const others = partIds.length - (name === undefined ? 0 : 1);
  const and = others === 0 ? '' : ` and ${others} more`;
  const changed = name === undefined ? `${partIds.length} of its ${places.length} parts are wanted no more` : `${name}${and} changed since`;
  return {
    id: `cut/outdated ${cutId}`,
    code: 'cut/outdated',
    severity: 'care',
    view: 'cuts',
    featureId: job.parts.find(({ id }) => id === first)?.featureId ?? null,
    title: `Sheet ${number} of ${job.name}`,
    text: [`is cut, but ${changed}. What the plan wants now is laid out anew and will be cut again.`],
    mends: [{ code: 'cutting/uncut', cutIds: [cutId], label: 'It is not cut after all' }],
  };
}

/** Sheets that are cut of a material or thickness that nothing is cut from any more. */
function* unwantedSheets({ cutting }: Plan, jobs: readonly CutJob[], catalogue: Catalogue): Generator<Warning> {
  const unwanted = cutting.cut.filter(({ jobKey }) => jobs.every(({ key }) => key !== jobKey));
  for (const jobKey of new Set(unwanted.map((sheet) => sheet.jobKey))) {
    const own = unwanted.filter((sheet) => sheet.jobKey === jobKey);
    const material = catalogue.materials.find(({ id }) => id === jobKey.slice(0, jobKey.lastIndexOf('-')));
    yield {
      id: `cut/unwanted ${jobKey}`,
      code: 'cut/unwanted',
      severity: 'care',
      view: 'cuts',
      featureId: null,
      title: material?.name ?? 'Cut sheets',
      text: [
        `${own.length === 1 ? 'One sheet of it is' : `${own.length} sheets of it are`} cut, and the plan takes none of that thickness any more.`,
      ],
      mends: [{ code: 'cutting/uncut', cutIds: own.map(({ id }) => id), label: 'Forget that' }],
    };
  }
}

/** One warning for all such parts of a tile: its mends split every one of them. */
function* oneATile(parts: readonly Part[], warn: (first: Part, all: readonly Part[]) => Warning): Generator<Warning> {
  for (const tileId of new Set(parts.map((part) => part.tileId))) {
    const own = parts.filter((part) => part.tileId === tileId);
    yield warn(own[0]!, own);
  }
}

const sizeOf = (part: Part): (string | Figure)[] => [
  given('Part, width', part.widthMm, 'mm', 'drawing'),
  ' × ',
  given('Part, depth', part.depthMm, 'mm', 'drawing'),
];

function tooLargeWarning(
  part: Part,
  all: readonly Part[],
  plan: Plan,
  ground: Ground,
  job: CutJob,
  parts: readonly Part[],
  catalogue: Catalogue,
): Warning {
  const largest = job.stock.filter(isNew).sort((a, b) => b.widthMm * b.depthMm - a.widthMm * a.depthMm)[0];
  return {
    id: `cut/too-large ${job.key} ${part.tileId}`,
    code: 'cut/too-large',
    severity: 'stop',
    view: 'cuts',
    featureId: part.featureId,
    title: part.name,
    text:
      largest === undefined
        ? [`No sheet of ${job.name} is stocked. Choose another thickness in Section.`]
        : [
            'measures ',
            ...sizeOf(part),
            `; the largest sheet of ${job.name} takes `,
            given('Largest sheet, width less its trim', largest.widthMm - 2 * largest.trimMm, 'mm', 'catalogue'),
            ' × ',
            given('Largest sheet, depth less its trim', largest.depthMm - 2 * largest.trimMm, 'mm', 'catalogue'),
            ' after trimming.',
          ],
    mends:
      largest === undefined
        ? []
        : [...splitParts(all, ground, job, parts, catalogue), ...splitMends(plan, part.tileId, part.widthMm >= part.depthMm)],
  };
}

const LIMIT_NAMES: Readonly<Record<MachineLimit['what'], string>> = {
  throat: 'the throat',
  fence: 'the fence',
  height: 'the height under the wire',
};

/** One warning for all parts of a job that its tool does not take: one mend does for them all. */
function limitWarning(limits: readonly MachineLimit[], ground: Ground, job: CutJob, parts: readonly Part[], catalogue: Catalogue): Warning {
  const { part, what, limitMm } = limits[0]!;
  const all = limits.map((limit) => limit.part);
  const limit = given(`${job.tool.name}, ${what}`, limitMm, 'mm', 'catalogue', 'workshop default; measure your own');
  const others =
    all.length === 1 ? '' : all.length === 2 ? ' One other part is as large.' : ` ${all.length - 1} other parts are too large as well.`;
  return {
    id: `cut/${what} ${job.key}`,
    code: `cut/${what}`,
    severity: 'stop',
    view: 'cuts',
    featureId: part.featureId,
    title: part.name,
    text:
      what === 'height'
        ? ['is ', given('Thickness', job.thicknessMm, 'mm', 'plan'), ` thick; ${job.tool.name.toLowerCase()} takes `, limit, `.${others}`]
        : [
            'measures ',
            ...sizeOf(part),
            `; at its narrower side ${LIMIT_NAMES[what]} of ${job.tool.name.toLowerCase()} takes `,
            limit,
            `.${others}`,
          ],
    mends: [...otherTools(job, all), ...(what === 'height' ? [] : splitParts(all, ground, job, parts, catalogue))],
  };
}

/** Tools of the material that take all these parts. */
const otherTools = (job: CutJob, all: readonly Part[]): Mend[] =>
  job.tools
    .filter((tool) => tool !== job.tool && machineLimits({ ...job, tool, parts: all }).length === 0)
    .map((tool) => ({ code: 'cutting/tool', jobKey: job.key, toolId: tool.id, label: `Cut it with ${tool.name.toLowerCase()}` }));

/** Splits of every one of the parts, as one mend. */
function splitParts(all: readonly Part[], ground: Ground, job: CutJob, parts: readonly Part[], catalogue: Catalogue): Mend[] {
  const splits = all.map((part) => proposedSplits(part, canCutWith(job, part, job.tool), parts, ground, catalogue));
  if (splits.some((own) => own.length === 0)) return [];
  const counts = new Set(splits.map((own) => (own.length === 1 ? own[0]!.atMm.length + 1 : 0)));
  const pieces = counts.size === 1 && !counts.has(0) ? [...counts][0]! : null;
  const what = all.length === 1 ? 'it' : 'them';
  return [
    {
      code: 'part/split',
      splits: splits.flat(),
      label: pieces === null ? `Split ${what} into pieces that fit` : `Split ${what} in ${pieces}`,
    },
  ];
}

function splitMends(plan: Plan, tileId: string, isWide: boolean): Mend[] {
  const column = tileId.charCodeAt(0) - 65;
  const row = Number(tileId.slice(1)) - 1;
  const split = (along: 'columns' | 'rows', index: number): Mend => ({
    code: 'tiles/split',
    along,
    index,
    into: 2,
    label: along === 'columns' ? `Make two tiles of column ${tileId[0]}` : `Make two tiles of row ${row + 1}`,
  });
  const { columnWidthsMm, rowDepthsMm } = plan.table;
  const mends = [
    ...(columnWidthsMm.length < 12 ? [split('columns', column)] : []),
    ...(rowDepthsMm.length < 12 ? [split('rows', row)] : []),
  ];
  return isWide ? mends : mends.reverse();
}
