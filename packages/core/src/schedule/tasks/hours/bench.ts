import { type Course, type Run, fitRuns, inBoth, shortened } from '../../air';
import { dayAfter, minutesAt, weekdayOf } from '../../../base/dates';
import { DAY_MIN } from '../../../base/units';
import type { Catalogue } from '../../../catalogue';
import { type DryingPlaces, isTooCold, kindOfPlace, usualMin } from '../../drying';
import type { Calendar, Person, Plan } from '../../../plan';
import type { BoardRecord } from '../../../plan/workshop';
import { hoursOn } from './calendar';
import type { Step, Task } from '../step';

/** Who is there, where, and when: all that work is planned into. */
export interface Bench {
  readonly calendar: Calendar;
  readonly doneTasks: BoardRecord['doneTasks'];
  readonly people: Plan['people'];
  readonly kit: Plan['kit'];
  readonly places: Plan['places'];
  readonly spots: DryingPlaces;
  readonly catalogue: Catalogue;
}

/** Someone's sittings: their own hours, or whenever the bench is open; without days off and what else takes their time. */
export function sittingsOf({ hours }: Person, calendar: Calendar, untilMin: number): readonly Run[] {
  const { startsOn, daysOff, busy } = calendar;
  const first = weekdayOf(startsOn);
  const own = hours.length > 0 ? hours : calendar.hours;
  const week = Array.from({ length: 7 }, (_, day) => hoursOn(own, ((first - 1 + day) % 7) + 1));
  const off = new Set(daysOff.map((day) => dayAfter(startsOn, day)));
  const runs: Run[] = [];
  for (let day = 0; day * DAY_MIN < untilMin; day++) {
    if (off.has(day)) continue;
    for (const { fromMin, toMin } of week[day % 7]!) runs.push({ fromMin: day * DAY_MIN + fromMin, toMin: day * DAY_MIN + toMin });
  }
  if (busy.length === 0) return runs;
  const taken = busy
    .map(({ day, fromMin, toMin }) => ({
      fromMin: minutesAt(startsOn, { day, atMin: fromMin }),
      toMin: minutesAt(startsOn, { day, atMin: toMin }),
    }))
    .sort((a, b) => a.fromMin - b.fromMin);
  return runs.flatMap((run) => without(run, taken));
}
/** A run without what is taken of it. @param taken in order */
function without({ fromMin, toMin }: Run, taken: readonly Run[]): readonly Run[] {
  const left: Run[] = [];
  let atMin = fromMin;
  for (const one of taken) {
    if (one.toMin <= atMin || one.fromMin >= toMin) continue;
    if (one.fromMin > atMin) left.push({ fromMin: atMin, toMin: one.fromMin });
    atMin = Math.max(atMin, one.toMin);
  }
  return toMin > atMin ? [...left, { fromMin: atMin, toMin }] : left;
}

/** Why a task can not be done at any time as things are. */
export type Never = 'air' | 'spray' | 'people' | 'noise' | 'after' | 'none-free' | 'dries';

/** When a step may be done at a spot at all. */
export interface Openings {
  /** null for any time; none for never. */
  readonly runs: readonly Run[] | null;
  /** What leaves none, or the first that narrows them. */
  readonly why: Never;
}

/** Hours that steps may be done in, worked out once a step and spot. */
export class Hours {
  private readonly known = new Map<string, Openings>();
  constructor(
    private readonly bench: Bench,
    private readonly untilMin: number,
  ) {}

  of({ id, asks }: Step, { spot, touch }: Task): Openings {
    const key = [id, spot.place.id, spot.on, spot.lies, spot.moved.id].join();
    return this.known.get(key) ?? this.known.set(key, this.reckoned(asks, spot.course, usualMin(touch))).get(key)!;
  }
  private reckoned({ leastC, isSprayed, isNoisy, calledMin }: Step['asks'], course: Course, touchMin: number): Openings {
    const { calendar, catalogue } = this.bench;
    const { awake } = catalogue.bench;
    let [runs, why] = [null as readonly Run[] | null, 'none-free' as Never];
    const narrow = (by: readonly Run[] | null, cause: Never): void => {
      if (by === null || (runs !== null && runs.length === 0)) return;
      runs = inBoth(runs, by);
      if (why === 'none-free' || runs?.length === 0) why = cause;
    };
    // It stays warm until the film has formed.
    if (leastC !== null)
      narrow(
        shortened(
          fitRuns(course, (air) => !isTooCold(air, leastC), this.untilMin),
          Math.min(touchMin, MAX_TOUCH_MIN),
        ),
        'air',
      );
    if (isSprayed) narrow(this.spraying(), 'spray');
    if (isNoisy && calendar.noise !== null) narrow(this.daily(calendar.noise.fromMin, calendar.noise.toMin), 'noise');
    if (calledMin > 0) narrow(this.daily(awake.fromMin, awake.toMin - calledMin), 'noise');
    return { runs, why };
  }
  /** Where air is drawn off any time, else outside in daylight when it is dry. @source craft.md §9, §13 */
  private spraying(): readonly Run[] | null {
    const { places, spots, catalogue } = this.bench;
    if (places.some(({ hasExtraction }) => hasExtraction)) return null;
    const { daylight, sprayMostPct } = catalogue.bench;
    const outside = places.find((place) => kindOfPlace(place, catalogue).isOutside);
    if (outside === undefined) return [];
    const dry = fitRuns(spots.rooms.get(outside.id)!, ({ humidityPct }) => humidityPct <= sprayMostPct.value, this.untilMin);
    return inBoth(dry, this.daily(daylight.fromMin, daylight.toMin));
  }
  private daily(fromMin: number, toMin: number): readonly Run[] {
    return Array.from({ length: Math.ceil(this.untilMin / DAY_MIN) }, (_, day) => ({
      fromMin: day * DAY_MIN + fromMin,
      toMin: day * DAY_MIN + toMin,
    }));
  }
}
/** What takes longer to form a film than this is not asked to stay warm all that time. */
const MAX_TOUCH_MIN = 240;

/** Whether someone may do a step at all: what they avoid, and what is not for children. @source craft.md §9, §13 */
export const mayDo = ({ isChild, avoids }: Person, { asks: { cautionIds } }: Step, { cautions }: Catalogue): boolean =>
  !cautionIds.some((id) => avoids.includes(id) || (isChild && cautions.some((caution) => caution.id === id && caution.notForChildren)));
