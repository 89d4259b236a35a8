import type { Point } from '../../../base/geometry';
import type { EdgeJoint, Face, Opening, Vec } from '../../shell';

/** How walls meet at their corners. */
export type CornerJoint = 'mitre' | 'butt' | 'v-fold' | 'score-fold';
export const CORNER_TEXTS: Readonly<Record<CornerJoint, string>> = {
  mitre: 'mitred',
  butt: 'butt, each wall covers the next',
  'v-fold': 'folded in a V-cut',
  'score-fold': 'scored and folded, gaps filled',
};

/** A regular ring about a middle, counter-clockwise from above, one side facing the viewer. @param acrossMm from the middle to the middle of a side */
export function regularRing(sides: number, acrossMm: number, middle: Point = { x: 0, y: 0 }): readonly Point[] {
  const outMm = acrossMm / Math.cos(Math.PI / sides);
  return Array.from({ length: sides }, (_, i) => {
    const turn = -Math.PI / 2 - Math.PI / sides + (2 * Math.PI * i) / sides;
    return { x: middle.x + outMm * Math.cos(turn), y: middle.y + outMm * Math.sin(turn) };
  });
}

export interface Enclosure {
  readonly id: string;
  readonly name: (wall: number) => string;
  readonly role: string;
  /** Corners as asked, counter-clockwise from above. */
  readonly ring: readonly Point[];
  readonly fromMm?: number;
  /** Height at each corner, the same for both walls that meet there. */
  readonly topMm: (corner: number) => number;
  readonly corners: CornerJoint;
  readonly grows: 'out' | 'in';
  readonly bottom: EdgeJoint;
  readonly top: (wall: number) => EdgeJoint;
  readonly openings?: (wall: number, longMm: number) => readonly Opening[];
  /** Corners along the top between its two ends, from its right end to its left as seen from outside: over the foot, from its left end. */
  readonly profile?: (wall: number, longMm: number) => readonly Point[];
  /** Walls left out: the ring is open there. */
  readonly without?: readonly number[];
  readonly shows?: Face['shows'];
}

/** Walls round a plan: corner by corner the joints that were asked for. A folded ring is closed by one mitre. */
export function walled(of: Enclosure): readonly Face[] {
  const { id, ring, fromMm = 0, corners, without = [] } = of;
  const n = ring.length;
  const wallId = (i: number): string => `${id}-${((i + n) % n) + 1}`;
  const isThere = (i: number): boolean => !without.includes((i + n) % n);
  const seam = without.length > 0 ? -1 : n - 1;
  const joint = (wall: number, other: number, isEnd: boolean): EdgeJoint => {
    if (!isThere(other)) return { joint: 'free' };
    const to = wallId(other);
    if (corners === 'mitre') return { joint: 'mitre', to };
    if (corners === 'butt') return isEnd ? { joint: 'over', to } : { joint: 'against', to };
    // The seam lies after the last wall.
    if ((isEnd ? wall : (wall + n - 1) % n) === seam) return { joint: 'mitre', to };
    return { joint: 'fold', to, by: corners === 'v-fold' ? 'v-cut' : 'score' };
  };
  return ring.flatMap((from, i): Face[] => {
    if (!isThere(i)) return [];
    const to = ring[(i + 1) % n]!;
    const longMm = Math.hypot(to.x - from.x, to.y - from.y);
    const at = (x: number, z: number): Vec => [
      from.x + ((to.x - from.x) * x) / longMm,
      from.y + ((to.y - from.y) * x) / longMm,
      fromMm + z,
    ];
    const profile = of.profile?.(i, longMm) ?? [];
    const openings = of.openings?.(i, longMm) ?? [];
    return [
      {
        id: wallId(i),
        name: of.name(i),
        role: of.role,
        corners: [at(0, 0), at(longMm, 0), at(longMm, of.topMm((i + 1) % n)), ...profile.map(({ x, y }) => at(x, y)), at(0, of.topMm(i))],
        edges: [of.bottom, joint(i, i + 1, true), ...profile.map(() => of.top(i)), of.top(i), joint(i, i - 1, false)],
        openings,
        grows: of.grows,
        ...(of.shows === undefined ? {} : { shows: of.shows }),
      },
    ];
  });
}
/** The id of one wall of an enclosure. */
export const wallOf = (id: string, wall: number): string => `${id}-${wall + 1}`;

/** A level plate over a plan: its top at a height, its thickness below it or above. */
export function levelFace(
  of: Pick<Face, 'id' | 'name' | 'role'> & Partial<Pick<Face, 'openings' | 'lies' | 'shows'>>,
  ring: readonly Point[],
  atMm: number,
  thickness: 'below' | 'above',
  edge: (side: number) => EdgeJoint,
): Face {
  return {
    ...of,
    corners: ring.map(({ x, y }) => [x, y, atMm]),
    edges: ring.map((_, i) => edge(i)),
    grows: thickness === 'below' ? 'in' : 'out',
  };
}

/** A hole in a level plate, given in plan: told in the plate's own axes, which start at its first corner and run along its first side. */
export function inFaceOf(ring: readonly Point[], hole: readonly Point[]): readonly Point[] {
  const [a, b] = [ring[0]!, ring[1]!];
  const long = Math.hypot(b.x - a.x, b.y - a.y);
  const [ux, uy] = [(b.x - a.x) / long, (b.y - a.y) / long];
  return hole.map(({ x, y }) => ({ x: (x - a.x) * ux + (y - a.y) * uy, y: (y - a.y) * ux - (x - a.x) * uy }));
}
