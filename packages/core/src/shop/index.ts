export { CutSheetSchema, PartId, RecordSchema, sheetFields } from './schema';
export { EMPTY_SHOP, NOTHING_DONE, freeOffcuts, isSameRecord, mergeRecords } from './shop';
export type { BoardRecord, CutSheet, Offcut, RecordDraft, Shop } from './shop';
