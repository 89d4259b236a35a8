import { type ThroughCut, cutOrder } from '../nesting';
import type { CutJob } from '../job';

/** One line of a cut list, as it is written down: what, where from, how far, how often. */
export interface ListedCut {
  readonly step: number;
  readonly piece: string;
  readonly way: ThroughCut['way'];
  readonly from: 'left' | 'top';
  readonly atMm: number;
  readonly lengthMm: number;
  readonly line: ThroughCut['line'];
  readonly passes: number;
  readonly leaves: readonly string[];
}

/** The cuts of a sheet in order with finished parts by their names; empty where straight-through cuts do not free them. */
export function listedCuts(job: CutJob, index: number): readonly ListedCut[] {
  const order = cutOrder(job.layout.sheets[index]!, job.kerfMm);
  if (order === null) return [];
  const names = new Map(order.freed.map(({ piece, blankId }) => [piece, job.parts.find(({ id }) => id === blankId)?.name ?? piece]));
  return order.cuts.map(({ piece, way, atMm, lengthMm, line, leaves }, i) => ({
    step: i + 1,
    piece,
    way,
    from: way === 'down' ? 'left' : 'top',
    atMm,
    lengthMm,
    line,
    passes: job.passes.value,
    leaves: leaves.flatMap((name) => (name === null ? [] : [names.get(name) ?? name])),
  }));
}
