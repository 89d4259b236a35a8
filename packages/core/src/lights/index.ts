export { grooveDepths, lightFigures, pocketOf } from './lights';
export type { Light } from './lights';
