import { type Course, humidityAtPct } from '../air';
import { momentText } from '../../base/dates';
import type { Catalogue } from '../../catalogue';
import type { Elsewhere, ScheduleIssue } from '../../advice/checks';
import { type DryingPlace, isTooCold } from '../drying';
import { type Bench, mayDo, sittingsOf } from './hours/bench';
import type { Blocked, Relaxed } from './problem';
import type { Slot } from './schedule';
import type { Step } from './step';

interface TroubleInputs extends Bench {
  readonly steps: readonly Step[];
  readonly slots: readonly Slot[];
  readonly blocked: readonly Blocked[];
  readonly relaxed: Relaxed;
  /** Something of the board is of wood or card. */
  readonly drinks: boolean;
}

/** All that goes wrong with the evenings as they are planned. @source craft.md §8, §9 */
export const scheduleIssuesOf = (inputs: TroubleInputs): readonly ScheduleIssue[] => [
  ...coldOf(inputs),
  ...neverDryOf(inputs),
  ...dampOf(inputs),
  ...peopleOf(inputs),
  ...brokenOf(inputs),
  ...roomOf(inputs),
];
const nameOf = (steps: readonly Step[], stepId: string): string => steps.find(({ id }) => id === stepId)!.name;

/** Steps that wait for warmth, place by place; those that get none in vain. */
function* coldOf({ steps, slots, blocked, calendar, people, places, spots }: TroubleInputs): Generator<ScheduleIssue> {
  const leastOf = new Map(steps.map(({ id, asks }) => [id, asks.leastC]));
  const lastMin = slots.reduce((most, { startMin }) => Math.max(most, startMin), 0);
  const sittings = people.flatMap((person) => sittingsOf(person, calendar, lastMin));
  const byId = new Map(slots.map((slot) => [slot.task.id, slot]));
  /** The first sitting that it was dry for and too cold in; null for none. */
  const coldAt = ({ task, startMin, because }: Slot, leastC: number): number | null => {
    if (because.kind === 'done') return null;
    const readyMin = task.after.reduce((latest, { taskId }) => Math.max(latest, byId.get(taskId)?.nextMin ?? 0), 0);
    const times = sittings.flatMap(({ fromMin, toMin }) => (fromMin < startMin && toMin > readyMin ? [Math.max(fromMin, readyMin)] : []));
    return times.find((atMin) => atMin < startMin && isTooCold(task.spot.course.at(atMin), leastC)) ?? null;
  };
  const waiting = [
    ...blocked.filter(({ why }) => why === 'air').map(({ go }) => ({ go, leastC: leastOf.get(go.stepId)!, atMin: null as number | null })),
    ...slots.flatMap((slot) => {
      const leastC = leastOf.get(slot.task.stepId) ?? null;
      if (leastC === null || slot.task.spot.course.isSteady) return [];
      const atMin = coldAt(slot, leastC);
      return atMin === null ? [] : [{ go: slot.task, leastC, atMin: atMin as number | null }];
    }),
  ];
  for (const spot of new Set(waiting.map(({ go }) => go.spot))) {
    const own = waiting.filter(({ go }) => go.spot === spot);
    const first = own.reduce((a, b) => ((b.atMin ?? -1) < (a.atMin ?? -1) ? b : a));
    const leastC = Math.max(...own.map((one) => one.leastC));
    const names = new Set(own.map(({ go }) => go.stepId));
    yield {
      kind: 'cold',
      placeId: spot.place.id,
      placeName: spot.place.name,
      what: nameOf(steps, first.go.stepId),
      others: names.size - 1,
      leastC,
      airC: spot.course.at(first.atMin ?? 0).airC,
      untilText: first.atMin === null ? null : momentText(calendar.startsOn, warmFrom(spot.course, first.leastC, first.atMin)),
      elsewhere: warmPlace(places, spot, (air) => !isTooCold(air, leastC), spots.rooms),
    };
  }
}
const HOUR_MIN = 60;
/** The first full hour from a time on at which it is warm enough: it began in the end, so there is one. */
function warmFrom(course: Course, leastC: number, atMin: number): number {
  let hour = Math.floor(atMin / HOUR_MIN);
  while (isTooCold(course.at(hour * HOUR_MIN), leastC)) hour++;
  return hour * HOUR_MIN;
}

type Rooms = Bench['spots']['rooms'];
/** Another place whose air will do all week. */
function warmPlace(
  places: Bench['places'],
  { place }: DryingPlace,
  isFit: (air: ReturnType<Course['at']>) => boolean,
  rooms: Rooms,
): Elsewhere | null {
  const found = places.find(({ id }) => {
    const room = rooms.get(id)!;
    return id !== place.id && Array.from({ length: 24 * 7 }, (_, hour) => room.at(hour * HOUR_MIN)).every(isFit);
  });
  return found === undefined ? null : { placeId: found.id, name: found.name };
}

/** What is put on and never gets dry in the air there is. */
function* neverDryOf({ steps, slots, blocked, places, spots }: TroubleInputs): Generator<ScheduleIssue> {
  const wet = slots.filter(
    ({ nextMin, curedMin, task: { id } }) =>
      curedMin === Infinity || (nextMin === Infinity && blocked.some(({ go }) => go.after.some(({ taskId }) => taskId === id))),
  );
  for (const spot of new Set(wet.map(({ task }) => task.spot))) {
    const { stepId } = wet.find(({ task }) => task.spot === spot)!.task;
    const elsewhere = warmPlace(places, spot, ({ airC, humidityPct }) => airC >= 15 && humidityPct <= 70, spots.rooms);
    yield { kind: 'never-dry', placeId: spot.place.id, placeName: spot.place.name, what: nameOf(steps, stepId), elsewhere };
  }
}

/** Dew on what lies on a floor colder than the air, and mould on what stays wet for days. */
function* dampOf({ slots, steps, calendar, places, spots, catalogue, drinks }: TroubleInputs): Generator<ScheduleIssue> {
  const seen = new Set<DryingPlace>();
  const mouldy = new Set<DryingPlace>();
  for (const { task, endMin, nextMin, curedMin } of slots) {
    const { spot } = task;
    const wetUntil = Math.min(Math.max(nextMin, Math.min(curedMin, endMin + 7 * 1_440)), endMin + 60 * 1_440);
    if (wetUntil <= endMin) continue;
    if (spot.on === 'floor' && !seen.has(spot)) {
      const room = spots.rooms.get(spot.place.id)!;
      const dewMin = firstHour(endMin, wetUntil, (atMin) => humidityAtPct(room.at(atMin), spot.course.at(atMin).airC) >= 100);
      if (dewMin !== null) {
        seen.add(spot);
        yield {
          kind: 'dew',
          placeName: spot.place.name,
          whenText: momentText(calendar.startsOn, dewMin),
          dewC: spot.course.at(dewMin).airC,
          what: nameOf(steps, task.stepId),
        };
      }
    }
    if (!drinks || mouldy.has(spot)) continue;
    const atMin = mouldAt(spot.course, endMin, wetUntil, catalogue);
    if (atMin === null) continue;
    mouldy.add(spot);
    const elsewhere = warmPlace(places, spot, ({ humidityPct }) => humidityPct < catalogue.bench.mould.humidityPct.value, spots.rooms);
    yield { kind: 'mould', placeId: spot.place.id, placeName: spot.place.name, whenText: momentText(calendar.startsOn, atMin), elsewhere };
  }
}
function firstHour(fromMin: number, untilMin: number, is: (atMin: number) => boolean): number | null {
  for (let atMin = Math.ceil(fromMin / HOUR_MIN) * HOUR_MIN; atMin <= untilMin; atMin += HOUR_MIN) if (is(atMin)) return atMin;
  return null;
}
/** When mould has had its time while something was wet; null where it has not. @source craft.md §8: above 80 %RH for two days at 5 to 35 °C */
function mouldAt(course: Course, fromMin: number, untilMin: number, { bench: { mould } }: Catalogue): number | null {
  let since = fromMin;
  return firstHour(fromMin, untilMin, (atMin) => {
    const { airC, humidityPct } = course.at(atMin);
    if (humidityPct < mould.humidityPct.value || airC < mould.leastC || airC > mould.mostC) since = atMin;
    return atMin - since >= mould.afterMin;
  });
}

/** Work that nobody may do, and sprays for which there is no place. */
function* peopleOf({ steps, blocked, people, catalogue, spots }: TroubleInputs): Generator<ScheduleIssue> {
  for (const stepId of new Set(blocked.filter(({ why }) => why === 'people').map(({ go }) => go.stepId))) {
    const step = steps.find(({ id }) => id === stepId)!;
    yield { kind: 'nobody', what: step.name, names: people.filter((person) => !mayDo(person, step, catalogue)).map(({ name }) => name) };
  }
  const sprayed = blocked.find(({ why }) => why === 'spray');
  const { place } = spots.usual;
  if (sprayed !== undefined) yield { kind: 'no-spray', what: nameOf(steps, sprayed.go.stepId), placeId: place.id, placeName: place.name };
}

/** Pins and longest waits that had to be let go of, and what finds no time. */
function* brokenOf({ steps, slots, blocked, relaxed }: TroubleInputs): Generator<ScheduleIssue> {
  if (relaxed.pins.size > 0) {
    const first = slots.find(({ task }) => relaxed.pins.has(task.ofTask));
    yield { kind: 'pins', taskIds: [...relaxed.pins], what: first?.task.work.label ?? [...relaxed.pins][0]! };
  }
  for (const id of relaxed.waits) {
    const slot = slots.find(({ task }) => task.id === id);
    const most = slot?.task.after.find((after) => after.most !== null)?.most;
    if (slot !== undefined && most != null) yield { kind: 'too-slow', what: slot.task.work.label, most: most.label };
  }
  const without = blocked.find(({ why }) => why === 'none-free' || why === 'noise');
  if (without !== undefined) yield { kind: 'no-time', what: nameOf(steps, without.go.stepId), why: without.why };
}

/** Drying places, weights and fans that are too few. */
function* roomOf({ slots, kit }: TroubleInputs): Generator<ScheduleIssue> {
  const kept = slots.flatMap(({ because, startMin }) => (because.kind === 'room' ? [{ because, startMin }] : []));
  const endOf = new Map(slots.map(({ task, endMin }) => [task.id, endMin]));
  for (const what of new Set(kept.map(({ because }) => because.what))) {
    const own = kept.filter(({ because }) => because.what === what);
    const waitMin = Math.max(...own.map(({ because, startMin }) => startMin - endOf.get(because.taskId)!));
    yield { kind: 'full', what, waitMin, count: own.length };
  }
  const blown = new Set(
    slots.filter(({ task }) => task.spot.moved.needsFan && task.wait.stated.value > 0).map(({ task }) => task.spot.place.id),
  );
  if (blown.size > kit.fans) yield { kind: 'fans', wanted: blown.size, there: kit.fans };
}
