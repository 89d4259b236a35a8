export { dryingFactor, settingFactor, vapourDeficit } from './climate';
export { coatWaits, glueWait } from './waits';
export type { Waits } from './waits';
