import { LayoutWorkers } from './layout-workers';
import { knownRows, mixedRows, packerRows, shapedRows } from './layouts';
const workers = new LayoutWorkers();
const which = process.argv[2] ?? 'mixed';
const rows = which === 'mixed' ? await mixedRows(workers) : which === 'packer' ? await packerRows(workers) : which === 'shaped' ? await shapedRows(workers) : await knownRows(workers);
console.log(rows.map((row) => row.join(' | ')).join('\n'));
await workers.end();
