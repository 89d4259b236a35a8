import type { Random } from '../../base/random';

/**
 * A line along which masonry broke: from one place down to another, in steps of chance that never run back. The same chance, the same break, so that what
 * lies on both sides of it fits.
 */
export function brokenLine(
  random: Random,
  {
    from,
    to,
    count,
    roughMm,
  }: { readonly from: readonly [number, number]; readonly to: readonly [number, number]; readonly count: number; readonly roughMm: number },
): readonly (readonly [x: number, z: number])[] {
  const weights = Array.from({ length: count }, () => 0.5 + random());
  const whole = weights.reduce((sum, weight) => sum + weight, 0);
  const line: [number, number][] = [[from[0], from[1]]];
  let at = 0;
  weights.forEach((weight, i) => {
    at += weight / whole;
    const rough = i === count - 1 ? 0 : (random() - 0.5) * 2 * roughMm;
    const low = Math.min(from[1], to[1]);
    line.push([
      from[0] + (to[0] - from[0]) * at,
      Math.max(low, Math.min(Math.max(from[1], to[1]), from[1] + (to[1] - from[1]) * at + rough)),
    ]);
  });
  return line;
}
