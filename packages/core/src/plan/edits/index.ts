export { EDIT_CODES, applied, appliedTo, applyIn, atOnce, editName } from './edits';
export type { Edit, EditCode, EditNamed, SingleEdit } from './edits';
