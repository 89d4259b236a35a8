export type { LogEntry, Logged } from './entry';
export { logCsv, logMarkdown } from './told';
export { LogEntrySchema } from './schema';
