export { coatWaits, glueWait } from './waits';
export type { Waits } from './waits';
