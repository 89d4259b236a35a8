import { z } from 'zod';
import { Id } from '../../plan/fields';
import { Revision } from './boards';

/** What a page that has a board open is told of others. */
export const LiveEvent = z.discriminatedUnion('kind', [
  /** The board as it stands: told at first, and after every save, tick or other change of it. */
  z.strictObject({ kind: z.literal('at'), revision: Revision, by: z.string().nullable(), what: z.enum(['plan', 'record', 'now']) }),
  /** Who else has it open. */
  z.strictObject({
    kind: z.literal('here'),
    others: z.array(z.strictObject({ person: z.string().nullable(), device: z.enum(['desk', 'phone']) })),
  }),
  /** The board was put away. */
  z.strictObject({ kind: z.literal('away') }),
]);
export const LiveQuery = z.strictObject({ tab: Id });

export type LiveEvent = z.infer<typeof LiveEvent>;
