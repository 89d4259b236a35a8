import { type Catalogue, adhesiveBy } from '../../catalogue';
import { glueFit } from '../../build/stack/adhesives';
import type { Joint } from '../../build/stack/joint';
import { type Plan, newPerson } from '../../plan';
import { type Edit, appliedTo } from '../../plan/edits';
import { type WorkshopState, EMPTY_WORKSHOP } from '../../plan/workshop';
import { type Figure, DAY_MIN, calculate } from '../../base/units';
import { derivePipeline } from '../full';

/** One thing that might make a board ready sooner, planned anew. */
export interface EarlierOption {
  readonly id: string;
  readonly name: string;
  readonly edit: Edit;
  readonly readyText: string;
  /** Sooner than now; below none where it would be later; null where it is not ready at all as things are. */
  readonly won: Figure<'min'> | null;
  /** What the board costs more, or less. */
  readonly costChange: Figure<'money'>;
  /** Ready for the day it is wanted for; null where no day is named. */
  readonly isInTime: boolean | null;
}
export interface EarlierProgress {
  readonly options: readonly EarlierOption[];
  readonly done: number;
  readonly of: number;
}
type Way = Pick<EarlierOption, 'id' | 'name' | 'edit'>;

/** Warmer by this, drier to this, an evening of this length: what a heater, a drier and a free evening come to. */
const WARMER_C = 5;
const HEATED = { airC: 20, humidityPct: 50 };
const DRIER_PCT = 45;
const EVENING = { fromMin: 19 * 60, toMin: 21 * 60 };
const LONGER_MIN = 60;
/** Warmer than this nobody heats a workroom. */
const WARMEST_C = 26;

/**
 * The same board with the air moved, warmed or dried, in another place, another pair of hands, another evening a week, longer evenings, quicker glue, fewer coats, or layers weighed down otherwise:
 * each planned anew. What costs nothing more stands by what it wins, what does by what it wins for its money.
 * @source craft.md §9: what would bring it forward
 */
export function* earlierOptionsOf(
  plan: Plan,
  catalogue: Catalogue,
  shop: WorkshopState = EMPTY_WORKSHOP,
): Generator<EarlierProgress, void, void> {
  const derive = derivePipeline();
  const now = derive(plan, catalogue, shop);
  const own = now.tally;
  const ways = waysOf(plan, now.stack.joints, catalogue);
  let options: readonly EarlierOption[] = [];
  yield { options, done: 0, of: ways.length };
  for (const [done, { id, name, edit }] of ways.entries()) {
    const { tally, days } = derive(appliedTo(plan, edit), catalogue, shop);
    if (tally.ready !== null) {
      const won = own.ready === null ? null : calculate(`Time saved: ${name.toLowerCase()}`, 'min', own.ready, '−', tally.ready);
      const costChange = calculate(`Extra cost: ${name.toLowerCase()}`, 'money', tally.cost, '−', own.cost);
      options = [
        ...options,
        {
          id,
          name,
          edit,
          readyText: tally.readyText,
          won,
          costChange,
          isInTime: plan.calendar.deadline === null ? null : days.late === null,
        },
      ].sort((a, b) => worthOf(b) - worthOf(a));
    }
    yield { options, done: done + 1, of: ways.length };
  }
}
/** Minutes won for each unit of money beside the first: what is free goes by what it wins. */
const worthOf = ({ won, costChange }: EarlierOption): number =>
  won === null ? Infinity : won.value / (1 + Math.max(0, costChange.value) / 100);

const waysOf = (plan: Plan, joints: readonly Joint[], catalogue: Catalogue): readonly Way[] => [
  ...airWays(plan, catalogue),
  ...handWays(plan),
  ...glueWays(joints, catalogue),
  ...coatWays(plan),
];

/** Air that is moved, warmed or dried, or another place altogether. */
function airWays({ places, drying }: Plan, catalogue: Catalogue): readonly Way[] {
  const place = places.find(({ id }) => id === drying.placeId) ?? places[0]!;
  const air = catalogue.airs.find(({ id }) => id === drying.airId);
  const moved = catalogue.airs.filter(({ factor }) => air !== undefined && factor.value < air.factor.value);
  const { by, airC, humidityPct } = place.air;
  const typed = (id: string, name: string, change: Partial<typeof HEATED>): Way => ({
    id,
    name,
    edit: { code: 'place/change', placeId: place.id, change: { spells: [] }, air: { by: 'typed', ...change } },
  });
  const isCold = by !== 'typed' || place.spells.length > 0 || airC < HEATED.airC - WARMER_C;
  const warmer = Math.min(WARMEST_C, airC + WARMER_C);
  return [
    ...moved.map(({ id, name }): Way => ({
      id: `air-${id}`,
      name: `Ventilate: ${name}`,
      edit: { code: 'drying/change', change: { airId: id } },
    })),
    ...(isCold ? [typed('heated', `Heat ${place.name}: ${HEATED.airC} °C, ${HEATED.humidityPct} %`, HEATED)] : []),
    ...(!isCold && warmer > airC ? [typed('warmer', `Warmer: ${warmer} °C`, { airC: warmer })] : []),
    ...(!isCold && humidityPct > DRIER_PCT ? [typed('drier', `Drier: ${DRIER_PCT} % humidity`, { humidityPct: DRIER_PCT })] : []),
    ...places
      .filter(({ id }) => id !== place.id)
      .map(({ id, name }): Way => ({
        id: `place-${id}`,
        name: `Dry in: ${name}`,
        edit: { code: 'drying/change', change: { placeId: id } },
      })),
    ...(drying.on === 'floor'
      ? [{ id: 'shelf', name: 'Dry on a shelf, off the floor', edit: { code: 'drying/change' as const, change: { on: 'shelf' as const } } }]
      : []),
  ];
}

/** More evenings, longer ones, another pair of hands. */
function handWays({ calendar, people, stack }: Plan): readonly Way[] {
  const weekdays = [1, 2, 3, 4, 5, 6, 7].filter((weekday) => calendar.hours.every((own) => own.weekday !== weekday));
  const hours = (id: string, name: string, changed: Plan['calendar']['hours']): Way => ({
    id,
    name,
    edit: { code: 'calendar/hours', hours: changed },
  });
  return [
    ...weekdays.map((weekday) =>
      hours(
        `day-${weekday}`,
        `Also on ${WEEKDAYS[weekday - 1]!}s, 19:00–21:00`,
        [...calendar.hours, { weekday, ...EVENING }].sort((a, b) => a.weekday - b.weekday || a.fromMin - b.fromMin),
      ),
    ),
    hours(
      'longer',
      'One hour longer per session',
      calendar.hours.map((own) => ({ ...own, toMin: Math.min(DAY_MIN, own.toMin + LONGER_MIN) })),
    ),
    ...(people.length < MAX_PEOPLE
      ? [{ id: 'hands', name: 'One more person', edit: { code: 'person/add' as const, person: newPerson(freshId(people), 'A helper') } }]
      : []),
    ...(stack.weighed
      ? [{ id: 'unweighed', name: 'Remove weights before fully dry', edit: { code: 'stack/weighed' as const, weighed: false } }]
      : []),
  ];
}
const MAX_PEOPLE = 8;
const freshId = (people: Plan['people']): string => {
  for (let n = people.length + 1; ; n++) if (people.every(({ id }) => id !== `person-${n}`)) return `person-${n}`;
};
const WEEKDAYS = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday'];

/** Glue that can be handled sooner and holds on all the faces of the ground. */
function glueWays(joints: readonly Joint[], catalogue: Catalogue): readonly Way[] {
  const own = joints.filter(({ place }) => place.part === 'ground');
  if (own.length === 0) return [];
  const slowest = Math.max(...own.map(({ adhesiveId }) => adhesiveBy(catalogue, adhesiveId).handleMin.value));
  const isWet = own.some(
    (joint) => glueFit(adhesiveBy(catalogue, joint.adhesiveId), joint.lower, joint.upper, joint.spread, catalogue) !== 'holds',
  );
  return catalogue.adhesives
    .filter(({ handleMin, spreads }) => (isWet || handleMin.value < slowest) && spreads.includes('full'))
    .filter((adhesive) => own.every(({ lower, upper }) => glueFit(adhesive, lower, upper, 'full', catalogue) === 'holds'))
    .map(({ id, name }): Way => ({
      id: `glue-${id}`,
      name: `Glue the ground with ${name.toLowerCase()}`,
      edit: {
        code: 'together',
        edits: own.map(({ place }) => ({ code: 'glue/set' as const, place, adhesiveId: id, spread: 'full' as const })),
        why: `Glue with ${name.toLowerCase()}`,
      },
    }));
}

/** One go fewer of what goes on several times. */
const coatWays = ({ surfaces }: Plan): readonly Way[] =>
  surfaces.flatMap(({ id, name, coats }) =>
    coats
      .filter(({ goes }) => goes > 1)
      .map((coat): Way => ({
        id: `goes-${id}-${coat.id}`,
        name: `${name}: ${coat.goes - 1} instead of ${coat.goes} applications of one coat`,
        edit: { code: 'coats/set', surfaceId: id, coats: coats.map((own) => (own === coat ? { ...own, goes: own.goes - 1 } : own)) },
      })),
  );
