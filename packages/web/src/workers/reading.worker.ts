import { expose } from 'comlink';
import { readPriceList } from '@spare-acre/core/procurement/buying';
import { readEntries, readEntryFile } from '@spare-acre/core/catalogue/editing';
import { busyFrom, readingsFromCsv } from '@spare-acre/core/io/formats';
import { drawing, heights, hill } from './searches/files';

/** Readers of files that somebody brings. Each file gets a worker of its own, which ends with it. */
const readers = { busyFrom, drawing, heights, hill, readEntries, readEntryFile, readPriceList, readingsFromCsv };
export type Readers = typeof readers;
expose(readers);
