import type { Calendar } from '../plan';
import { type Figure, given, total } from '../units';
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
  const links: Figure<'min'>[] = last.task.cure.value > 0 ? [last.task.cure] : [];
  let slot: Slot | null = last;
  while (slot !== null) {
    links.unshift(...workLinks(slot, calendar));
    const cause: Cause = causeOf(slot, slots);
    const gapMin = slot.startMin - cause.untilMin;
    if (gapMin > SLACK_MIN) {
      links.unshift(
        given(
          `Until the bench is free, ${momentText(calendar.startsOn, slot.startMin)}`,
          gapMin,
          'min',
          'calendar',
          `from ${momentText(calendar.startsOn, cause.untilMin)}`,
        ),
      );
    }
    if (cause.wait !== null) links.unshift(cause.wait);
    slot = cause.slot;
  }
  const at = total(`Ready, counted from ${momentText(calendar.startsOn, 0)}`, 'min', links);
  return { at, text: momentText(calendar.startsOn, at.value) };
}

interface Cause {
  readonly slot: Slot | null;
  readonly wait: Figure<'min'> | null;
  readonly untilMin: number;
}

/** What ended last before a slot could start: its own tile's drying, or the hands' other work. */
function causeOf(slot: Slot, slots: readonly Slot[]): Cause {
  let cause: Cause = { slot: null, wait: null, untilMin: 0 };
  for (const other of slots) {
    if (other === slot || other.startMin >= slot.startMin) continue;
    const isSameTile = other.task.tileId === slot.task.tileId;
    if (isSameTile && other.nextMin <= slot.startMin + SLACK_MIN && other.nextMin > cause.untilMin) {
      cause = { slot: other, wait: other.task.wait.value > 0 ? other.task.wait : null, untilMin: other.nextMin };
    } else if (other.endMin <= slot.startMin + SLACK_MIN && other.endMin > cause.untilMin) {
      cause = { slot: other, wait: null, untilMin: other.endMin };
    }
  }
  return cause;
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
