/** How a slack cable hangs between two points: y = a cosh((x − lowAtMm) / a) − a, over its lowest point. */
export interface Catenary {
  /** The stretch of the curve: horizontal pull over weight a length. */
  readonly aMm: number;
  /** Where it is lowest, from its first end; beyond an end where it only rises. */
  readonly lowAtMm: number;
  readonly lengthMm: number;
}

/**
 * @param spanMm between its ends along the ground; @param riseMm how much higher its second end is; @param slack share of the straight way by which it is longer, over 0
 * @source √(L² − v²) = 2 a sinh(d / 2a): sinh(u) / u = √(L² − v²) / d with u = d / 2a, by Newton's steps
 */
export function catenary(spanMm: number, riseMm: number, slack: number): Catenary {
  const lengthMm = Math.hypot(spanMm, riseMm) * (1 + slack);
  const wanted = Math.sqrt(lengthMm ** 2 - riseMm ** 2) / spanMm;
  let u = Math.min(Math.sqrt(6 * (wanted - 1)), Math.log(2 * wanted) + Math.log(1 + Math.log(2 * wanted)));
  for (let i = 0; i < 60; i++) {
    const off = Math.sinh(u) / u - wanted;
    const step = off / ((Math.cosh(u) - Math.sinh(u) / u) / u);
    u -= step;
    if (Math.abs(step) < 1e-13 * u) break;
  }
  const aMm = spanMm / (2 * u);
  return { aMm, lowAtMm: spanMm / 2 - aMm * Math.atanh(riseMm / lengthMm), lengthMm };
}
/** Height over its lowest point. */
export const hangsMm = ({ aMm, lowAtMm }: Catenary, xMm: number): number => aMm * (Math.cosh((xMm - lowAtMm) / aMm) - 1);
