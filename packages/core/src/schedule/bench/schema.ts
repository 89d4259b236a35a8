import { z } from 'zod';
import { Day, longId, text, whole, within } from '../../plan/fields';
import { LogEntrySchema } from '../../learning/logbook';
import { DoneTaskSchema } from '../../plan/workshop';

const TaskId = longId(160);
/** A moment by the clock of the device, since 1970. */
const Ms = z.number().int().min(0).max(9e15);
const Name = text(160);

/** What a timer watches over: a mix that sets, glue that skins over, weights that lie, a coat that dries, or whatever the builder likes. */
export const TIMER_USES = ['pot', 'open', 'weights', 'touch', 'recoat', 'calls', 'own'] as const;
export const TimerSchema = z.strictObject({
  id: z.uuid(),
  name: Name,
  use: z.enum(TIMER_USES),
  taskId: TaskId.nullable(),
  fromMs: Ms,
  dueMs: Ms,
  /** Calls back so often until it is due; null where it rings once. */
  everyMin: within({ min: 1, max: 1_440 }, 'min').nullable(),
});

/** What was done at the bench, each so that it can be sent twice and counts once. */
const Act = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('tick'), taskId: TaskId, task: DoneTaskSchema, name: Name }),
  z.strictObject({ kind: z.literal('untick'), taskId: TaskId, name: Name }),
  z.strictObject({ kind: z.literal('begin'), taskId: TaskId }),
  z.strictObject({ kind: z.literal('pause'), taskId: TaskId }),
  z.strictObject({ kind: z.literal('timer'), timer: TimerSchema }),
  z.strictObject({ kind: z.literal('timer-off'), timerId: z.uuid() }),
  z.strictObject({ kind: z.literal('note'), entry: LogEntrySchema }),
  /** A caution, or a first try, that was read and need not be shown large again. */
  z.strictObject({ kind: z.literal('read'), what: longId(80) }),
]);
export const DeedSchema = z.strictObject({
  id: z.uuid(),
  /** The device it was done on, by a name of its own. */
  device: z.uuid(),
  /** The last turn of the journal that the device knew then: what came after it, it did not know of. */
  seen: whole({ min: 0, max: 1e9 }),
  atMs: Ms,
  day: Day,
  act: Act,
});
