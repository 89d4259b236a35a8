import type { Point, Region } from '../../base/geometry';

/** What stands over one place, from its underside there to its top, mm over the foot of what it belongs to. */
export interface UprightSpan {
  readonly id: string;
  readonly name: string;
  readonly hatch: string;
  readonly fromMm: number;
  readonly toMm: number;
}
/** Triangles of one body in the plan's axes, mm over its foot: x right, y towards the near edge; outward faces counter-clockwise with x right, up, and y towards the viewer. */
export interface UprightMesh {
  readonly places: readonly (readonly [x: number, y: number, upMm: number])[];
  readonly triangles: readonly (readonly [number, number, number])[];
}
/** Spans along one stretch of a cut, each from so far to so far along it. */
export interface UprightCut {
  readonly fromMm: number;
  readonly toMm: number;
  readonly spans: readonly (UprightSpan & { readonly startMm: number; readonly endMm: number })[];
}
/** Something with a shape of its own that stands on a plot, as the ground needs to know it. */
export interface Upright {
  readonly featureId: string;
  readonly ground: Region;
  /** From below upwards. */
  readonly spansAt: (at: Point) => readonly UprightSpan[];
  /** What an upright cut meets of it, stretch by stretch inside its ground. */
  readonly cutAlong: (from: Point, to: Point) => readonly UprightCut[];
  /** Whether a base is meant to stand at a place that high over the foot. */
  readonly isLevel: (at: Point, upMm: number) => boolean;
  /** It is for walking over, not under: its highest level counts. */
  readonly isWalkedOver: boolean;
  readonly meshes: () => readonly UprightMesh[];
}

/** What a place comes to for figures and eyes, mm over the foot. */
export interface Stand {
  /** Where a figure stands; null where something is in its way. */
  readonly walkMm: number | null;
  /** Up to here something stands in the way of figures and eyes. */
  readonly topMm: number;
  /** What hangs over that and hides what is behind it: a lintel, a roof. */
  readonly over: { readonly fromMm: number; readonly toMm: number } | null;
}

/** Gaps under this are the joint between two parts. */
const JOINT_MM = 0.3;

interface Standing {
  readonly spans: readonly Pick<UprightSpan, 'fromMm' | 'toMm'>[];
  /** The ground there over the foot: 0 on the plot, less over a pit. */
  readonly groundMm: number;
  readonly figureMm: number;
  readonly isLevel: (upMm: number) => boolean;
  readonly isWalkedOver: boolean;
}
/**
 * Where a figure stands among what lies over a place: on the lowest level that is meant for it and leaves it room, the ground being one; on the highest of
 * what is walked over. A map has one height a place: floors over that are told by the piece's own levels.
 */
export function standAmong({ spans, groundMm, figureMm, isLevel, isWalkedOver }: Standing): Stand {
  const solid: { fromMm: number; toMm: number }[] = [];
  for (const { fromMm, toMm } of spans) {
    const last = solid.at(-1);
    if (last !== undefined && fromMm <= last.toMm + JOINT_MM) last.toMm = Math.max(last.toMm, toMm);
    else solid.push({ fromMm, toMm });
  }
  const overAt = (from: number): Stand['over'] => {
    const hung = solid.slice(from);
    return hung.length === 0 ? null : { fromMm: hung[0]!.fromMm, toMm: hung.at(-1)!.toMm };
  };
  const roomOver = (upMm: number, next: number): boolean => (solid[next]?.fromMm ?? Infinity) - upMm >= figureMm;
  const levels = [
    ...(roomOver(groundMm, 0) ? [{ upMm: groundMm, next: 0 }] : []),
    ...solid.flatMap(({ toMm }, i) => (isLevel(toMm) && roomOver(toMm, i + 1) ? [{ upMm: toMm, next: i + 1 }] : [])),
  ];
  const level = levels.at(isWalkedOver ? -1 : 0);
  return level === undefined
    ? { walkMm: null, topMm: solid[0]!.toMm, over: overAt(1) }
    : { walkMm: level.upMm, topMm: level.upMm, over: overAt(level.next) };
}
