export { dryingFactor, isTooCold, settingFactor, settingPace, waterPace } from './paces';
export { notedAir } from './bench-air';
export { dayForAir, kindOfPlace, dryingPlacesOf } from './spots';
export type { Airs, DryingPlace, DryingPlaces } from './spots';
export { clockWait, coatWaits, fullGlueWait, gluePace, glueWait, longer, usualMin, waitOf } from './waits';
export type { GlueLine, Ground, Wait, Waits } from './waits';
