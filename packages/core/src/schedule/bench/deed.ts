import type { z } from 'zod';
import type { DeepReadonly } from '../../base/readonly';
import type { DeedSchema, TimerSchema } from './schema';

/** One thing that was done at the bench. Deeds are only ever added; one is taken back by another. */
export type Deed = DeepReadonly<z.infer<typeof DeedSchema>>;
export type Act = Deed['act'];
export type Timer = DeepReadonly<z.infer<typeof TimerSchema>>;

/** A deed with its turn in the journal that all devices share; null for one that waits on this device. */
export interface KeptDeed {
  readonly turn: number | null;
  readonly deed: Deed;
}
