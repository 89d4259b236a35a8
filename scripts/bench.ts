/** `npm run bench`: how fast and how good the reckoning is, written to docs/bench.md with the machine named. */
import { writeFileSync } from 'node:fs';
import { cpus, totalmem } from 'node:os';
import { WORKSHOP_CATALOGUE as catalogue } from '@spare-acre/core/catalogue/workshop';
import { type Blank, type SheetRule, fewestSheets, layOut } from '@spare-acre/core/cutting';
import { brinefold } from '@spare-acre/core/demo';
import { derivePipeline } from '@spare-acre/core/derive';
import { type Feature, type FeatureKind, type Plan, newFeature, newPlan, rectangle, reshaped } from '@spare-acre/core/plan';
import { seeded } from '@spare-acre/core/random';

const WARM_ROUNDS = 30;
const ROUNDS = 40;

/** Median and 95th percentile in ms of a piece of work, each round told its number. */
function timed(work: (round: number) => void): { median: number; p95: number } {
  for (let round = 0; round < WARM_ROUNDS; round++) work(round);
  const times = Array.from({ length: ROUNDS }, (_, round) => {
    const start = performance.now();
    work(WARM_ROUNDS + round);
    return performance.now() - start;
  }).sort((a, b) => a - b);
  return { median: times[ROUNDS >> 1]!, p95: times[Math.floor(ROUNDS * 0.95)]! };
}

/** 24 tiles with 200 features of all kinds and shapes. */
function crowdedBoard(): Plan {
  const random = seeded(7);
  const board = newPlan(
    { name: 'Crowded', units: 'metric', widthMm: 3000, depthMm: 2000, columns: 6, rows: 4, figureHeightMm: 28, startsOn: '2026-11-30' },
    catalogue,
  );
  const features = Array.from({ length: 200 }, (_, i): Feature => {
    const [x, y] = [Math.round(random() * 2800), Math.round(random() * 1800)];
    const shapes: Feature['shape'][] = [
      {
        form: 'strip',
        points: [
          { x, y },
          { x: x + 200, y: y + 120 },
          { x: x + 450, y },
        ],
        widthMm: 30 + Math.round(random() * 40),
        bendMm: 60,
      },
      { form: 'round', centre: { x, y }, radiusMm: 20 + Math.round(random() * 60) },
      rectangle({ x, y }, { x: x + 150, y: y + 90 }),
    ];
    const kinds: FeatureKind[] = ['raised', 'pit', 'water', 'route'];
    return newFeature(board, kinds[i % 4]!, shapes[i % 3]!, `f${i}`, catalogue);
  });
  return { ...board, features };
}

/** The plan with one feature moved a little, as a drag does it. */
const nudged = (plan: Plan, index: number, round: number): Plan => ({
  ...plan,
  features: plan.features.map((feature, i) =>
    i === index && feature.shape.form === 'strip' ? reshaped(feature, { ...feature.shape, widthMm: 40 + (round % 30) }) : feature,
  ),
});

function deriveRows(): string[][] {
  const rows: string[][] = [];
  for (const [name, plan, index, limit] of [
    ['Brinefold, 6 tiles', brinefold(catalogue), 7, 30],
    ['24 tiles, 200 features', crowdedBoard(), 3, 150],
  ] as const) {
    const fresh = timed(() => void derivePipeline()(plan, catalogue));
    const derive = derivePipeline();
    derive(plan, catalogue);
    const drag = timed((round) => void derive(nudged(plan, index, round), catalogue));
    rows.push([`${name}, from nothing`, ms(fresh.median), ms(fresh.p95), `${limit} ms`]);
    rows.push([`${name}, one feature dragged`, ms(drag.median), ms(drag.p95), `${limit} ms`]);
  }
  return rows;
}

/** Random jobs against the area bound: no layout can take fewer sheets than that. */
function layoutRows(): string[][] {
  const rule: SheetRule = { widthMm: 1250, depthMm: 600, trimMm: 5, kerfMm: 1 };
  return [10, 30, 60].map((count) => {
    let [sheets, bound, within] = [0, 0, 0];
    const jobs = 50;
    for (let seed = 1; seed <= jobs; seed++) {
      const random = seeded(seed * 1000 + count);
      const blanks = Array.from({ length: count }, (_, i): Blank => ({
        id: `p${i}`,
        widthMm: 40 + Math.round(random() * 460),
        depthMm: 40 + Math.round(random() * 360),
        mayTurn: true,
      }));
      const used = layOut(blanks, rule).sheets.length;
      const fewest = fewestSheets(blanks, rule);
      sheets += used;
      bound += fewest;
      within += Number(used <= fewest + 1);
    }
    const random = seeded(count);
    const blanks = Array.from({ length: count }, (_, i): Blank => ({
      id: `p${i}`,
      widthMm: 40 + Math.round(random() * 460),
      depthMm: 40 + Math.round(random() * 360),
      mayTurn: true,
    }));
    const { median } = timed(() => void layOut(blanks, rule));
    return [
      `${count} parts, ${jobs} jobs`,
      String(sheets),
      String(bound),
      `${((sheets / bound - 1) * 100).toFixed(1)} %`,
      `${Math.round((within / jobs) * 100)} %`,
      ms(median),
    ];
  });
}

const ms = (value: number): string => `${value.toFixed(1)} ms`;
const table = (head: readonly string[], rows: readonly (readonly string[])[]): string =>
  [
    `| ${head.join(' | ')} |`,
    `| ${head.map((_, i) => (i === 0 ? '---' : '---:')).join(' | ')} |`,
    ...rows.map((row) => `| ${row.join(' | ')} |`),
  ].join('\n');

const machine = `${cpus()[0]?.model ?? 'unknown processor'}, ${cpus().length} cores, ${Math.round(totalmem() / 2 ** 30)} GiB, Node ${process.version}`;
const text = `# Bench

Made by \`npm run bench\` on: ${machine}. Median and 95th percentile of ${ROUNDS} runs after ${WARM_ROUNDS} to warm up.

## Deriving a plan

The whole pipeline, searches left out. A drag must fit between two frames of the drawing, which itself never waits for it.

${table(['board', 'median', '95 %', 'wanted'], deriveRows())}

## Laying parts on sheets

Random everyday parts (40–500 × 40–400 mm, seeded) on sheets of 1250 × 600 mm, trim 5, kerf 1, straight-through cuts, beside the area
bound that no layout can beat.

${table(['job', 'sheets', 'bound', 'over the bound', 'within one sheet of it', 'time'], layoutRows())}
`;
writeFileSync(new URL('../docs/bench.md', import.meta.url), text);
console.log(text);
