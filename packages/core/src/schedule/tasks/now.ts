import { DAY_MIN } from '../../base/units';
import { usualMin } from '../drying';
import type { Slot } from './schedule';
import type { Step } from './step';

/** What to do with some minutes that are there now. */
export interface NowChoice {
  readonly taskIds: readonly string[];
  /** With what is set up for them. */
  readonly workMin: number;
  /** How long what was done dries by itself then, all added up. */
  readonly dryingMin: number;
}
interface Ready {
  readonly id: string;
  readonly stepId: string;
  readonly workMin: number;
  readonly dryingMin: number;
  /** The less of it, the sooner it is missed. */
  readonly slackMin: number;
}

/** Drying longer than this counts as this: a cure of a week is not worth seven coats of a day. */
const MAX_DRYING_MIN = 2 * DAY_MIN;

/** Tasks that could be begun at a time: all that they come after is done, or will be dry by then, as it is planned. */
function readyAt(slots: readonly Slot[], nowMin: number): readonly Ready[] {
  const byId = new Map(slots.map((slot) => [slot.task.id, slot]));
  return slots.flatMap(({ task, because, startMin, slackMin }) => {
    if (because.kind === 'done' || startMin < nowMin) return [];
    const isReady = task.after.every(({ taskId, wait }) => {
      const before = byId.get(taskId);
      return before === undefined || (before.endMin <= nowMin && wait.pace.after(before.endMin, wait.stated.value) <= nowMin);
    });
    if (!isReady) return [];
    return [
      { id: task.id, stepId: task.stepId, workMin: task.work.value, dryingMin: Math.min(MAX_DRYING_MIN, usualMin(task.wait)), slackMin },
    ];
  });
}

/**
 * The best set of ready tasks for some minutes: what leaves the most drying under way, of those what is most urgent, with one set-up for each step among them. Exact to the minute.
 * @source craft.md §9: I have N minutes now
 */
export function bestNow(slots: readonly Slot[], steps: readonly Step[], nowMin: number, haveMin: number): NowChoice {
  const size = Math.max(0, Math.floor(haveMin));
  const setUpOf = new Map(steps.map(({ id, setUp }) => [id, setUp.value]));
  const families = new Map<string, Ready[]>();
  for (const one of readyAt(slots, nowMin)) families.set(one.stepId, [...(families.get(one.stepId) ?? []), one]);
  interface Best {
    readonly value: number;
    readonly ids: readonly string[];
  }
  const nothing: Best = { value: 0, ids: [] };
  let best: (Best | null)[] = Array.from({ length: size + 1 }, () => nothing);
  for (const [stepId, own] of families) {
    const setUp = Math.ceil(setUpOf.get(stepId) ?? 0);
    // With the step set up: by minutes used of what is there.
    let within: (Best | null)[] = best.map((_, min) => (min >= setUp ? best[min - setUp]! : null));
    for (const { id, workMin, dryingMin, slackMin } of own) {
      const takes = Math.max(1, Math.ceil(workMin - 1e-6));
      // Work itself counts a little, and what is urgent a little more than that.
      const worth = dryingMin + 0.1 * workMin + 1 / (1 + slackMin / 60);
      within = within.map((without, min) => {
        const before = min >= takes ? within[min - takes]! : null;
        if (before === null) return without;
        const value = before.value + worth;
        return without === null || value > without.value ? { value, ids: [...before.ids, id] } : without;
      });
    }
    best = best.map((without, min) => {
      const made = within[min]!;
      return made !== null && made.value > without!.value ? made : without;
    });
  }
  const { ids } = best[size]!;
  const chosen = readyAt(slots, nowMin).filter(({ id }) => ids.includes(id));
  const setUps = new Set(chosen.map(({ stepId }) => stepId));
  return {
    taskIds: chosen.map(({ id }) => id),
    workMin: chosen.reduce((sum, { workMin }) => sum + workMin, 0) + [...setUps].reduce((sum, id) => sum + (setUpOf.get(id) ?? 0), 0),
    dryingMin: chosen.reduce((sum, { dryingMin }) => sum + dryingMin, 0),
  };
}
