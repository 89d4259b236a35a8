import { type Point, type Region, type Ring, grown, isEmpty, regionBox, regionOf } from '../../../base/geometry';

/** Rows are tried at so many offsets, and turned by so many steps of a right angle. */
const OFFSETS = 6;
const TURNS = 4;
/** Bases that touch exactly still fit. */
const SLACK_MM = 0.05;

/** Where the middles of bases may be: half a base from the edge. */
const middlesOn = (ring: Ring, baseMm: number): Region => grown(regionOf(ring), SLACK_MM - baseMm / 2);

/** Whether one base stands on a level. */
export const holdsABase = (ring: Ring, baseMm: number): boolean => !isEmpty(middlesOn(ring, baseMm));

/**
 * How many round bases stand on a level without touching its edge: the most that rows hold, squared or staggered, at several offsets and turns. At
 * least so many go on it; a loose crowd may squeeze in one more.
 */
export function capacityOf(ring: Ring, baseMm: number): number {
  const middles = middlesOn(ring, baseMm);
  if (isEmpty(middles)) return 0;
  let most = 1;
  for (let turn = 0; turn < TURNS; turn++) {
    const angle = (turn * Math.PI) / 2 / TURNS;
    const rings = middles.rings.map((own) => own.map((point) => rotated(point, angle)));
    const { left, top, bottom } = regionBox({ rings });
    const rowsFrom = (startMm: number, rowMm: number): Runs[] => {
      const rows: Runs[] = [];
      for (let y = top + SLACK_MM / 2 + startMm; y <= bottom; y += rowMm) rows.push(runsAt(rings, y));
      return rows;
    };
    for (let k = 0; k < OFFSETS; k++) {
      // Squared rows may each slide by themselves; staggered ones only all together.
      const squared = rowsFrom((k * baseMm) / OFFSETS, baseMm);
      most = Math.max(most, sum(squared.map((runs) => sum(runs.map(([from, to]) => Math.floor((to - from) / baseMm) + 1)))));
      const rowMm = (baseMm * Math.sqrt(3)) / 2;
      const rows = rowsFrom((k * rowMm) / OFFSETS, rowMm);
      for (let s = 0; s < OFFSETS; s++) {
        const startMm = left + SLACK_MM / 2 + (s * baseMm) / OFFSETS;
        most = Math.max(most, sum(rows.map((runs, row) => sum(runs.map((run) => inRun(run, startMm - (row % 2) * (baseMm / 2), baseMm))))));
      }
    }
  }
  return most;
}

const sum = (numbers: readonly number[]): number => numbers.reduce((all, one) => all + one, 0);
const rotated = ({ x, y }: Point, angle: number): Point => ({
  x: x * Math.cos(angle) - y * Math.sin(angle),
  y: x * Math.sin(angle) + y * Math.cos(angle),
});

type Runs = readonly (readonly [fromMm: number, toMm: number])[];
/** Where a level line lies inside. */
function runsAt(rings: readonly Ring[], y: number): Runs {
  const met = rings.flatMap((ring) =>
    ring.flatMap((from, i): number[] => {
      const to = ring[(i + 1) % ring.length]!;
      return from.y > y === to.y > y ? [] : [from.x + ((to.x - from.x) * (y - from.y)) / (to.y - from.y)];
    }),
  );
  met.sort((a, b) => a - b);
  return met.flatMap((from, i) => (i % 2 === 0 && met[i + 1] !== undefined ? [[from, met[i + 1]!] as const] : []));
}
/** How many places of a row lie in a run. */
const inRun = ([from, to]: Runs[number], startMm: number, baseMm: number): number =>
  Math.max(0, Math.floor((to - startMm) / baseMm) - Math.ceil((from - startMm) / baseMm) + 1);
