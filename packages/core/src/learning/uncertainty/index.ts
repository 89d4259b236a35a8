export { type Band, type VarianceDriver, bandOf, quantile, varianceDriversOf } from './band';
export { Draws } from './draws';
export { showBand } from './words';
export { type Drawn, Redrawn } from './redrawn';
