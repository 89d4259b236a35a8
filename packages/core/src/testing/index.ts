export { aTask, anOffcut, expectComesApart, expectSoundLayout, sheetOf } from './cutting';
export { sampleEdit } from './edits';
export {
  CATALOGUE,
  aBank,
  aBoard,
  aClearing,
  aCrater,
  aField,
  aHill,
  aMound,
  aPit,
  aPlot,
  aPool,
  aRamp,
  aTrack,
  aWall,
  derived,
  mended,
  someLights,
} from './plans';
export { chanceSettings, chanceStocks } from './pieces';
