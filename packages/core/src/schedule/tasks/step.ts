import { type Catalogue, type Coating, type Doing, type Estimate, cautionTexts, estimated } from '../../catalogue';
import { type Figure, given } from '../../base/units';
import { type DryingPlace, type Wait, clockWait, longer } from '../drying';

/** What a task comes after: its start waits at least this long from the other's end, and at most that long where something would set or skin over. */
export interface After {
  readonly taskId: string;
  readonly wait: Wait;
  /** By the clock; null for as long as one likes. */
  readonly most: Figure<'min'> | null;
  /** Too late for that it may still be done after so long, as stated; null where it may not. */
  readonly orAfter: Figure<'min'> | null;
}

/** Work on one workpiece, then a wait that needs no hands. */
export interface Task {
  readonly id: string;
  readonly stepId: string;
  readonly workpieceId: string;
  /** Without the set-up, which is shared by what is done of a step in one sitting. */
  readonly work: Figure<'min'>;
  /** Where it lies while it waits. */
  readonly spot: DryingPlace;
  /** Until the next task on the same workpiece may start. */
  readonly wait: Wait;
  /** Until it is through, should nothing come after. */
  readonly cure: Wait;
  /** Until it may be lifted; none where it may be at once. */
  readonly touch: Wait;
  /** Lies flat until then, and takes a drying place. */
  readonly isFlat: boolean;
  /** How many people it takes at once. */
  readonly hands: number;
  /** What lies on it while it waits; null for nothing. */
  readonly weights: Figure<'kg'> | null;
  /** Looked after while it dries; null for not at all. */
  readonly calls: Figure<'min'> | null;
  /** Workpieces that become one with its own by it: it comes after what is done to each of them, and what is done to them after it. */
  readonly joins: readonly string[];
  readonly after: readonly After[];
}
/** What a step asks of people, places and hours. */
export interface Asks {
  readonly cautionIds: readonly string[];
  readonly isNoisy: boolean;
  readonly isSprayed: boolean;
  /** Colder than this nothing of it binds; null for any air. */
  readonly leastC: number | null;
  /** Somebody has to be up for so long after it. */
  readonly calledMin: number;
  /** What of the catalogue it uses up. */
  readonly stockIds: readonly string[];
}
/** The same work on several workpieces, sharing set-up and clean-up. */
export interface Step {
  readonly id: string;
  readonly name: string;
  readonly kind: 'cut' | 'glue' | 'coat' | 'pour';
  /** What is done, in the catalogue's word: by it are told what good looks like, and the usual mistake. */
  readonly does: Doing;
  readonly setUp: Figure<'min'>;
  readonly asks: Asks;
  readonly tasks: readonly Task[];
  readonly cautions: readonly string[];
}

/** What must follow a task within a time, by its id. */
export interface Follow {
  readonly taskId: string;
  readonly most: Figure<'min'>;
  readonly orAfter: Figure<'min'> | null;
}
/** A task further back that has to be as dry as this by then. */
export interface Awaited {
  readonly taskId: string;
  readonly wait: Wait;
}
/** A task before it stands in the order of work. */
export type TaskDraft = Omit<Task, 'after'> & { readonly follows: readonly Follow[]; readonly awaits: readonly Awaited[] };
/** A step before its tasks stand in the order of work. */
export interface Draft {
  readonly id: string;
  readonly name: string;
  readonly kind: Step['kind'];
  readonly does: Doing;
  readonly setUp: Estimate;
  readonly asks: Asks;
  readonly tasks: readonly TaskDraft[];
}

export const NO_WAIT: Wait = clockWait(given('No wait', 0, 'min', 'definition'));
const NOTHING: Asks = { cautionIds: [], isNoisy: false, isSprayed: false, leastC: null, calledMin: 0, stockIds: [] };
export const asks = (some: Partial<Asks>): Asks => ({ ...NOTHING, ...some });
/** The least warmth that all of some stand; null where none minds. */
export const coldest = (least: readonly (number | null)[]): number | null =>
  least.reduce((most, own) => (own === null ? most : Math.max(most ?? own, own)), null);
/** How long somebody has to look after a coating. */
export const calledFor = ({ tended }: Coating): number => tended?.forMin ?? 0;

type Plainly = Pick<TaskDraft, 'work' | 'spot'> & Partial<TaskDraft>;
/** A task without anything special to it, but what is said. */
export const task = (stepId: string, workpieceId: string, said: Plainly): TaskDraft => ({
  id: `${stepId}-${workpieceId}`,
  stepId,
  workpieceId,
  wait: NO_WAIT,
  cure: said.wait ?? NO_WAIT,
  touch: NO_WAIT,
  isFlat: false,
  hands: 1,
  weights: null,
  calls: null,
  joins: [],
  follows: [],
  awaits: [],
  ...said,
});

/**
 * Steps in the order of work: each task comes after the last one on its workpiece and on those it joins to it. Steps without tasks are left out.
 */
export function inOrderOfWork(drafts: readonly Draft[], catalogue: Catalogue): readonly Step[] {
  const last = new Map<string, readonly TaskDraft[]>();
  const followed = new Map<string, readonly [TaskDraft, Follow][]>();
  return drafts
    .filter(({ tasks }) => tasks.length > 0)
    .map(({ id, name, kind, does, setUp, asks: asked, tasks: drafted }): Step => {
      const worked = (own: TaskDraft): readonly string[] => [own.workpieceId, ...own.joins];
      const before = drafted.map((own) => [...new Set(worked(own).flatMap((workpieceId) => last.get(workpieceId) ?? []))]);
      for (const own of drafted) {
        for (const follow of own.follows) followed.set(follow.taskId, [...(followed.get(follow.taskId) ?? []), [own, follow]]);
        for (const workpieceId of worked(own))
          last.set(
            workpieceId,
            drafted.filter((one) => worked(one).includes(workpieceId)),
          );
      }
      const tasks = drafted.map(({ follows: _follows, awaits, ...own }, i): Task => {
        const after = before[i]!.map(({ id: taskId, wait }): After => ({ taskId, wait, most: null, orAfter: null }));
        for (const [{ id: taskId, wait }, { most, orAfter }] of followed.get(own.id) ?? []) {
          const at = after.findIndex((one) => one.taskId === taskId);
          // What does not come right before it is not waited for here, only not to be late for.
          if (at < 0) after.push({ taskId, wait: NO_WAIT, most, orAfter });
          else after[at] = { taskId, wait, most, orAfter };
        }
        for (const { taskId, wait } of awaits) {
          const at = after.findIndex((one) => one.taskId === taskId);
          if (at < 0) after.push({ taskId, wait, most: null, orAfter: null });
          else after[at] = { ...after[at]!, wait: longer(after[at]!.wait, wait) };
        }
        return { ...own, after };
      });
      const setUpOnce = estimated(`${name}, set-up and clean-up`, setUp, 'min');
      return { id, name, kind, does, setUp: setUpOnce, asks: asked, tasks, cautions: cautionTexts(catalogue, asked.cautionIds) };
    });
}
