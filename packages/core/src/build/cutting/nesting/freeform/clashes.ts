import { FIT_MM } from '../guillotine/cut-tree';
import type { Aim, Blank, Stock } from '../layout';
import { costOf, fitsOn, isNew, roomOf } from '../stock';

/**
 * What the new sheets must cost at least because some parts cannot lie with one another: of parts no two of which share a sheet, each takes a sheet of its own, the cheapest that it
 * goes on; as many as there are offcuts that one of them goes on, the dearest ones, may lie there for nothing. A bound for boxes.
 */
export function leastByClashes(blanks: readonly Blank[], stock: readonly Stock[], kerfMm: number, aim: Aim): number {
  const apart: Blank[] = [];
  // A large part clashes with most others.
  for (const blank of blanks.toSorted((a, b) => b.widthMm * b.depthMm - a.widthMm * a.depthMm))
    if (apart.every((other) => !shareASheet(blank, other, stock, kerfMm))) apart.push(blank);
  const kinds = stock.filter(isNew);
  const costs = apart
    .map((blank) => Math.min(...kinds.filter((kind) => fitsOn(blank, kind, kerfMm)).map((kind) => costOf(kind, aim))))
    .filter((cost) => cost < Infinity)
    .sort((a, b) => b - a);
  const offcuts = stock.filter((one) => !isNew(one) && apart.some((blank) => fitsOn(blank, one, kerfMm))).length;
  return costs.slice(offcuts).reduce((sum, cost) => sum + cost, 0);
}

/** Whether two parts go side by side, one way or another, on any sheet there is: a straight line parts any two boxes. */
function shareASheet(a: Blank, b: Blank, stock: readonly Stock[], kerfMm: number): boolean {
  const liesOf = ({ widthMm, depthMm, mayTurn }: Blank): readonly (readonly [number, number])[] => {
    const [w, h] = [widthMm + kerfMm, depthMm + kerfMm];
    return mayTurn
      ? [
          [w, h],
          [h, w],
        ]
      : [[w, h]];
  };
  return stock.some((one) => {
    const { w, h } = roomOf(one, kerfMm);
    return liesOf(a).some(([aw, ah]) =>
      liesOf(b).some(
        ([bw, bh]) =>
          (aw + bw <= w + FIT_MM && Math.max(ah, bh) <= h + FIT_MM) || (ah + bh <= h + FIT_MM && Math.max(aw, bw) <= w + FIT_MM),
      ),
    );
  });
}
