import type { Calendar } from '../plan';
import { type Figure, total } from '../units';
import { momentText } from './calendar';
import { type Ready, readyOf } from './ready';
import { type Slot, readyBoundMin, scheduleSteps } from './schedule';
import type { Step } from './tasks';

/** The plan of evenings. */
export interface Days {
  readonly slots: readonly Slot[];
  readonly handsOn: Figure<'min'>;
  /** null for a board with nothing to do. */
  readonly ready: Ready | null;
  /** No order of work can beat this. */
  readonly boundMin: number;
  readonly boundText: string;
}

/** Ninth stage: steps into bench hours. */
export function planDays(steps: readonly Step[], calendar: Calendar): Days {
  const slots = scheduleSteps(steps, calendar);
  const boundMin = readyBoundMin(steps, calendar);
  return {
    slots,
    handsOn: total(
      'Hands-on',
      'min',
      steps.map(({ work }) => work),
    ),
    ready: readyOf(slots, calendar),
    boundMin,
    boundText: momentText(calendar.startsOn, boundMin),
  };
}
