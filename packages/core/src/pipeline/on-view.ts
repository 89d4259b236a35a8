/** What only some views look at: Section, Coats, Supplies and Bench. None of it is in the first load. */
export { detailOf, benchTasksOf } from '../schedule/bench-tasks';
export { coatMatrix } from '../finishing/coats/matrix';
export { banksOf } from '../terrain/ground/banks';
export { mixesOf } from '../finishing/mixes';
export { needsByWorkpiece } from '../procurement/supplies/by-workpiece';
export { floorsOf } from '../finishing/patterns';
export { heightChoices } from '../build/stack';
export { sectionDrawing } from '../terrain/section';
export { strewnOn } from '../finishing/scatter';
