import { format } from 'date-fns';
import { type ComputedRef, computed } from 'vue';
import { dayNamed, minutesAt } from '@spare-acre/core/base/dates';
import { DAY_MIN } from '@spare-acre/core/base/units';
import { useClock } from '../bench/clock';
import { usePlan } from './plan';

/** A time of the plan as a day and minutes in it. */
export interface AtTime {
  readonly day: string;
  readonly atMin: number;
}
const MINUTE_MS = 60_000;

/** What time it is at the bench, in the plan's own minutes, and there and back. */
export function usePlanTime(): {
  readonly nowMin: ComputedRef<number>;
  readonly now: ComputedRef<AtTime>;
  readonly timeOf: (planMin: number) => AtTime;
} {
  const store = usePlan();
  const clock = useClock();
  /** A minute is the least that the plan tells apart. */
  const minute = computed(() => Math.floor(clock.nowMs / MINUTE_MS) * MINUTE_MS);
  const now = computed<AtTime>(() => {
    const at = new Date(minute.value);
    return { day: format(at, 'yyyy-MM-dd'), atMin: at.getHours() * 60 + at.getMinutes() };
  });
  const startsOn = computed(() => store.plan!.calendar.startsOn);
  const nowMin = computed(() => minutesAt(startsOn.value, now.value));
  const timeOf = (planMin: number): AtTime => {
    const whole = Math.round(planMin);
    return { day: dayNamed(startsOn.value, Math.floor(whole / DAY_MIN)), atMin: whole % DAY_MIN };
  };
  return { nowMin, now, timeOf };
}
