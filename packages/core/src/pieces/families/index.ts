export { basin } from './basin';
export { emplacement } from './emplacement';
export { fence } from './fence';
export { shed } from './shed';
export { tower } from './tower';
