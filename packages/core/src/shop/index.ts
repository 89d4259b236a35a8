export { CutSheetSchema, PartId, RecordSchema, sheetFields } from './schema';
export { EMPTY_SHOP, EMPTY_STOCK, NOTHING_DONE, freeOffcuts, isSameRecord, mergeRecords } from './shop';
export type { BoardRecord, CutSheet, Offcut, RecordDraft, Shop, Stock } from './shop';
