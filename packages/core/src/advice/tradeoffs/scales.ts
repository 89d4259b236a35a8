import type { Catalogue } from '../../catalogue';
import type { Plan } from '../../plan';
import { type WorkshopState, EMPTY_WORKSHOP } from '../../plan/workshop';
import { type Axis, axesOf } from './axes';
import { type Weight, asSeen } from './weigh';
import { ALL_UNITS, LoadedUnits, pipelineWith } from '../../pipeline';

/** What a way comes to, with what it takes. */
export interface WholeWeight extends Weight {
  readonly readyText: string;
  /** Names of all that goes into it, for what is not to be in it. */
  readonly takes: readonly string[];
}
/** The questions a board leaves open, and what weighs an answer in full. */
export interface Scales {
  readonly axes: readonly Axis[];
  readonly weigh: (plan: Plan) => WholeWeight;
}

/** Scales for a board: its questions, and the reckoning without the checks. */
export function scalesFor(plan: Plan, catalogue: Catalogue, shop: WorkshopState = EMPTY_WORKSHOP): Scales {
  const derive = pipelineWith(
    new LoadedUnits({ ...ALL_UNITS, schedule: { ...ALL_UNITS.schedule, planDays: ALL_UNITS.schedule.planWithoutBound } }),
    'all',
  );
  const parts = new Map<string, unknown>();
  return {
    axes: axesOf(plan, catalogue, derive(plan, catalogue, shop)),
    weigh: (way) => {
      const { tally, supplies, days } = derive(withSharedParts(way, plan, parts), catalogue, shop);
      return {
        ...asSeen({
          costMinor: tally.cost.value,
          handsOnMin: tally.handsOn.value,
          readyMin: days.ready?.at.value ?? Infinity,
          massG: tally.mass.value,
        }),
        readyText: tally.readyText,
        takes: supplies.rows.map(({ name }) => name),
      };
    },
  };
}

/** The same plan of parts that are one and the same object wherever they say the same: what follows from them alone is reckoned once. */
function withSharedParts(way: Plan, base: Plan, parts: Map<string, unknown>): Plan {
  const shared = Object.entries(way).map(([name, part]: [string, unknown]) => {
    if (part === base[name as keyof Plan]) return [name, part];
    const key = `${name} ${JSON.stringify(part)}`;
    if (!parts.has(key)) parts.set(key, part);
    return [name, parts.get(key)];
  });
  return Object.fromEntries(shared) as Plan;
}
