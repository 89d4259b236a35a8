import type { CutJob } from '../../build/cutting/job';
import { type Blank, isNew, roomOf } from '../../build/cutting/nesting';

/** How far a size is changed at most, mm: what a builder would hardly see on a table. */
export const MAX_CHANGE_MM = 30;
/** Lengths of one job that are looked at together, the longest of them. */
const MAX_LENGTHS = 10;
/** Shorter ones fit in somewhere whatever the sizes are. */
const MIN_LENGTH_MM = 60;
const FIT_MM = 1e-6;

/** A side of parts, and how much shorter it becomes with each millimetre of a change. */
interface Side {
  readonly mm: number;
  readonly rate: number;
}

/**
 * Changes of a size at which one more part goes along an edge of a sheet: i sides of one length and j of another with the blade's kerf between them,
 * i (a + k − s r) + j (b + k − s q) = room. Between two of them no part goes where none went before.
 * @param now the jobs of a plan; @param changed the same with the size one millimetre smaller, from which the rates are read
 * @param stepMm what sizes are measured in: a millimetre, or a sixteenth of an inch
 * @returns multiples of a step up to {@link MAX_CHANGE_MM}, in order
 */
export function breakpointsMm(now: readonly CutJob[], changed: readonly CutJob[], stepMm: number): readonly number[] {
  const found = new Set<number>();
  for (const job of now) {
    const other = changed.find(({ key }) => key === job.key);
    if (other === undefined) continue;
    const sides = sidesOf(job.parts, other.parts);
    if (sides.every(({ rate }) => rate <= 0)) continue;
    for (const roomMm of roomsOf(job))
      for (const mm of shrinksFor(sides, roomMm, job.kerfMm)) {
        const steps = Math.ceil((mm - FIT_MM) / stepMm);
        if (steps >= 1 && steps * stepMm <= MAX_CHANGE_MM) found.add(steps * stepMm);
      }
  }
  return [...found].sort((a, b) => a - b);
}

type Size = Pick<Blank, 'id' | 'widthMm' | 'depthMm'>;

const roomsOf = ({ stock, kerfMm }: CutJob): ReadonlySet<number> =>
  new Set(
    stock.filter(isNew).flatMap((sheet) => {
      const { w, h } = roomOf(sheet, kerfMm);
      return [w, h];
    }),
  );

function sidesOf(parts: readonly Size[], changed: readonly Size[]): readonly Side[] {
  const after = new Map(changed.map((part) => [part.id, part]));
  const known = new Map<string, Side>();
  for (const part of parts) {
    const other = after.get(part.id);
    if (other === undefined) continue;
    for (const side of [
      { mm: part.widthMm, rate: part.widthMm - other.widthMm },
      { mm: part.depthMm, rate: part.depthMm - other.depthMm },
    ])
      if (side.mm >= MIN_LENGTH_MM) known.set(`${side.mm.toFixed(2)} ${side.rate.toFixed(2)}`, side);
  }
  // What moves is looked at first, and the longest, since few of them go on a sheet.
  return [...known.values()].sort((a, b) => Number(b.rate > 0) - Number(a.rate > 0) || b.mm - a.mm).slice(0, MAX_LENGTHS);
}

function* shrinksFor(sides: readonly Side[], roomMm: number, kerfMm: number): Generator<number> {
  for (const [index, one] of sides.entries()) {
    if (one.rate <= 0) continue;
    for (let i = 1; i * (one.mm + kerfMm - MAX_CHANGE_MM * one.rate) <= roomMm + FIT_MM; i++) {
      yield (i * (one.mm + kerfMm) - roomMm) / (i * one.rate);
      for (const [otherIndex, other] of sides.entries()) {
        if (otherIndex === index) continue;
        const left = roomMm - i * (one.mm + kerfMm - MAX_CHANGE_MM * one.rate);
        const most = Math.floor((left + FIT_MM) / Math.max(1, other.mm + kerfMm - MAX_CHANGE_MM * Math.max(0, other.rate)));
        for (let j = 1; j <= most; j++) {
          const rate = i * one.rate + j * other.rate;
          if (rate > 0) yield (i * (one.mm + kerfMm) + j * (other.mm + kerfMm) - roomMm) / rate;
        }
      }
    }
  }
}
