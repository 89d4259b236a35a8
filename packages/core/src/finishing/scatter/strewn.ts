import { type Point, EMPTY, areaMm2, contains, distanceMm, grown, isEmpty, unite, without } from '../../base/geometry';
import { seeded } from '../../base/random';
import type { CoatNeed } from '../coats';
import { kindOf } from '../../plan/features';
import { type Ground, type SurfaceArea, profileOf } from '../../terrain/ground';
import { type Spot, scattered } from './scatter';

/** Things of one coat on the board, each in its place. */
export interface Strewn {
  readonly surfaceId: string;
  readonly coatId: string;
  readonly name: string;
  readonly spots: readonly Spot[];
  readonly leastMm: number;
}
interface StrewnInputs {
  readonly needs: readonly CoatNeed[];
  readonly areas: readonly SurfaceArea[];
  readonly ground: Ground;
  readonly seed: number;
  /** Standing room that is kept free round what stays free, mm. */
  readonly clearMm: number;
}

/** More than this is strewn by the handful, not placed. */
const MOST = 4_000;
/** How far round the foot of something raised things gather, mm. */
const FOOT_MM = 14;

/** Where everything that is set down one by one comes to stand: in clumps and at the feet of walls as far as the coat says, never where ground is kept free. @source craft.md §6 */
export function strewnOn({ needs, areas, ground, seed, clearMm }: StrewnInputs): readonly Strewn[] {
  const free = ground.lands
    .filter(({ feature }) => kindOf(feature).staysFree === true || kindOf(feature).isPlot === true)
    .map(({ whole }) => whole);
  const keptFree = free.length === 0 ? EMPTY : grown(unite(free), clearMm);
  return needs.flatMap((need, i): Strewn[] => {
    const { coating, coat, surfaceId } = need;
    if (coating.spread.by !== 'count') return [];
    const area = areas.find((one) => one.surfaceId === surfaceId);
    if (area === undefined) return [];
    const whole = area.stretches.length === 0 ? EMPTY : unite(area.stretches.map(({ region }) => region()));
    const region = isEmpty(keptFree) ? whole : without(whole, [keptFree]);
    if (isEmpty(region)) return [];
    const perM2 = coat.strewn?.perM2 ?? coating.spread.perM2.value;
    const count = Math.min(MOST, Math.round((perM2 * areaMm2(whole) * coat.coverPct) / 100 / 1e6));
    const random = seeded(seed * 7_919 + i * 104_729 + 13);
    const weightAt = weights(ground, (coat.strewn?.clumpPct ?? 40) / 100, (coat.strewn?.feetPct ?? 40) / 100, random);
    const { spots, leastMm } = scattered({ region, count, weightAt, sizeMm: coating.spread.sizeMm }, random);
    return [{ surfaceId, coatId: need.coatId, name: `${coating.name}, ${area.name}`, spots, leastMm }];
  });
}

/** Thicker in clumps (round centres of chance), at the foot of what rises and in the deep of what is sunk. */
function weights(ground: Ground, clump: number, feet: number, random: () => number): (at: Point) => number {
  const box = ground.tiles.reduce(
    (all, { box: own }) => ({ right: Math.max(all.right, own.right), bottom: Math.max(all.bottom, own.bottom) }),
    { right: 1, bottom: 1 },
  );
  const centres = Array.from({ length: Math.ceil((box.right * box.bottom) / 60_000) + 3 }, () => ({
    x: random() * box.right,
    y: random() * box.bottom,
    r: 25 + random() * 60,
  }));
  const rising = ground.lands.filter(({ role, whole }) => (role === 'mass' || role === 'standing') && !isEmpty(whole));
  const near = rising.flatMap(({ whole }) => whole.rings).map((ring) => ({ ring, box: boxOf(ring) }));
  const holes = ground.lands.filter(({ role, body }) => role === 'hole' && !isEmpty(body));
  return (at) => {
    const inClump = centres.reduce((most, one) => Math.max(most, 1 - distanceMm(at, one) / one.r), 0);
    let weight = 1 - clump + clump * 3.5 * Math.max(0, inClump) ** 1.5;
    if (feet > 0) {
      const atFoot = near.some(
        ({ ring, box: own }) => at.x > own.left && at.x < own.right && at.y > own.top && at.y < own.bottom && alongRing(ring, at) < FOOT_MM,
      );
      const isDeep = holes.some((land) => contains(land.body, at) && profileOf(land)(at) < land.levelMm * 0.6);
      if (atFoot || isDeep) weight += feet * 3;
    }
    return weight;
  };
}

function boxOf(ring: readonly Point[]): { left: number; top: number; right: number; bottom: number } {
  const xs = ring.map(({ x }) => x);
  const ys = ring.map(({ y }) => y);
  return {
    left: Math.min(...xs) - FOOT_MM,
    right: Math.max(...xs) + FOOT_MM,
    top: Math.min(...ys) - FOOT_MM,
    bottom: Math.max(...ys) + FOOT_MM,
  };
}
function alongRing(ring: readonly Point[], at: Point): number {
  let least = Infinity;
  ring.forEach((a, i) => {
    const b = ring[(i + 1) % ring.length]!;
    const [dx, dy] = [b.x - a.x, b.y - a.y];
    const t = Math.max(0, Math.min(1, ((at.x - a.x) * dx + (at.y - a.y) * dy) / (dx * dx + dy * dy || 1)));
    least = Math.min(least, Math.hypot(at.x - a.x - dx * t, at.y - a.y - dy * t));
  });
  return least;
}
