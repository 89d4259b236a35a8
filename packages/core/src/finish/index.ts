/** What is only looked at in Section, Coats and Supplies: fetched when one of them is opened, for it is none of the first load. */
export { detailOf, movesOf } from '../moves';
export { coatMatrix } from '../coats/matrix';
export { banksOf } from '../ground/banks';
export { mixesOf } from '../mixes';
export { needsByWorkpiece } from '../supplies/by-workpiece';
export { floorsOf } from '../patterns';
export { heightChoices } from '../stack';
export { sectionDrawing } from '../section';
export { strewnOn } from '../scatter';
