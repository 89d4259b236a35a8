/** `npm run bench`: how fast and how good the reckoning is, written to docs/bench.md with the machine named. */
import { writeFileSync } from 'node:fs';
import { cpus, totalmem } from 'node:os';
import { WORKSHOP_CATALOGUE as catalogue } from '@spare-acre/core/catalogue/workshop';
import { derivePipeline } from '@spare-acre/core/pipeline';
import { fieldOf, tableBox } from '@spare-acre/core/terrain/ground';
import { clearanceMap, sightMap, widestBase } from '@spare-acre/core/terrain/play';
import { countTables, puzzleOf } from '@spare-acre/core/terrain/tiling';
import { largeTable, nineTiles } from './bench/boards';
import { SEARCH_MS, fillRows, knownRows, layoutRows, mixedRows, packerRows, shapedRows } from './bench/layouts';
import { LayoutWorkers, WORKERS } from './bench/layout-workers';
import { MAX_BYTES, MAX_FILES, firstLoad } from './bench/first-load';
import { apartRows, coatRows } from './bench/coats';
import { errandRows, exactRow, weighingRows } from './bench/buying';
import { surenessRows } from './bench/sureness';
import { countedRows, demoEvenings, eveningRows, quickRows } from './bench/evenings';
import { pieceRows } from './bench/pieces';
import { figureRows, waitRows } from './bench/waits';
import { ensureWebBuilt } from './setup.mjs';
import { ROUNDS, WARM_ROUNDS, ms, timed } from './bench/timed';

const run = <Answer>(search: Generator<unknown, Answer, void>): Answer => {
  for (;;) {
    const step = search.next();
    if (step.done) return step.value;
  }
};

function groundRows(): string[][] {
  const plan = largeTable();
  const { ground } = derivePipeline()(plan, catalogue);
  const table = tableBox(plan.table);
  const field = fieldOf(ground, table, 4);
  const rows: string[][] = [];
  const measure = (name: string, limit: string, work: () => unknown): void => {
    const { median, p95 } = timed(() => void work(), 3, 12);
    rows.push([name, ms(median), ms(p95), limit]);
  };
  measure('height field, 60 features', '150 ms', () => fieldOf(ground, table, 4));
  measure('clearance map', '200 ms', () => clearanceMap(field, plan.play));
  measure('widest base from side to side, with its way', '–', () => widestBase(field, plan.play, 'left', 'right'));
  measure('sight from all four sides', '2 s', () => run(sightMap(field, plan.figureHeightMm)));
  return rows;
}

function tableRows(): string[][] {
  return (['bare', 'roads'] as const).map((sort) => {
    const puzzle = puzzleOf(derivePipeline()(nineTiles(sort), catalogue).ground);
    const count = run(countTables(puzzle));
    const { median } = timed(() => void run(countTables(puzzle)), 1, 5);
    const name = { bare: 'all different, bare edges', roads: 'all different, roads over some edges' }[sort];
    return [
      name,
      count.known === 'too-large' ? 'given up' : `${count.known === 'over' ? 'over ' : ''}${count.tables.toLocaleString('en-GB')}`,
      ms(median),
      '2 s',
    ];
  });
}

const table = (head: readonly string[], rows: readonly (readonly string[])[]): string =>
  [
    `| ${head.join(' | ')} |`,
    `| ${head.map((_, i) => (i === 0 ? '---' : '---:')).join(' | ')} |`,
    ...rows.map((row) => `| ${row.join(' | ')} |`),
  ].join('\n');

const machine = `${cpus()[0]?.model ?? 'unknown processor'}, ${cpus().length} cores, ${Math.round(totalmem() / 2 ** 30)} GiB, Node ${process.version}`;
await ensureWebBuilt();
const load = firstLoad();
const layoutWorkers = new LayoutWorkers();
const text = `# Bench

Made by \`npm run bench\` on: ${machine}. Median and 95th percentile of ${ROUNDS} runs after ${WARM_ROUNDS} to warm up.

## Deriving a plan

What a person waits for: the stages that the open view, the tally and the marks need, first without the evenings where the view does not look at them, then all of it, packing and sending among it; each answer
packed and sent; and, on the main thread, unpacked and taken in. Every plan is a fresh copy. The figures before and after the pipeline became a table of stages, from one run, stand in
[bench-before-after.md](bench-before-after.md).

${table(['board and edit', 'first answer', 'evenings as well', 'packing', 'main thread', 'answer'], waitRows())}

## A figure of one's own

Brinefold, its supplies looked at, in one run: an answer from nothing, as whoever forgets the board gives it; an answer with what is kept of the board; and what is fetched, the whole catalogue or the change.

${table(['what is another', 'from nothing', 'median', '95 %', 'catalogue', 'change'], figureRows())}

## Making pieces

One piece in sizes of chance, clad where it has walls: parts, joints, mass, how it stands, bricks. Then a whole answer on a board of forty.

${table(['piece', 'median', '95 %', 'wanted'], pieceRows())}

## Coats

In the app the swatch is made in a worker of its own.

${table(['what', 'median', '95 %', 'wanted'], coatRows())}

Things strewn keep apart, of the distance in the tightest packing (chance alone comes to some 0.02; the best known way of throwing, to about 0.75):

${table(['things', 'share'], apartRows())}

## Evenings

Workshops of chance with every kind of rule but set-ups and air that changes, at most eight tasks, against every plan there is on a grid of ten minutes:

${table(['best there is', 'not the best', 'rightly none', 'a plan missed', 'a rule broken', 'too many to count'], countedRows())}

Larger ones, two or three people, drying places, weights, hours, arrivals, wet on wet, windows with a second chance:

${table(['workshop', 'planned', 'a rule broken', 'over the bound', 'better than the best order by rule'], eveningRows())}

The whole schedule, as it is calculated after every change:

${table(['board', 'tasks', 'median', '95 %'], quickRows())}

Brinefold:

${table(['what', 'ready', 'not before'], demoEvenings())}

## How sure

Bands of the tally, of every need and what it costs, and of the ready date, from 2,000 chances each, draws and all:

${table(['board', 'figures, median', '95 %', 'dates'], surenessRows())}

## Buying and weighing

The least money over all shops against looking at every basket, 1,000 small errands: ${exactRow(1_000)}. Errands of 60 things, 6 shops and 200 offers, the whole wait:

${table(['seed', 'took', 'answer'], errandRows([11, 12, 13, 14, 15, 16]))}

Ways to build Brinefold, weighed against each other:

${table(['ways', 'calculated in full', 'first front', 'settled', 'against all'], weighingRows())}

## The first load

Script, gzipped, that is fetched until Ground can be used, the worker's included; what page and worker share is one file.

${table(['file', 'gzipped', 'at most'], load.rows)}

## The ground of 1800 × 1200 mm in cells of 4 mm

Each in one go, on one core; in the app they run in a worker.

${table(['what', 'median', '95 %', 'wanted'], groundRows())}

## Other tables from nine square tiles in four turns

Counted exactly up to a million, tables that are the same when turned once.

${table(['tiles', 'tables', 'time', 'wanted'], tableRows())}

## Laying parts on sheets

Random everyday parts (40–500 × 40–400 mm, seeded) on sheets of 1250 × 600 mm, trim 5, kerf 1, straight-through cuts, beside the area
bound that no layout can beat.

${table(['job', 'sheets', 'bound', 'over the bound', 'within one sheet of it', 'time'], layoutRows())}

## Searching for a better layout

${SEARCH_MS / 1_000} s a job at most in ${WORKERS} workers, straight-through cuts. Jobs made by cutting up 1 to 6 whole sheets at random into 8 to 60 parts, then shrinking each side by its own
chance, so that the number of sheets is known and no sides match; half of them with a kerf of 3 mm. Seeds are drawn again each time.

${table(['waste', 'seed', 'known number reached in 2 s', 'in 10 s', 'more than one over', 'wanted'], await knownRows(layoutWorkers))}

Everyday parts beside a general rectangle packer (maxrects-packer), which need not keep to straight cuts:

${table(['job', 'sheets', 'packer', 'area bound', 'worse than the packer'], await packerRows(layoutWorkers))}

The same parts on the stocked sizes of one foam, with two offcuts in the rack, for the least money:

${table(['job', 'quick layout over the bound', 'search over the bound', 'proven best'], await mixedRows(layoutWorkers))}

Crescents, angles and wedges by their boxes with straight cuts, and by their true outlines with a wire:

${table(['job', 'sheets, boxes', 'sheets, outlines', 'bound of the true areas'], await shapedRows(layoutWorkers))}

How full one sheet is laid with 32 of them, kerf 1 mm, quarter turns:

${table(['parts together', `on one sheet in ${SEARCH_MS / 1_000} s`, 'in 10 s'], await fillRows(layoutWorkers))}
`;
await layoutWorkers.end();
writeFileSync(new URL('../docs/bench.md', import.meta.url), text);
console.log(text);
if (load.bytes > MAX_BYTES || load.fileCount > MAX_FILES) {
  console.error(`The first load is ${load.bytes} bytes in ${load.fileCount} files. Enter ${MAX_BYTES} in ${MAX_FILES}.`);
  process.exitCode = 1;
}
