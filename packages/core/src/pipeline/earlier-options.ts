import type { Catalogue } from '../catalogue';
import type { MakePieces } from '../pieces';
import type { Plan } from '../plan';
import { type Edit, appliedTo } from '../plan/edits';
import { type Shop, EMPTY_SHOP } from '../shop';
import { type Figure, DAY_MIN, reckon } from '../base/units';
import { derivePipeline } from './full';

/** One thing that might make a board ready sooner, planned anew. */
export interface EarlierOption {
  readonly id: string;
  readonly name: string;
  readonly edit: Edit;
  readonly readyText: string;
  /** Sooner than now; below none where it would be later. */
  readonly won: Figure<'min'>;
  /** What the board costs more, or less. */
  readonly costChange: Figure<'money'>;
}
export interface EarlierProgress {
  readonly options: readonly EarlierOption[];
  readonly done: number;
  readonly of: number;
}

/** Warmer by this, drier to this, an evening of this length: what a heater, a drier and a free evening come to. */
const WARMER_C = 5;
const DRIER_PCT = 45;
const EVENING = { fromMin: 19 * 60, toMin: 21 * 60 };
const LONGER_MIN = 60;
/** Warmer than this nobody heats a workroom. */
const WARMEST_C = 26;

/**
 * The same board with the air moved, warmed or dried, another evening a week, longer evenings, or layers weighed down otherwise: each planned anew, the most won first.
 * @source craft.md §9: what would bring it forward
 */
export function* earlierOptionsOf(
  plan: Plan,
  catalogue: Catalogue,
  shop: Shop = EMPTY_SHOP,
  makePieces: MakePieces | null = null,
): Generator<EarlierProgress, void, void> {
  const derive = derivePipeline(makePieces);
  const own = derive(plan, catalogue, shop).tally;
  const ways = waysOf(plan, catalogue);
  let options: readonly EarlierOption[] = [];
  yield { options, done: 0, of: ways.length };
  for (const [done, { id, name, edit }] of ways.entries()) {
    const { tally } = derive(appliedTo(plan, edit), catalogue, shop);
    if (own.ready !== null && tally.ready !== null) {
      const won = reckon(`Won: ${name.toLowerCase()}`, 'min', own.ready, '−', tally.ready);
      const costChange = reckon(`More to pay: ${name.toLowerCase()}`, 'money', tally.cost, '−', own.cost);
      options = [...options, { id, name, edit, readyText: tally.readyText, won, costChange }].sort((a, b) => b.won.value - a.won.value);
    }
    yield { options, done: done + 1, of: ways.length };
  }
}

function waysOf({ climate, calendar, stack }: Plan, catalogue: Catalogue): readonly Pick<EarlierOption, 'id' | 'name' | 'edit'>[] {
  const air = catalogue.airs.find(({ id }) => id === climate.airId);
  const moved = catalogue.airs
    .filter(({ factor }) => air !== undefined && factor.value < air.factor.value)
    .map(({ id, name }) => ({ id: `air-${id}`, name: `Air: ${name}`, edit: { code: 'climate/set' as const, change: { airId: id } } }));
  const warmer = Math.min(WARMEST_C, climate.airC + WARMER_C);
  const weekdays = [1, 2, 3, 4, 5, 6, 7].filter((weekday) => calendar.hours.every((own) => own.weekday !== weekday));
  const hours = (id: string, name: string, changed: Plan['calendar']['hours']) => ({
    id,
    name,
    edit: { code: 'calendar/hours' as const, hours: changed },
  });
  return [
    ...moved,
    ...(warmer > climate.airC
      ? [{ id: 'warmer', name: `Warmer: ${warmer} °C`, edit: { code: 'climate/set' as const, change: { airC: warmer } } }]
      : []),
    ...(climate.humidityPct > DRIER_PCT
      ? [
          {
            id: 'drier',
            name: `Drier: ${DRIER_PCT} % humidity`,
            edit: { code: 'climate/set' as const, change: { humidityPct: DRIER_PCT } },
          },
        ]
      : []),
    ...weekdays.map((weekday) =>
      hours(
        `day-${weekday}`,
        `Also on ${WEEKDAYS[weekday - 1]!}s, 19:00–21:00`,
        [...calendar.hours, { weekday, ...EVENING }].sort((a, b) => a.weekday - b.weekday || a.fromMin - b.fromMin),
      ),
    ),
    hours(
      'longer',
      'An hour longer every time',
      calendar.hours.map((own) => ({ ...own, toMin: Math.min(DAY_MIN, own.toMin + LONGER_MIN) })),
    ),
    ...(stack.weighed
      ? [{ id: 'unweighed', name: 'Not under weights until through', edit: { code: 'stack/weighed' as const, weighed: false } }]
      : []),
  ];
}
const WEEKDAYS = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday'];
