import { once, memoize } from '../../../base/memory';
import {
  type Point,
  type Region,
  between,
  boxAround,
  boxesOverlap,
  contains,
  crossings,
  distanceMm,
  regionBox,
} from '../../../base/geometry';
import { type Catalogue, materialBy } from '../../../catalogue';
import type { Feature } from '../../../plan/features';
import type { Upright, UprightCut, UprightMesh, UprightSpan } from '../../../terrain/ground';
import { plumbThrough } from '../../shell';
import { boxOf } from '../box';
import { type Footprint, footprintOf } from './footprint';
import { solidsOf } from '../making/solids';
import type { MadePiece } from '../making/made';
import { placedHull, placingOn } from './standing';

/** The first object of a piece as it stands, about the middle of its foot: y towards the viewer, heights over its foot. */
interface Stood {
  readonly footprint: Footprint;
  readonly footMm: number;
  readonly spansAt: (at: Point) => readonly UprightSpan[];
  readonly isLevel: (at: Point, upMm: number) => boolean;
  readonly meshes: () => readonly UprightMesh[];
}
/** A level and the top of what makes it differ by less. */
const LEVEL_MM = 1;

const stood = memoize((made: MadePiece, catalogue: Catalogue): Stood | null => {
  const [footprint, object] = [footprintOf(made), made.objects[0]];
  if (footprint === null || object === undefined || made.shape === null) return null;
  const { middle } = footprint;
  const [[, , footMm]] = boxOf(object);
  // Where nothing looks through it no triangles are made of it.
  const plumb = once(() => plumbThrough(solidsOf(object)));
  const words = once(
    () =>
      new Map(
        solidsOf(object).map(({ id, name, role }) => [
          id,
          { name: `${made.piece.name}: ${name.toLowerCase()}`, hatch: hatchOf(made, role, catalogue) },
        ]),
      ),
  );
  const levels = made.shape.levels.filter(({ objectId }) => objectId === object.id);
  const inSpace = ({ x, y }: Point): Point => ({ x: x + middle.x, y: middle.y - y });
  return {
    footprint,
    footMm,
    spansAt: (at) =>
      plumb()(inSpace(at)).map(({ bodyId, fromMm, toMm }) => ({
        id: bodyId,
        ...words().get(bodyId)!,
        fromMm: fromMm - footMm,
        toMm: toMm - footMm,
      })),
    isLevel:
      made.shape.isWalkedOver === true
        ? () => true
        : (at, upMm) =>
            levels.some(({ atMm, ring }) => Math.abs(atMm - footMm - upMm) < LEVEL_MM && contains({ rings: [ring] }, inSpace(at))),
    meshes: () =>
      solidsOf(object).map(({ mesh: { places, triangles } }) => {
        return { places: places.map(([x, y, z]) => [x - middle.x, middle.y - y, z - footMm] as const), triangles };
      }),
  };
});

function hatchOf({ piece }: MadePiece, role: string | null, catalogue: Catalogue): string {
  const sheet = piece.sheets.find((one) => one.role === role);
  return sheet === undefined ? 'solid' : materialBy(catalogue, sheet.materialId).hatch;
}

/** Cut in stretches this long: a card wall still shows. */
const CUT_STEP_MM = 0.5;
const MIN_MM = 0.05;
function cutAlong(ground: Region, spansAt: (at: Point) => readonly UprightSpan[], from: Point, to: Point): readonly UprightCut[] {
  const lengthMm = distanceMm(from, to);
  const at = (mm: number): Point => between(from, to, mm / lengthMm);
  if (lengthMm === 0 || !boxesOverlap(regionBox(ground), boxAround([from, to]))) return [];
  const ends = [0, ...crossings(ground, from, to), 1].map((t) => t * lengthMm).sort((a, b) => a - b);
  return ends.slice(1).flatMap((toMm, i): UprightCut[] => {
    const fromMm = ends[i]!;
    if (toMm - fromMm < MIN_MM || !contains(ground, at((fromMm + toMm) / 2))) return [];
    const count = Math.ceil((toMm - fromMm) / CUT_STEP_MM);
    const step = (toMm - fromMm) / count;
    const starts = Array.from({ length: count }, (_, k) => fromMm + k * step);
    const spans = starts.flatMap((startMm) => spansAt(at(startMm + step / 2)).map((span) => ({ ...span, startMm, endMm: startMm + step })));
    return [{ fromMm, toMm, spans }];
  });
}

/** A piece as it stands on its plot. @returns null for one that cannot be made */
export const uprightOn = memoize((plot: Feature, made: MadePiece, catalogue: Catalogue): Upright | null => {
  const own = stood(made, catalogue);
  if (own === null) return null;
  const { to, back } = placingOn(plot);
  const ground = placedHull(plot, own.footprint);
  const spansAt = (at: Point): readonly UprightSpan[] => own.spansAt(back(at));
  return {
    featureId: plot.id,
    ground,
    spansAt,
    cutAlong: (from, to) => cutAlong(ground, spansAt, from, to),
    isLevel: (at, upMm) => own.isLevel(back(at), upMm),
    isWalkedOver: made.shape?.isWalkedOver === true,
    meshes: () =>
      own.meshes().map(({ places, triangles }) => ({
        places: places.map(([x, y, up]) => {
          const at = to({ x, y });
          return [at.x, at.y, up] as const;
        }),
        triangles,
      })),
  };
});
