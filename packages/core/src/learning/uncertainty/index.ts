export { type Band, type Widener, bandOf, enoughIn, widenersOf } from './band';
export { Draws } from './draws';
export { showBand } from './words';
export { type Drawn, Redrawn } from './redrawn';
