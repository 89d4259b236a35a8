export type { LogEntry, Logged } from './entry';
export { logCsv, logHtml, logMarkdown } from './told';
export { totalsOf } from './totals';
export type { Total } from './totals';
export { FigurePath, LogEntrySchema } from './schema';
