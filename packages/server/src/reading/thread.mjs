// @ts-check
// A thread does not inherit the loader that reads TypeScript: it is brought in before the tasks are.
import { register } from 'tsx/esm/api';

register();
const tasks = await import('./tasks.ts');
export const { newBoard, boardFile, save, storedPlan, storedCard, ownEntries, exported, picture } = tasks;
