export type { DeepReadonly } from './readonly';
