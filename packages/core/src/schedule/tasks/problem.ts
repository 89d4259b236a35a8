import type { Run } from '../air';
import { minutesAt } from '../../base/dates';
import { memoize } from '../../base/memory';
import { DAY_MIN, type Figure } from '../../base/units';
import { usualMin } from '../drying';
import type { Hold, Job, Link, Problem } from '../solver';
import { type TaskRun, arrangedTasks } from './arranged';
import { type Bench, Hours, type Never, mayDo, sittingsOf } from './hours/bench';
import type { Step } from './step';

/** A task that can not be done as things are, and why. */
export interface Blocked {
  readonly go: TaskRun;
  readonly why: Never;
}
/** Work as a planner takes it. */
export interface Work {
  readonly goes: readonly TaskRun[];
  readonly stepOf: ReadonlyMap<string, Step>;
  /** Goes that are planned: the job of each stands in the same place. */
  readonly open: readonly TaskRun[];
  readonly done: readonly TaskRun[];
  readonly blocked: readonly Blocked[];
  readonly problem: Problem;
  /** The same with figures read otherwise: how it would come out with other times. */
  readonly problemWith: (valueOf: ValueOf) => Problem;
  /** Names of the stores, in their order. */
  readonly storeNames: readonly string[];
  /** By job, the hours that narrow it; null where none do. */
  readonly why: readonly Never[];
}
export type ValueOf = (figure: Figure<'min'>) => number;
const asTold: ValueOf = ({ value }) => value;
/** Rules that are let go of where nothing else can be planned. */
export interface Relaxed {
  /** Pins that are not kept, longest waits that are not, and tasks that find no time, all by task. */
  readonly pins: ReadonlySet<string>;
  readonly waits: ReadonlySet<string>;
  readonly blocked: ReadonlyMap<string, Never>;
}
export const NOTHING_RELAXED: Relaxed = { pins: new Set(), waits: new Set(), blocked: new Map() };

/** Nothing that is left begins before the plan was made anew from, nor before the last thing that was done: with several people before that was begun. */
function fromWhen(done: readonly TaskRun[], { calendar, people }: Bench): number {
  const anewMin = calendar.notBefore === null ? 0 : minutesAt(calendar.startsOn, calendar.notBefore);
  return done.reduce((latest, { doneMin, workedMin, work }) => {
    return Math.max(latest, people.length > 1 ? doneMin! - (workedMin ?? work.value) : doneMin!);
  }, anewMin);
}

/** Ordered goods come with the post: there is time for them in the evening. */
const POST_MIN = 18 * 60;

/** Steps, people, places and hours as one problem; what can not be done in them, and what would come after that, is left out of it. */
export function workOf(steps: readonly Step[], bench: Bench, relaxed: Relaxed = NOTHING_RELAXED): Work {
  const { calendar, people, kit, places, catalogue } = bench;
  const goes = arrangedTasks(steps, bench);
  const stepOf = byId(steps);
  const horizonMin = horizonFor(goes, steps, bench);
  const hours = new Hours(bench, horizonMin);
  const windows = people.map((person) => sittingsOf(person, calendar, horizonMin));
  const may = new Map(
    steps.map((step) => [step.id, people.map((_, i) => i).filter((i) => windows[i]!.length > 0 && mayDo(people[i]!, step, catalogue))]),
  );
  const openings = goes.map((go) => hours.of(stepOf.get(go.stepId)!, go));

  const blocked = new Map<string, Blocked>();
  goes.forEach((go, i) => {
    if (go.doneMin !== null) return;
    const own = relaxed.blocked.get(go.id) ?? ownNever(go, may.get(go.stepId)!.length, openings[i]!);
    const before = go.after.some(({ taskId }) => blocked.has(taskId));
    const dries = go.after.some(({ taskId, wait }) => taskId !== go.id && usualMin(wait) === Infinity);
    const why = own ?? (before ? 'after' : dries ? 'dries' : null);
    if (why !== null) blocked.set(go.id, { go, why });
  });

  const done = goes.filter(({ doneMin }) => doneMin !== null);
  const open = done.length === 0 && blocked.size === 0 ? goes : goes.filter(({ id, doneMin }) => doneMin === null && !blocked.has(id));
  const doneAt = new Map(done.map(({ id, doneMin }) => [id, doneMin!]));
  const fromMin = fromWhen(done, bench);
  const arrives = new Map(calendar.arrivals.map(({ stockId, day }) => [stockId, minutesAt(calendar.startsOn, { day, atMin: POST_MIN })]));
  const isOpen = new Map(goes.map((go, i) => [go.id, openings[i]!] as const));
  const stepIndex = new Map(steps.map(({ id }, i) => [id, i]));
  const flatStore = new Map(places.map(({ id }, i) => [id, i]));

  const jobOf = (go: TaskRun, valueOf: ValueOf): Job => {
    const step = stepOf.get(go.stepId)!;
    const holds: Hold[] = [];
    const isLying = go.isFlat && (go.spot.lies === 'flat' || step.kind === 'pour');
    if (isLying && go.spot.place.flatPlaces > 0)
      holds.push({ store: flatStore.get(go.spot.place.id)!, amount: 1, afterMin: valueOf(go.touch.stated), pace: go.touch.pace });
    if (go.weights !== null && kit.weightsKg > 0)
      // Where there is less than it wants, it gets all there is.
      holds.push({
        store: places.length,
        amount: Math.min(kit.weightsKg, go.weights.value),
        afterMin: valueOf(go.wait.stated),
        pace: go.wait.pace,
      });
    const ready = go.after.reduce((latest, { taskId, wait }) => {
      const at = doneAt.get(taskId);
      return at === undefined ? latest : Math.max(latest, wait.pace.after(at, wait.stated.value));
    }, fromMin);
    return {
      workMin: valueOf(go.work),
      setUpMin: valueOf(step.setUp),
      family: stepIndex.get(go.stepId)!,
      cureMin: valueOf(go.cure.stated),
      curePace: go.cure.pace,
      hands: Math.min(go.hands, may.get(go.stepId)!.length),
      may: may.get(go.stepId)!,
      holds,
      open: isOpen.get(go.id)!.runs,
      notBeforeMin: Math.max(ready, go.notBeforeMin ?? 0, ...step.asks.stockIds.map((id) => arrives.get(id) ?? 0)),
      pinnedMin: relaxed.pins.has(go.ofTask) ? null : go.pinnedMin,
    };
  };
  const problemWith = (valueOf: ValueOf): Problem => ({
    people: windows.map((own) => ({ windows: own })),
    stores: [...places.map(({ flatPlaces }) => ({ capacity: flatPlaces })), { capacity: kit.weightsKg }],
    jobs: open.map((go) => jobOf(go, valueOf)),
    links: valueOf === asTold ? linksAsTold(open, relaxed.waits) : linksOf(open, relaxed.waits, valueOf),
    horizonMin,
  });
  return {
    goes,
    stepOf,
    open,
    done,
    blocked: [...blocked.values()],
    problem: problemWith(asTold),
    problemWith,
    storeNames: [...places.map(({ name }) => `a flat place in ${name}`), 'weights'],
    why: open.map(({ id }) => isOpen.get(id)!.why),
  };
}

const byId = memoize((steps: readonly Step[]): ReadonlyMap<string, Step> => new Map(steps.map((step) => [step.id, step])));

/** What comes after what: a property of the work, whoever does it and when. @param waits tasks whose longest waits are let go of */
function linksOf(open: readonly TaskRun[], waits: Relaxed['waits'], valueOf: ValueOf): readonly Link[] {
  const indexOf = new Map(open.map(({ id }, i) => [id, i]));
  return open.flatMap((go, to) =>
    go.after.flatMap(({ taskId, wait, most, orAfter }): Link[] => {
      const from = indexOf.get(taskId);
      if (from === undefined) return [];
      const mostMin = most === null || waits.has(go.id) ? Infinity : most.value;
      const orAfterMin = mostMin === Infinity || orAfter === null ? Infinity : orAfter.value;
      return [{ from, to, leastMin: valueOf(wait.stated), mostMin, orAfterMin, pace: wait.pace }];
    }),
  );
}
const linksAsTold = memoize((open: readonly TaskRun[], waits: Relaxed['waits']): readonly Link[] => linksOf(open, waits, asTold));

function ownNever(
  go: TaskRun,
  mayCount: number,
  { runs, why }: { readonly runs: readonly Run[] | null; readonly why: Never },
): Never | null {
  if (mayCount === 0) return 'people';
  if (runs !== null && runs.length === 0) return why;
  return go.pinnedMin === null &&
    runs !== null &&
    !runs.some(({ fromMin, toMin }) => toMin - fromMin >= Math.min(go.work.value, MIN_RUN_MIN))
    ? why
    : null;
}
/** What is longer is broken off. */
const MIN_RUN_MIN = 15;

/** Time enough for all of it one after another, and as much again: a plan that needs more is none. */
function horizonFor(goes: readonly TaskRun[], steps: readonly Step[], { calendar, people, spots }: Bench): number {
  const weekOf = (hours: Bench['calendar']['hours']): number => hours.reduce((sum, { fromMin, toMin }) => sum + toMin - fromMin, 0);
  const weekMin = Math.max(1, ...people.map(({ hours }) => weekOf(hours.length > 0 ? hours : calendar.hours)));
  const setUpOf = new Map(steps.map(({ id, setUp }) => [id, setUp.value]));
  let [workMin, waitMin, latestMin] = [0, 0, calendar.notBefore === null ? 0 : minutesAt(calendar.startsOn, calendar.notBefore)];
  for (const { work, wait, stepId, pinnedMin, notBeforeMin, doneMin, spot } of goes) {
    workMin += work.value + setUpOf.get(stepId)!;
    if (usualMin(wait) < Infinity) waitMin = Math.max(waitMin, usualMin(wait));
    latestMin = Math.max(latestMin, pinnedMin ?? 0, notBeforeMin ?? 0, doneMin ?? 0, spot.course.settledMin);
  }
  for (const { day } of calendar.arrivals) latestMin = Math.max(latestMin, minutesAt(calendar.startsOn, { day, atMin: POST_MIN }));
  for (const room of spots.rooms.values()) latestMin = Math.max(latestMin, room.settledMin);
  // A task that does not fit the rest of an evening leaves it: half of all time at the worst; and no chain of waits is longer than one for every step.
  const weeks = Math.ceil((2 * workMin) / weekMin) + 2;
  return Math.min(MAX_DAYS * DAY_MIN, latestMin + weeks * 7 * DAY_MIN + waitMin * steps.length + calendar.daysOff.length * DAY_MIN);
}
const MAX_DAYS = 1_200;
