export { CutSheetSchema, DoneTaskSchema, PartId, RecordSchema, sheetFields } from './schema';
export { EMPTY_SHOP, EMPTY_STOCK, NOTHING_DONE, doneAt, freeOffcuts, isSameRecord, mergeRecords } from './shop';
export type { BoardRecord, CutSheet, DoneTask, Offcut, RecordDraft, Shop, Stock } from './shop';
