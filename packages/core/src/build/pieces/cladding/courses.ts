/** A line round what is clad, in its own axes: `s` along the courses, `t` up across them. Where it is turned round a corner it runs on beyond its end. */
export interface CladEdge {
  readonly from: readonly [s: number, t: number];
  readonly to: readonly [s: number, t: number];
  /** mm that even and odd courses run on beyond it, out of what is clad; below 0 where they stop short. */
  readonly beyondMm: readonly [even: number, odd: number];
}
/** How units lie in courses. */
export interface Bond {
  readonly longMm: number;
  readonly highMm: number;
  /** Between two units of a course, and between two courses. */
  readonly jointMm: number;
  /** So much of a unit lies under the course over it, and under its neighbour. */
  readonly lapMm: number;
  readonly sideLapMm: number;
  readonly bond: 'running' | 'stacked' | 'english';
  /** The lowest course lies double, as slates do at the eaves. */
  readonly startsDouble: boolean;
}
/** What was laid: two halves come from one unit, every other cut takes one of its own. */
export interface Laid {
  readonly courses: number;
  readonly whole: number;
  readonly cut: number;
  readonly halves: number;
}

/** Narrower than this is no unit: it goes into the joint. */
const SLIVER_MM = 0.2;
interface Span {
  readonly from: number;
  readonly to: number;
}

/**
 * Counts the units that cover a surface, course by course: each course is the surface between two heights, in strips between the heights of its
 * corners, so that a unit counts as whole only where every strip holds the whole of it.
 * @param edges all lines round the surface and its openings; @param bottomMm where the first course begins; @param leftMm where even courses begin
 */
export function laidOn(edges: readonly CladEdge[], bond: Bond, bottomMm: number, leftMm: number): Laid {
  const gaugeMm = bond.highMm - bond.lapMm + bond.jointMm;
  const showsMm = gaugeMm - bond.jointMm;
  const topMm = Math.max(...edges.flatMap(({ from, to }) => [from[1], to[1]]));
  let [courses, whole, cut, halves] = [0, 0, 0, 0];
  for (let course = 0; bottomMm + course * gaugeMm < topMm - SLIVER_MM; course++) {
    const fromMm = bottomMm + course * gaugeMm;
    const laid = courseOf(stripsOf(edges, fromMm, fromMm + showsMm, course % 2), bond, leftMm, course, showsMm);
    if (laid.whole + laid.cut + laid.halves === 0) continue;
    const times = bond.startsDouble && courses === 0 ? 2 : 1;
    courses++;
    [whole, cut, halves] = [whole + laid.whole * times, cut + laid.cut * times, halves + laid.halves * times];
  }
  return { courses, whole, cut, halves };
}

/** A level strip of a surface, in trapezoids: how far each reaches at most and what of it is clad at every height. */
interface Strip {
  readonly highMm: number;
  readonly reaches: readonly Span[];
  readonly clear: readonly Span[];
}

function stripsOf(edges: readonly CladEdge[], fromMm: number, toMm: number, parity: number): Strip[] {
  const between = edges.map(({ from }) => from[1]).filter((t) => t > fromMm && t < toMm);
  const heights = [...new Set([fromMm, ...between, toMm])].sort((a, b) => a - b);
  return heights.slice(1).flatMap((upMm, i) => {
    const downMm = heights[i]!;
    const highMm = upMm - downMm;
    if (highMm < SLIVER_MM) return [];
    const middle = (downMm + upMm) / 2;
    const crossing = edges
      .filter(({ from, to }) => from[1] < middle !== to[1] < middle)
      .map((edge) => ({ edge, at: along(edge, middle), ends: [along(edge, downMm), along(edge, upMm)] as const }))
      .sort((a, b) => a.at - b.at);
    const [reaches, clear]: [Span[], Span[]] = [[], []];
    for (let n = 0; n + 1 < crossing.length; n += 2) {
      const [left, right] = [crossing[n]!, crossing[n + 1]!];
      const leftEnds = left.ends.map((s) => s - left.edge.beyondMm[parity as 0 | 1]);
      const rightEnds = right.ends.map((s) => s + right.edge.beyondMm[parity as 0 | 1]);
      reaches.push({ from: Math.min(...leftEnds), to: Math.max(...rightEnds) });
      clear.push({ from: Math.max(...leftEnds), to: Math.min(...rightEnds) });
    }
    return [{ highMm, reaches, clear }];
  });
}
const along = ({ from, to }: CladEdge, t: number): number => from[0] + ((to[0] - from[0]) * (t - from[1])) / (to[1] - from[1]);

function courseOf(strips: readonly Strip[], bond: Bond, leftMm: number, course: number, showsMm: number): Omit<Laid, 'courses'> {
  const isHeaders = bond.bond === 'english' && course % 2 === 1;
  const halfMm = (bond.longMm - bond.jointMm) / 2;
  const longMm = isHeaders ? halfMm : bond.longMm;
  const pitchMm = longMm + bond.jointMm - bond.sideLapMm;
  const startMm = leftMm - (bond.bond === 'running' && course % 2 === 1 ? (bond.longMm + bond.jointMm - bond.sideLapMm) / 2 : 0);
  const filledMm = strips.reduce((sum, { highMm }) => sum + highMm, 0);
  const isFull = filledMm > showsMm - SLIVER_MM;
  let [whole, cut, halves] = [0, 0, 0];
  for (const run of joined(strips.flatMap(({ reaches }) => reaches))) {
    for (let n = Math.floor((run.from - startMm) / pitchMm) - 1; startMm + n * pitchMm < run.to; n++) {
      const from = Math.max(run.from, startMm + n * pitchMm);
      const to = Math.min(run.to, startMm + n * pitchMm + longMm);
      // What a neighbour covers anyway is no unit of its own.
      if (to - from < Math.max(SLIVER_MM, bond.sideLapMm)) continue;
      const isLong = to - from > longMm - SLIVER_MM;
      const holds = ({ clear }: Strip): boolean => clear.some((span) => span.from < from + SLIVER_MM && span.to > to - SLIVER_MM);
      if (to - from < halfMm + SLIVER_MM) halves++;
      else if (isLong && isFull && strips.every(holds)) whole++;
      else cut++;
    }
  }
  return { whole, cut, halves };
}

/** Spans brought together where they touch. */
function joined(spans: readonly Span[]): Span[] {
  const out: { from: number; to: number }[] = [];
  for (const { from, to } of [...spans].sort((a, b) => a.from - b.from)) {
    const last = out.at(-1);
    if (last !== undefined && from < last.to + SLIVER_MM) last.to = Math.max(last.to, to);
    else if (to > from) out.push({ from, to });
  }
  return out;
}
