export { CutSheetSchema, DoneTaskSchema, PartId, RecordSchema, sheetFields } from './schema';
export { EMPTY_WORKSHOP, EMPTY_STOCK, NOTHING_DONE, doneAt, freeOffcuts, isSameRecord, mergeRecords } from './shop';
export type { BoardRecord, CutSheet, DoneTask, Offcut, RecordDraft, WorkshopState, Stock } from './shop';
