import type { Figure } from '../../base/units';
import { type Box, type Region, boxRegion } from '../../base/geometry';
import { type Catalogue, type Guide, adhesiveBy } from '../../catalogue';
import { type CutJob, isCut } from '../../build/cutting/job';
import { type Slot, type Step, realWait } from '../tasks';
import type { Mix } from '../../finishing/mixes';
import type { StandingPiece } from '../../build/pieces';
import type { Plan } from '../../plan';
import type { Timer, TimerWanted } from '../bench';
import { type Usage, type UsageInputs, usageFor } from './usage';

/** A sheet that parts of a workpiece are cut from. */
export interface SheetToCut {
  readonly jobKey: string;
  /** Its place in the layout of its job. */
  readonly index: number;
  readonly name: string;
  readonly number: number;
  readonly parts: number;
  readonly isCut: boolean;
}
/** Where on its workpiece a move is made: at true places on the table. */
export interface BenchTaskDrawing {
  readonly box: Box;
  /** Everything of note there, so that one knows which way round it lies. */
  readonly faint: readonly Region[];
  readonly marked: readonly Region[];
}
/** One move as it is shown at the bench. */
export interface BenchTaskDetail {
  readonly taskId: string;
  readonly does: Step['does'];
  readonly placeName: string;
  readonly takes: readonly Usage[];
  readonly mixes: readonly Mix[];
  readonly tools: readonly string[];
  readonly sheets: readonly SheetToCut[];
  readonly hands: number;
  readonly weights: Figure<'kg'> | null;
  readonly cautions: readonly { readonly id: string; readonly name: string; readonly text: string }[];
  readonly guide: Guide | null;
  /** Nothing of the sort was done on this board yet. */
  readonly isFirst: boolean;
  readonly timers: readonly TimerWanted[];
  readonly drawing: BenchTaskDrawing | null;
}

interface DetailInputs extends UsageInputs {
  readonly plan: Pick<Plan, 'wears' | 'calendar'>;
  readonly slots: readonly Slot[];
  readonly jobs: readonly CutJob[];
  readonly standing: readonly StandingPiece[];
}

/** All that is wanted to make one move; null for a task that the plan does not have, or that is done. */
export function detailOf(taskId: string, inputs: DetailInputs): BenchTaskDetail | null {
  const { slots, steps, catalogue, jobs, plan } = inputs;
  const slot = slots.find(({ task }) => task.id === taskId);
  if (slot === undefined) return null;
  const { task } = slot;
  const step = steps.find(({ id }) => id === task.stepId)!;
  const doesOf = new Map(steps.map(({ id, does }) => [id, does]));
  const { takes, mixes, needs } = usageFor(task, inputs);
  const cut = step.does === 'cut' ? sheetsFor(task.workpieceId, step.id, jobs) : { sheets: [], tools: [] };
  return {
    taskId,
    does: step.does,
    placeName: task.spot.place.name,
    takes,
    mixes,
    tools: cut.tools,
    sheets: cut.sheets,
    hands: task.hands,
    weights: task.weights,
    cautions: [...new Set(step.asks.cautionIds)].flatMap((id) =>
      catalogue.cautions.filter((one) => one.id === id).map(({ name, text }) => ({ id, name, text })),
    ),
    guide: catalogue.guides.find(({ does }) => does === step.does) ?? null,
    isFirst: !slots.some(({ task: other, because }) => because.kind === 'done' && doesOf.get(other.stepId) === step.does),
    timers: timersFor(slot, step, mixes, plan.calendar.startsOn, catalogue),
    drawing: drawingOf(task.workpieceId, step, new Set(needs.map(({ surfaceId }) => surfaceId)), inputs),
  };
}

/** What the task is watched by: a pot that sets, glue that skins over, weights that lie, a coat that dries and is looked after. */
function timersFor(
  { task, endMin }: Slot,
  { asks, does }: Step,
  mixes: readonly Mix[],
  startsOn: string,
  catalogue: Catalogue,
): readonly TimerWanted[] {
  const wanted: TimerWanted[] = [];
  const want = (use: Timer['use'], name: string, min: number | null | undefined, everyMin: number | null = null): void => {
    if (min != null && Number.isFinite(min) && min >= 1) wanted.push({ use, name, min: Math.round(min), everyMin });
  };
  for (const { name, potLife } of mixes) want('pot', `Pot life: ${name}`, potLife?.value);
  if (does === 'glue' || does === 'fix' || does === 'assemble')
    for (const adhesive of asks.stockIds.flatMap((id) => catalogue.adhesives.filter((one) => one.id === id)))
      want('open', `Open time: ${adhesiveBy(catalogue, adhesive.id).name}`, adhesive.openMin);
  const tended = catalogue.coatings.find(({ id, tended: own }) => own !== null && asks.stockIds.includes(id))?.tended;
  if (tended != null) want('calls', `${tended.what}: ${task.work.label}`, tended.forMin, tended.everyMin);
  const touch = realWait(task.touch, endMin, startsOn)?.value;
  const wait = realWait(task.wait, endMin, startsOn)?.value;
  if (task.weights !== null) want('weights', `Weights off: ${task.work.label}`, wait);
  else {
    if (touch !== wait) want('touch', `Touch-dry: ${task.work.label}`, touch);
    want('recoat', `Dry for the next coat: ${task.work.label}`, wait);
  }
  return wanted;
}

const STAGE_OF: Readonly<Record<string, readonly string[]>> = {
  'cut-base': ['base', 'rim'],
  'cut-raised': ['raised'],
  'cut-facing': ['facing'],
  'cut-piece': ['piece'],
};
function sheetsFor(workpieceId: string, stepId: string, jobs: readonly CutJob[]): Pick<BenchTaskDetail, 'sheets' | 'tools'> {
  const stages = STAGE_OF[stepId] ?? [];
  const sheets: SheetToCut[] = [];
  const tools = new Set<string>();
  for (const job of jobs) {
    const own = new Set(job.parts.filter((part) => part.workpieceId === workpieceId && stages.includes(part.stage)).map(({ id }) => id));
    if (own.size === 0) continue;
    tools.add(job.tool.name);
    job.layout.sheets.forEach((sheet, i) => {
      const parts = sheet.placements.filter(({ blankId }) => own.has(blankId)).length;
      if (parts > 0)
        sheets.push({ jobKey: job.key, index: i, name: job.name, number: sheet.cut?.number ?? i + 1, parts, isCut: isCut(sheet) });
    });
  }
  return { sheets, tools: [...tools] };
}

function drawingOf(
  workpieceId: string,
  { id: stepId, does }: Step,
  surfaceIds: ReadonlySet<string>,
  inputs: DetailInputs,
): BenchTaskDrawing | null {
  const { ground, standing, plan } = inputs;
  const tile = ground.tiles.find(({ id }) => id === workpieceId);
  if (tile === undefined) {
    const stands = standing.filter(({ pieceId }) => pieceId === workpieceId);
    const [first] = stands;
    if (first === undefined) return null;
    const home = ground.tiles.find(({ box }) => isIn(first.rings[0]?.[0], box));
    return home === undefined ? null : { box: home.box, faint: [], marked: stands.filter(({ rings }) => isIn(rings[0]?.[0], home.box)) };
  }
  const lands = ground.onTile.get(workpieceId) ?? [];
  const faint = lands.flatMap(({ shows, body }) => [shows, body].filter(({ rings }) => rings.length > 0).slice(0, 1));
  const wears = (one: (typeof lands)[number]): string | null =>
    one.land.zone === null ? null : (one.land.feature.surfaceId ?? plan.wears[one.land.zone]);
  if (surfaceIds.size > 0) {
    const isOpen = surfaceIds.has(plan.wears.open);
    const marked = lands.filter((one) => surfaceIds.has(wears(one) ?? '')).map(({ shows }) => shows);
    return { box: tile.box, faint, marked: isOpen ? [boxRegion(tile.box), ...marked] : marked };
  }
  const raised = stepId.endsWith('raised') ? lands.filter(({ land }) => land.role === 'mass') : [];
  if (raised.length > 0) return { box: tile.box, faint, marked: raised.map(({ body }) => body) };
  const stands = standing.filter(({ rings }) => isIn(rings[0]?.[0], tile.box));
  if (does === 'fix') return { box: tile.box, faint, marked: stands };
  if (does === 'carve') return { box: tile.box, faint, marked: lands.filter(({ land }) => land.role === 'hole').map(({ body }) => body) };
  return { box: tile.box, faint, marked: [boxRegion(tile.box)] };
}
const isIn = (point: { readonly x: number; readonly y: number } | undefined, { left, top, right, bottom }: Box): boolean =>
  point !== undefined && point.x >= left && point.x <= right && point.y >= top && point.y <= bottom;
