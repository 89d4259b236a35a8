export { firstTile } from './first-tile';
export { LESSONS } from './lessons';
export type { Learner, Lesson } from './lessons';
