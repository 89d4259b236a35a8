import { DAY_MIN, given, showText } from '../../base/units';
import type { Calendar } from '../../plan';
import { dayText, momentText } from '../../base/dates';
import { sittingsOf } from './hours/bench';
import type { Days } from './days';
import { SLACK_MIN, type Slot } from './schedule';

/** Why the board is ready at another time than before, in sentences: evenings are coarse, and a few minutes may cost days. */
export type Shift = readonly string[];

/**
 * Compares two plans of evenings: the first task that moved to another evening, what kept it from its old one, and where that leaves the last.
 * @param before the plan of evenings as it was; @param after as it is
 */
export function shiftOf(before: Days, after: Days, calendar: Calendar): Shift {
  const { startsOn } = calendar;
  if (before.ready === null || after.ready === null) return [];
  const isLater = after.ready.at.value > before.ready.at.value;
  const was = new Map(before.slots.map((slot) => [slot.task.id, slot]));
  const inTurn = [...after.slots].sort((a, b) => a.startMin - b.startMin);
  const moved = inTurn.find((slot) => {
    const old = was.get(slot.task.id);
    return old !== undefined && (isLater ? dayOf(slot) > dayOf(old) : dayOf(slot) < dayOf(old));
  });
  const is = new Set(after.slots.map(({ task }) => task.id));
  const added = inTurn.filter(({ task }) => !was.has(task.id));
  const dropped = before.slots.filter(({ task }) => !is.has(task.id));
  return [
    `Ready ${after.ready.text} instead of ${before.ready.text}.`,
    ...(moved === undefined ? [] : [movedText(was.get(moved.task.id)!, moved, after, calendar)]),
    ...listed('New work', added),
    ...listed('Removed tasks', dropped),
    ...(moved === undefined && added.length + dropped.length === 0
      ? [`No task moves to another session. The last task now ends at ${momentText(startsOn, lastOf(after).endMin)}.`]
      : []),
    `The last task to finish is ${lastOf(after).task.work.label}, ${momentText(startsOn, lastOf(after).curedMin)}.`,
  ];
}

const dayOf = ({ startMin }: Slot): number => Math.floor(startMin / DAY_MIN);
const minutes = (min: number): string => showText(given('', min, 'min', 'calendar'), { system: 'metric', currency: '' });
const lastOf = ({ slots }: Days): Slot => slots.reduce((last, slot) => (slot.curedMin > last.curedMin ? slot : last));

/** Someone who is there whenever the bench is open. */
const ANYBODY = { id: '', name: '', isChild: false, avoids: [], hours: [] };

/** Names of tasks, the first few in full. */
function listed(what: string, slots: readonly Slot[]): string[] {
  if (slots.length === 0) return [];
  const names = slots.slice(0, NAMED).map(({ task }) => task.work.label);
  return [`${what}: ${names.join('; ')}${slots.length > NAMED ? `; and ${slots.length - NAMED} more` : ''}.`];
}
const NAMED = 3;

function movedText(old: Slot, now: Slot, after: Days, calendar: Calendar): string {
  const { startsOn } = calendar;
  const label = now.task.work.label;
  const from = dayText(startsOn, old.startMin);
  const to = dayText(startsOn, now.startMin);
  if (dayOf(now) < dayOf(old)) return `${label} now fits on ${to}; before, it started on ${from}.`;
  const { task } = now;
  const freeMin = freeOn(dayOf(old), after, task.after, calendar);
  const needMin = task.work.value;
  if (freeMin === null) {
    const last = after.slots.find((slot) => slot.task.id === task.after[0]?.taskId);
    const until =
      last === undefined
        ? ''
        : `: it waits for ${last.task.work.label} until ${momentText(startsOn, task.after[0]!.wait.pace.after(last.endMin, task.after[0]!.wait.stated.value))}`;
    return `${label} can no longer start on ${from}${until}. It starts on ${to}.`;
  }
  return `${label} takes ${minutes(needMin)} and no longer fits on ${from}, where ${minutes(freeMin)} without a break are left. It starts on ${to}.`;
}

/** The longest stretch free on a day once a task may begin, with all that is planned before it in place; null where it may not begin that day at all. */
function freeOn(day: number, { slots }: Days, after: Slot['task']['after'], calendar: Calendar): number | null {
  const byId = new Map(slots.map((slot) => [slot.task.id, slot]));
  const readyMin = after.reduce(
    (latest, { taskId, wait }) => Math.max(latest, wait.pace.after(byId.get(taskId)?.endMin ?? 0, wait.stated.value)),
    0,
  );
  const taken = slots.flatMap(({ stretches }) => stretches).filter(({ fromMin }) => Math.floor(fromMin / DAY_MIN) === day);
  let bestMin: number | null = null;
  for (const { fromMin, toMin } of sittingsOf(ANYBODY, calendar, (day + 1) * DAY_MIN)) {
    const at = Math.floor(fromMin / DAY_MIN);
    if (at < day || toMin <= readyMin + SLACK_MIN) continue;
    let free = Math.max(fromMin, readyMin);
    for (const busy of [...taken].sort((a, b) => a.fromMin - b.fromMin)) {
      if (busy.toMin <= free || busy.fromMin >= toMin) continue;
      bestMin = Math.max(bestMin ?? 0, busy.fromMin - free);
      free = Math.max(free, busy.toMin);
    }
    bestMin = Math.max(bestMin ?? 0, toMin - free);
  }
  return bestMin;
}
