// @ts-check
// A thread does not inherit the loader that reads TypeScript: it is brought in before the work is.
import { register } from 'tsx/esm/api';

register();
const work = await import('./work.ts');
export const { newBoard, boardFile, save, storedPlan, exported, picture } = work;
