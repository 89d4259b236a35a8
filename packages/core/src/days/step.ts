import { type Catalogue, type Estimate, cautionTexts, estimated } from '../catalogue';
import { type Figure, given, reckon, total } from '../base/units';

/** What a task comes after: its start waits at least this long from the other's end, and at most that long where something would set or skin over. */
export interface After {
  readonly taskId: string;
  readonly least: Figure<'min'>;
  readonly most: Figure<'min'> | null;
}
/** What a task takes up while it is done. */
export type Resource = 'hands';

/** Work on one workpiece, then a wait that needs no hands. */
export interface Task {
  readonly id: string;
  readonly stepId: string;
  readonly workpieceId: string;
  readonly work: Figure<'min'>;
  /** The work without the set-up that its step shares. */
  readonly alone: Figure<'min'>;
  /** Until the next task on the same workpiece may start. */
  readonly wait: Figure<'min'>;
  /** Until it is through, should nothing come after. */
  readonly cure: Figure<'min'>;
  /** Workpieces that become one with its own by it: it comes after what is done to each of them, and what is done to them after it. */
  readonly joins: readonly string[];
  readonly after: readonly After[];
  readonly uses: readonly Resource[];
}
/** The same work on several workpieces, sharing one set-up and clean-up. */
export interface Step {
  readonly id: string;
  readonly name: string;
  readonly kind: 'cut' | 'glue' | 'coat' | 'pour';
  readonly tasks: readonly Task[];
  readonly work: Figure<'min'>;
  readonly cautions: readonly string[];
}
/** A task before it stands in the order of work. */
export type TaskDraft = Omit<Task, 'after' | 'uses' | 'alone'>;
/** A step before its set-up is shared out. */
export interface Draft {
  readonly id: string;
  readonly name: string;
  readonly kind: Step['kind'];
  readonly setUp: Estimate;
  readonly cautionIds: readonly string[];
  readonly tasks: readonly TaskDraft[];
}

export const NO_WAIT = given('No wait', 0, 'min', 'definition');
const HANDS: readonly Resource[] = ['hands'];

export const task = (
  stepId: string,
  workpieceId: string,
  work: Figure<'min'>,
  wait: Figure<'min'>,
  cure: Figure<'min'> = wait,
): TaskDraft => ({ id: `${stepId}-${workpieceId}`, stepId, workpieceId, work, wait, cure, joins: [] });

/**
 * Steps in the order of work: each task comes after the last one on its workpiece and on those it joins to it, and the first of a step carries its set-up and clean-up.
 * Steps without tasks are left out.
 */
export function inOrderOfWork(drafts: readonly Draft[], catalogue: Catalogue): readonly Step[] {
  const last = new Map<string, readonly TaskDraft[]>();
  return drafts
    .filter(({ tasks }) => tasks.length > 0)
    .map(({ id, name, kind, setUp, cautionIds, tasks: drafted }): Step => {
      const worked = (own: TaskDraft): readonly string[] => [own.workpieceId, ...own.joins];
      const before = drafted.map((own) => [...new Set(worked(own).flatMap((workpieceId) => last.get(workpieceId) ?? []))]);
      for (const own of drafted)
        for (const workpieceId of worked(own))
          last.set(
            workpieceId,
            drafted.filter((one) => worked(one).includes(workpieceId)),
          );
      const tasks = drafted.map((own, i): Task => {
        const after = before[i]!.map(({ id: taskId, wait: least }) => ({ taskId, least, most: null }));
        const { id: ownId, stepId, workpieceId, wait, cure, joins } = own;
        const work = i === 0 ? withSetUp(name, own, setUp) : own.work;
        return { id: ownId, stepId, workpieceId, work, alone: own.work, wait, cure, joins, after, uses: HANDS };
      });
      const work = total(
        name,
        'min',
        tasks.map((one) => one.work),
      );
      return { id, name, kind, tasks, work, cautions: cautionTexts(catalogue, cautionIds) };
    });
}

const withSetUp = (name: string, { workpieceId, work }: TaskDraft, setUp: Estimate): Figure<'min'> =>
  reckon(`${name}, ${workpieceId}, with set-up and clean-up`, 'min', work, '+', estimated('Set-up and clean-up, once', setUp, 'min'));
