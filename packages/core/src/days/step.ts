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
): TaskDraft => ({ id: `${stepId}-${workpieceId}`, stepId, workpieceId, work, wait, cure });

/**
 * Steps in the order of work: each task comes after the last one on its workpiece, and the first of a step carries its set-up and clean-up.
 * Steps without tasks are left out.
 */
export function inOrderOfWork(drafts: readonly Draft[], catalogue: Catalogue): readonly Step[] {
  const last = new Map<string, TaskDraft>();
  return drafts
    .filter(({ tasks }) => tasks.length > 0)
    .map(({ id, name, kind, setUp, cautionIds, tasks: drafted }): Step => {
      const tasks = drafted.map((own, i): Task => {
        const before = last.get(own.workpieceId);
        last.set(own.workpieceId, own);
        const after = before === undefined ? [] : [{ taskId: before.id, least: before.wait, most: null }];
        const { id: ownId, stepId, workpieceId, wait, cure } = own;
        const work = i === 0 ? withSetUp(name, own, setUp) : own.work;
        return { id: ownId, stepId, workpieceId, work, alone: own.work, wait, cure, after, uses: HANDS };
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
