export type { LogEntry, Logged } from './entry';
export { likelyFrom } from './like';
export type { Likely } from './like';
export { logCsv, logHtml, logMarkdown } from './told';
export { totalsOf } from './totals';
export type { Total } from './totals';
export { FigurePath, LogEntrySchema } from './schema';
