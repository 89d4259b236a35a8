import type { Calendar } from '../plan';
import { type Figure, total } from '../base/units';
import { type Late, lateOf } from './late';
import { type Ready, readyOf } from './ready';
import { type Order, type Slot, scheduleSteps, slowestAlone } from './schedule';
import type { Step } from './step';

/** The plan of evenings. */
export interface Days {
  readonly slots: readonly Slot[];
  readonly handsOn: Figure<'min'>;
  /** null for a board with nothing to do. */
  readonly ready: Ready | null;
  /** No order of work can beat this. */
  readonly bound: Ready | null;
  /** By how much it misses the day it is wanted for; null where it does not. */
  readonly late: Late | null;
}

interface DayInputs {
  readonly steps: readonly Step[];
  readonly calendar: Calendar;
  readonly orders: readonly Order[];
}

/** Steps into bench hours. */
export function planDays({ steps, calendar, orders }: DayInputs): Days {
  const slots = scheduleSteps(steps, calendar, orders);
  const ready = readyOf(slots, calendar);
  const bound = readyOf(slowestAlone(steps, calendar), calendar);
  return {
    slots,
    handsOn: total(
      'Hands-on',
      'min',
      steps.map(({ work }) => work),
    ),
    ready,
    bound,
    late: lateOf(ready, bound, calendar),
  };
}
