import { FIT_MM } from '../guillotine/cut-tree';
import { type PlacedSheet, type Placement, type SheetRule, endsOf } from '../layout';

/** Whether two parts leave room for the blade between them. */
export type Apart = (a: Placement, b: Placement, kerfMm: number) => boolean;
/** Where something lies on a sheet. */
export type Lying = Pick<Placement, 'xMm' | 'yMm' | 'widthMm' | 'depthMm'>;

/** Sizes are kept to a thousandth: that much may be lost between two parts. */
const KEPT_MM = 0.002;

/** Whether a part lies within the trim. */
export function isOnSheet({ xMm, yMm, widthMm, depthMm }: Lying, rule: SheetRule): boolean {
  const { rightMm, bottomMm } = endsOf(rule);
  return (
    xMm >= rule.trim.leftMm - KEPT_MM &&
    yMm >= rule.trim.topMm - KEPT_MM &&
    xMm + widthMm <= rightMm + KEPT_MM &&
    yMm + depthMm <= bottomMm + KEPT_MM
  );
}

/** Whether two parts leave room for the blade between them. */
export function areApart(a: Lying, b: Lying, kerfMm: number): boolean {
  const gap = Math.max(a.xMm - b.xMm - b.widthMm, b.xMm - a.xMm - a.widthMm, a.yMm - b.yMm - b.depthMm, b.yMm - a.yMm - a.depthMm);
  return gap >= kerfMm - KEPT_MM;
}

/** The largest free rectangle of a sheet: its sides lie on sides of parts or of the sheet, so those lines are all that need looking at. */
export function restBeside(placements: readonly Lying[], rule: SheetRule): PlacedSheet['rest'] {
  const { trim, kerfMm } = rule;
  const { rightMm: right, bottomMm: bottom } = endsOf(rule);
  const lefts = [trim.leftMm, ...placements.map((p) => p.xMm + p.widthMm + kerfMm)];
  const tops = [trim.topMm, ...placements.map((p) => p.yMm + p.depthMm + kerfMm)];
  let best = { xMm: 0, yMm: 0, widthMm: 0, depthMm: 0 };
  for (const x of lefts) {
    for (const y of tops) {
      // Downwards from (x, y) the free width only shrinks: walk the parts that narrow it from the top.
      const below = placements
        .filter((p) => p.xMm + p.widthMm + kerfMm > x + FIT_MM && p.yMm + p.depthMm + kerfMm > y + FIT_MM)
        .sort((a, b) => a.yMm - b.yMm);
      let widthMm = right - x;
      for (const p of [...below, null]) {
        const depthMm = Math.max(0, (p === null ? bottom : Math.min(bottom, p.yMm - kerfMm)) - y);
        if (widthMm > 0 && widthMm * depthMm > best.widthMm * best.depthMm) best = { xMm: x, yMm: y, widthMm, depthMm };
        if (p !== null) widthMm = Math.min(widthMm, p.xMm - kerfMm - x);
        if (widthMm <= 0) break;
      }
    }
  }
  return best;
}
