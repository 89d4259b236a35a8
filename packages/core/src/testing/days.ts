import { given } from '../base/units';
import type { Bench, Step } from '../schedule/tasks';
import { type DryingPlace, clockWait, dryingPlacesOf } from '../schedule/drying';
import { type Calendar, type Plan, newPerson, newPlace } from '../plan';
import { CATALOGUE } from './plans';

const [ROOM] = CATALOGUE.starter.places;
type Air = {
  readonly airC: number;
  readonly humidityPct: number;
  readonly airId?: string;
  readonly on?: 'shelf' | 'floor';
  readonly kindId?: string;
};
/** A shelf (or floor) in a place with typed air, still unless said. */
export function aSpot(
  { airC, humidityPct, airId = 'still', on = 'shelf', kindId = 'room' }: Air,
  change: Partial<Plan['places'][number]> = {},
): DryingPlace {
  const place = { ...newPlace({ ...ROOM!, kindId, airC, humidityPct }), ...change };
  const drying = { placeId: place.id, on, lies: 'flat' as const, airId };
  return dryingPlacesOf({ places: [place], drying, driedAt: [], startsOn: '2026-11-30', airs: {}, catalogue: CATALOGUE }).usual;
}

/** Bench hours and nothing else of note. */
export const aCalendar = (hours: Calendar['hours'], change: Partial<Calendar> = {}): Calendar => ({
  startsOn: '2026-11-30',
  hours,
  daysOff: [],
  deadline: null,
  order: [],
  spared: [],
  noise: null,
  notBefore: null,
  arrivals: [],
  busy: [],
  tasks: [],
  ...change,
});
/** One builder in a heated room. */
export function aBench(calendar: Calendar, change: Partial<Bench> = {}): Bench {
  const places = change.places ?? [newPlace(ROOM!)];
  const drying = { placeId: places[0]!.id, on: 'shelf' as const, lies: 'flat' as const, airId: 'still' };
  const spots = dryingPlacesOf({ places, drying, driedAt: [], startsOn: calendar.startsOn, airs: {}, catalogue: CATALOGUE });
  return {
    calendar,
    doneTasks: {},
    people: [newPerson('you', 'You')],
    kit: { weightsKg: 60, fans: 1 },
    places,
    spots,
    catalogue: CATALOGUE,
    ...change,
  };
}

const minutes = (label: string, value: number) => given(label, value, 'min', 'catalogue');
type WorkOn = readonly [workpieceId: string, workMin: number, waitMin: number];
/** A step whose tasks each take some work and then dry by the clock; without set-up unless said. */
export function aWorkStep(
  id: string,
  tasks: readonly WorkOn[],
  {
    setUpMin = 0,
    asks = {},
    spot = aSpot({ airC: 20, humidityPct: 50 }),
  }: { setUpMin?: number; asks?: Partial<Step['asks']>; spot?: DryingPlace } = {},
): Step {
  return {
    id,
    name: id,
    kind: 'coat',
    does: 'colour',
    setUp: minutes(`${id}, set-up`, setUpMin),
    asks: { cautionIds: [], isNoisy: false, isSprayed: false, leastC: null, calledMin: 0, stockIds: [], ...asks },
    tasks: tasks.map(([workpieceId, workMin, waitMin]) => ({
      id: `${id}-${workpieceId}`,
      stepId: id,
      workpieceId,
      work: minutes(`${id} ${workpieceId}`, workMin),
      spot,
      wait: clockWait(minutes(`${id} dries`, waitMin)),
      cure: clockWait(minutes(`${id} cures`, waitMin)),
      touch: clockWait(minutes(`${id} touch-dry`, 0)),
      isFlat: false,
      hands: 1,
      weights: null,
      calls: null,
      joins: [],
      after: [],
    })),
    cautions: [],
  };
}
/** Steps with each task after the last one on its workpiece. */
export function inTurn(steps: readonly Step[]): readonly Step[] {
  const last = new Map<string, Step['tasks'][number]>();
  return steps.map((step) => ({
    ...step,
    tasks: step.tasks.map((task) => {
      const before = last.get(task.workpieceId);
      last.set(task.workpieceId, task);
      return { ...task, after: before === undefined ? [] : [{ taskId: before.id, wait: before.wait, most: null, orAfter: null }] };
    }),
  }));
}
