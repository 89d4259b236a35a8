import { type Point, type Region, alongLine, isEmpty, lineLengthMm, pointAlong, regionBox, unite } from '../../base/geometry';
import { seeded } from '../../base/random';
import { type Catalogue, patternBy } from '../../catalogue';
import type { SurfaceArea } from '../../terrain/ground';
import type { Laid, Surface } from '../../plan';
import { type Shape, middleLine } from '../../plan/shapes';
import { type Coloured, coloured } from './colour';
import { type Course, type PatternTask, type Unit, layUnits } from './lay';

/** A stretch of ground laid in units, in their colours. */
export interface Floor {
  readonly surfaceId: string;
  readonly name: string;
  readonly unitName: string;
  readonly unitsName: string;
  readonly units: readonly Unit[];
  readonly whole: number;
  readonly cut: number;
  /** Tint of each unit, by its place in the recipe; null where it has none, or none such as no two neighbours share. */
  readonly colours: Coloured | null;
  /** What keeps it from being laid or coloured, in words; empty for nothing. */
  readonly fault: string;
}

/** Every surface that is laid in units, stretch by stretch where a track leads the courses. */
export function floorsOf(
  surfaces: readonly Surface[],
  areas: readonly SurfaceArea[],
  seed: number,
  catalogue: Catalogue,
): readonly Floor[] {
  return surfaces.flatMap((surface) => {
    const { laid } = surface;
    const area = areas.find(({ surfaceId }) => (surfaceId as string) === surface.id);
    if (laid === null || area === undefined || area.surface.value <= 0) return [];
    const led = area.stretches.filter(({ land }) => laid.followsLine && land !== null && land.feature.shape.form === 'strip');
    const others = area.stretches.filter((stretch) => !led.includes(stretch));
    const ground = { surface, laid, seed, catalogue };
    const plain = others.length === 0 ? null : unite(others.map(({ region }) => region()));
    return [
      ...led.map(({ name, land, region }) => floorOf(ground, name, region(), land!.feature.shape)),
      ...(plain === null || isEmpty(plain) ? [] : [floorOf(ground, surface.name, plain, null)]),
    ];
  });
}

interface LaidGround {
  readonly surface: Surface;
  readonly laid: Laid;
  readonly seed: number;
  readonly catalogue: Catalogue;
}
function floorOf({ surface, laid, seed, catalogue }: LaidGround, name: string, region: Region, along: Shape | null): Floor {
  const pattern = patternBy(catalogue, laid.patternId);
  const task: PatternTask = { pattern, laid, region, seed, ...(along?.form === 'strip' ? led(along, laid) : turned(region, laid)) };
  const base = { surfaceId: surface.id, name, unitName: pattern.unitName, unitsName: pattern.unitsName };
  const units = layUnits(task);
  if (!units.ok)
    return {
      ...base,
      units: [],
      whole: 0,
      cut: 0,
      colours: null,
      fault: `more than ${units.problem.most} ${pattern.unitsName}: Use larger ones`,
    };
  const cut = units.value.filter(({ isCut }) => isCut).length;
  const counts = { whole: units.value.length - cut, cut };
  if (laid.tints.length < 2) return { ...base, units: units.value, ...counts, colours: null, fault: '' };
  const colours = coloured(
    units.value.map(({ beside }) => beside),
    laid.tints.map(({ parts }) => parts),
    seeded(seed + 17),
  );
  if (colours.ok) {
    const fault = colours.value.isAsAsked
      ? ''
      : `one tint has such a large share that equal tints would lie side by side, so the shares were evened out`;
    return { ...base, units: units.value, ...counts, colours: colours.value, fault };
  }
  const fault = 'with so few tints, some neighbours have the same tint. Add one tint';
  return { ...base, units: units.value, ...counts, colours: null, fault };
}

/** Courses turned about the pattern's origin. */
function turned(region: Region, { at, turnDeg }: Laid): Pick<PatternTask, 'extent' | 'at'> {
  const turn = (turnDeg * Math.PI) / 180;
  const [cos, sin] = [Math.cos(turn), Math.sin(turn)];
  const { left, top, right, bottom } = regionBox(region);
  const corners = [
    [left, top],
    [right, top],
    [left, bottom],
    [right, bottom],
  ].map(([x, y]) => ({ along: (x! - at.x) * cos + (y! - at.y) * sin, across: -(x! - at.x) * sin + (y! - at.y) * cos }));
  return {
    extent: {
      fromMm: Math.min(...corners.map(({ along }) => along)),
      toMm: Math.max(...corners.map(({ along }) => along)),
      leftMm: Math.min(...corners.map(({ across }) => across)),
      rightMm: Math.max(...corners.map(({ across }) => across)),
    },
    at: (along, across) => ({ x: at.x + along * cos - across * sin, y: at.y + along * sin + across * cos }),
  };
}

/** Courses along the middle line of a track. */
function led(shape: Extract<Shape, { form: 'strip' }>, { at: origin }: Laid): Pick<PatternTask, 'extent' | 'at'> {
  const line = middleLine(shape);
  const long = lineLengthMm(line);
  const half = shape.widthMm / 2;
  // The first unit begins where the origin stands beside the line.
  const start = origin.x === 0 && origin.y === 0 ? 0 : alongLine(line, origin).atMm;
  const at: Course = (along, across) => {
    const reach = Math.max(0, Math.min(long, along + start));
    const on = pointAlong(line, reach / long);
    const [a, b] = [pointAlong(line, Math.max(0, reach - 0.5) / long), pointAlong(line, Math.min(long, reach + 0.5) / long)];
    const step = Math.hypot(b.x - a.x, b.y - a.y) || 1;
    const [ux, uy] = [(b.x - a.x) / step, (b.y - a.y) / step];
    const over = along + start - reach;
    return { x: on.x + ux * over - uy * across, y: on.y + uy * over + ux * across };
  };
  return { extent: { fromMm: -start, toMm: long - start, leftMm: -half, rightMm: half }, at };
}

/** How far units are turned whose courses run from their origin towards a place, whole degrees. */
export const turnTowards = (origin: Point, at: Point): number => Math.round((Math.atan2(at.y - origin.y, at.x - origin.x) * 180) / Math.PI);
