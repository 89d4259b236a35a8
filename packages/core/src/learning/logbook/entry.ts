import type { z } from 'zod';
import type { DeepReadonly } from '../../base/readonly';
import type { LogEntrySchema } from './schema';

/** One thing that was done or seen at the bench. */
export type LogEntry = DeepReadonly<z.infer<typeof LogEntrySchema>>;
/** A figure as it was planned and as it really came out. */
export type Logged = LogEntry['figures'][number];
