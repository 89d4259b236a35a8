import { type Catalogue, type Estimate, cautionTexts, estimated } from '../catalogue';
import { type Figure, given, reckon, total } from '../units';

/** Work on one tile, then a wait that needs no hands. */
export interface Task {
  readonly id: string;
  readonly stepId: string;
  readonly tileId: string;
  readonly work: Figure<'min'>;
  /** The work without the set-up that its step shares. */
  readonly alone: Figure<'min'>;
  /** Until the next task on the same tile may start. */
  readonly wait: Figure<'min'>;
  /** Until it is through, should nothing come after. */
  readonly cure: Figure<'min'>;
}
/** The same work on several tiles, sharing one set-up and clean-up. */
export interface Step {
  readonly id: string;
  readonly name: string;
  readonly kind: 'cut' | 'glue' | 'coat' | 'pour';
  readonly tasks: readonly Task[];
  readonly work: Figure<'min'>;
  readonly cautions: readonly string[];
}
/** A step before its set-up is shared out. */
export interface Draft {
  readonly id: string;
  readonly name: string;
  readonly kind: Step['kind'];
  readonly setUp: Estimate;
  readonly cautionIds: readonly string[];
  readonly tasks: readonly Task[];
}

export const NO_WAIT = given('No wait', 0, 'min', 'definition');

export const task = (stepId: string, tileId: string, work: Figure<'min'>, wait: Figure<'min'>, cure: Figure<'min'> = wait): Task => ({
  id: `${stepId}-${tileId}`,
  stepId,
  tileId,
  work,
  alone: work,
  wait,
  cure,
});

/** The first tile of a step carries its set-up and clean-up. */
export function withSetUp({ id, name, kind, setUp, cautionIds, tasks }: Draft, catalogue: Catalogue): Step {
  const [first, ...rest] = tasks;
  const all = [
    {
      ...first!,
      work: reckon(
        `${name}, ${first!.tileId}, with set-up and clean-up`,
        'min',
        first!.work,
        '+',
        estimated('Set-up and clean-up, once', setUp, 'min'),
      ),
    },
    ...rest,
  ];
  return {
    id,
    name,
    kind,
    tasks: all,
    work: total(
      name,
      'min',
      all.map(({ work }) => work),
    ),
    cautions: cautionTexts(catalogue, cautionIds),
  };
}
