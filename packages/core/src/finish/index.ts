/** What is only looked at in Coats and Supplies: fetched when one of them is opened, for it is none of the first load. */
export { coatMatrix } from '../coats/matrix';
export { banksOf } from '../ground/banks';
export { mixesOf } from '../mixes';
export { floorsOf } from '../patterns';
export { strewnOn } from '../scatter';
