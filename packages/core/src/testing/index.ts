export { aTask, anOffcut, expectComesApart, expectSoundLayout, sheetOf } from './cutting';
export { aBench, aCalendar, aSpot, aWorkStep, inTurn } from './days';
export { sampleEdit } from './edits';
export {
  CATALOGUE,
  aBank,
  aBoard,
  aClearing,
  aCoat,
  aCrater,
  aField,
  aHill,
  aMound,
  aPatch,
  aPit,
  aPlot,
  aPool,
  aRamp,
  aTrack,
  aWall,
  coatsOf,
  derived,
  mended,
  someLights,
  withCoats,
} from './plans';
export { chanceSettings, chanceStocks } from './pieces';
export { GRID_MIN, chanceProblem, countedOut } from './chance-problems';
export { anErrand, bestOfAll } from './errands';
export type { Errand } from './errands';
