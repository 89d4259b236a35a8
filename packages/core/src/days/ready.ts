import type { Calendar } from '../plan';
import { type Figure, given, total } from '../base/units';
import { momentText } from './calendar';
import type { Slot } from './schedule';

/** When the board is ready: minutes since midnight before the first day, and the chain of work and waits that makes it so. */
export interface Ready {
  readonly at: Figure<'min'>;
  readonly text: string;
}

const SLACK_MIN = 1e-3;

/**
 * Follows the chain back from the last thing to cure: what it waited for, and what that waited for, to the first evening.
 * The links add up to the moment of being ready, so a person can follow the clock.
 */
export function readyOf(slots: readonly Slot[], calendar: Calendar): Ready | null {
  const last = slots.reduce<Slot | null>((best, slot) => (best === null || slot.curedMin > best.curedMin ? slot : best), null);
  if (last === null) return null;
  const byTask = new Map(slots.map((slot) => [slot.task.id, slot]));
  // Told from the end backwards, put in order after.
  const links: Figure<'min'>[] = last.task.cure.value > 0 ? [last.task.cure] : [];
  for (let slot: Slot | null = last; slot !== null;) {
    links.push(...workLinks(slot, calendar).reverse());
    const { before, wait, untilMin } = causeOf(slot, byTask);
    const gapMin = slot.startMin - untilMin;
    if (gapMin > SLACK_MIN) links.push(untilFree(slot.startMin, untilMin, calendar));
    if (wait !== null) links.push(wait);
    slot = before;
  }
  links.reverse();
  const at = total(`Ready, counted from ${momentText(calendar.startsOn, 0)}`, 'min', links);
  return { at, text: momentText(calendar.startsOn, at.value) };
}

const untilFree = (startMin: number, fromMin: number, { startsOn }: Calendar): Figure<'min'> =>
  given(
    `Until the bench is free, ${momentText(startsOn, startMin)}`,
    startMin - fromMin,
    'min',
    'calendar',
    `from ${momentText(startsOn, fromMin)}`,
  );

interface Cause {
  readonly before: Slot | null;
  readonly wait: Figure<'min'> | null;
  readonly untilMin: number;
}

/** What the scheduler says a slot started after. */
function causeOf({ because }: Slot, byTask: ReadonlyMap<string, Slot>): Cause {
  if (because.kind === 'hands') {
    const before = byTask.get(because.taskId)!;
    return { before, wait: null, untilMin: before.endMin };
  }
  if (because.after === null) return { before: null, wait: null, untilMin: 0 };
  const before = byTask.get(because.after.taskId)!;
  const { least } = because.after;
  return { before, wait: least.value > 0 ? least : null, untilMin: before.endMin + least.value };
}

/** A task's work; where it spans several evenings, also the time the bench was closed in between. */
function workLinks({ task, startMin, endMin }: Slot, calendar: Calendar): Figure<'min'>[] {
  const closedMin = endMin - startMin - task.work.value;
  if (closedMin <= SLACK_MIN) return [task.work];
  return [
    task.work,
    given(
      `${task.work.label}: evenings in between`,
      closedMin,
      'min',
      'calendar',
      `from ${momentText(calendar.startsOn, startMin)} to ${momentText(calendar.startsOn, endMin)}`,
    ),
  ];
}
