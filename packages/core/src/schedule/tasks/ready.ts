import { momentText } from '../../base/dates';
import { type Figure, given, calculate, total } from '../../base/units';
import type { Calendar } from '../../plan';
import type { Wait } from '../drying';
import type { Slot } from './schedule';
import type { After } from './step';

/** When the board is ready: minutes since midnight before the first day, and the chain of work and waits that makes it so. */
export interface Ready {
  readonly at: Figure<'min'>;
  readonly text: string;
  /** The tasks that decide it, the first of them first. */
  readonly chain: readonly string[];
}

const SLACK_MIN = 1e-3;

/** What a wait that begins at a time really comes to in the air of those days; null where it is never over. */
export function realWait({ stated, pace, usual }: Wait, fromMin: number, startsOn: string): Figure<'min'> | null {
  if (pace.isSteady || stated.value <= 0) return usual ?? (stated.value <= 0 ? stated : null);
  const untilMin = pace.after(fromMin, stated.value);
  if (untilMin === Infinity) return null;
  const slower = given(
    `Drying factor for conditions, ${momentText(startsOn, fromMin)} to ${momentText(startsOn, untilMin)}`,
    (untilMin - fromMin) / stated.value,
    '1',
    'calendar',
    'hour by hour',
  );
  return calculate(usual?.label ?? stated.label, 'min', stated, '×', slower);
}

/**
 * Follows the chain back from the last thing to cure: what it waited for, and what that waited for, to the first evening.
 * The links add up to the moment of being ready, so a person can follow the clock.
 * @returns null where nothing is to do, or something never is through
 */
export function readyOf(slots: readonly Slot[], calendar: Calendar): Ready | null {
  const last = slots.reduce<Slot | null>((best, slot) => (best === null || slot.curedMin > best.curedMin ? slot : best), null);
  if (last === null || last.curedMin === Infinity) return null;
  const { startsOn } = calendar;
  const byTask = new Map(slots.map((slot) => [slot.task.id, slot]));
  // Told from the end backwards, put in order after.
  const cure = realWait(last.task.cure, last.endMin, startsOn);
  const links: Figure<'min'>[] = cure !== null && cure.value > 0 ? [cure] : [];
  const chain: string[] = [];
  for (let slot: Slot | null = last; slot !== null && !chain.includes(slot.task.id);) {
    chain.push(slot.task.id);
    links.push(...workLinks(slot, calendar).reverse());
    const { before, wait, untilMin, what } = causeOf(slot, byTask, startsOn);
    const gapMin = slot.startMin - untilMin;
    if (Math.abs(gapMin) > SLACK_MIN) links.push(untilThen(what, slot.startMin, untilMin, calendar));
    if (wait !== null) links.push(wait);
    slot = before;
  }
  links.reverse();
  const at = total(`Ready, counted from ${momentText(startsOn, 0)}`, 'min', links);
  return { at, text: momentText(startsOn, at.value), chain: chain.reverse() };
}

const untilThen = (what: string, startMin: number, fromMin: number, { startsOn }: Calendar): Figure<'min'> =>
  given(`${what}, ${momentText(startsOn, startMin)}`, startMin - fromMin, 'min', 'calendar', `from ${momentText(startsOn, fromMin)}`);

interface Cause {
  readonly before: Slot | null;
  readonly wait: Figure<'min'> | null;
  readonly untilMin: number;
  /** What the rest of the time went by with. */
  readonly what: string;
}
const FREE = 'Until the bench is free';

/** What the scheduler says a slot started after. */
function causeOf({ because, task }: Slot, byTask: ReadonlyMap<string, Slot>, startsOn: string): Cause {
  const after = (one: After | null, what: string): Cause => {
    const before = one === null ? undefined : byTask.get(one.taskId);
    if (one === null || before === undefined) return { before: null, wait: null, untilMin: 0, what };
    const wait = realWait(one.wait, before.endMin, startsOn);
    const waitMin = wait?.value ?? 0;
    return { before, wait: waitMin > 0 ? wait : null, untilMin: before.endMin + waitMin, what };
  };
  switch (because.kind) {
    case 'hands': {
      const before = byTask.get(because.taskId)!;
      return { before, wait: null, untilMin: before.endMin, what: FREE };
    }
    case 'room': {
      const before = byTask.get(because.taskId)!;
      return { before, wait: null, untilMin: before.endMin, what: `Until ${because.what} is available` };
    }
    case 'early':
      return { before: null, wait: null, untilMin: 0, what: 'Earliest start' };
    case 'pin':
      return { before: null, wait: null, untilMin: 0, what: 'Pinned' };
    case 'done':
      return { before: null, wait: null, untilMin: 0, what: 'Done before' };
    case 'fit':
      return after(because.after, FIT_WORDS[because.why] ?? FREE);
    case 'follow':
      return after(because.after ?? task.after.at(-1) ?? null, 'Delayed, so that the next task can start in time');
    default:
      return after(because.after, FREE);
  }
}
const FIT_WORDS: Partial<Record<string, string>> = {
  air: 'Until it is warm enough',
  spray: 'Until spraying is possible',
  noise: 'Until allowed hours',
};

/** A task's work with its set-up; where it spans several evenings, also the time the bench was closed in between. */
function workLinks({ task, startMin, endMin, setUpMin }: Slot, calendar: Calendar): Figure<'min'>[] {
  const setUp = setUpMin > 0 ? [given(`Set-up and clean-up, ${task.work.label}`, setUpMin, 'min', 'catalogue', 'once a sitting')] : [];
  const closedMin = endMin - startMin - task.work.value - setUpMin;
  if (closedMin <= SLACK_MIN) return [...setUp, task.work];
  return [
    ...setUp,
    task.work,
    given(
      `${task.work.label}: time between sessions`,
      closedMin,
      'min',
      'calendar',
      `from ${momentText(calendar.startsOn, startMin)} to ${momentText(calendar.startsOn, endMin)}`,
    ),
  ];
}
