import { tidyMm } from '../../base/rounding';
import { type Feature, kindOf } from '../../plan/features';
import { distanceMm } from '../../base/geometry';
import type { Ground, Tile } from '../../terrain/ground';
import type { Plan } from '../../plan';
import { shapePoints } from '../../plan/shapes';
import { ALONG_MM, type Edge, LEVEL_MM, type Puzzle, type EdgeStretch } from '../../terrain/tiling';
import { lengthWords } from '../../base/units';
import type { QuickFix } from './warning';

/** A small change that lets a stubborn edge meet more others. */
export interface EdgeFix {
  readonly tileId: string;
  readonly side: Edge['side'];
  /** Edges it meets now, itself turned round among them. */
  readonly meets: number;
  readonly sizeMm: number;
  readonly mend: QuickFix;
}

/** A point of a line this near an edge is the one that crosses it. */
const AT_EDGE_MM = 3;

/**
 * For each edge that few others mate with, the smallest edits that make it one of many: its one crossing put on the middle of the edge, or brought to the
 * height most of its kind have. @source craft.md §1: an edge that is the same both ways round meets itself and all its like
 */
export function edgeFixes(puzzle: Puzzle, plan: Plan, ground: Ground): readonly EdgeFix[] {
  const { edges, mate, edgeCount } = puzzle;
  const meets = (i: number): number => mate.subarray(i * edgeCount, (i + 1) * edgeCount).reduce((sum, does) => sum + does, 0);
  const most = Math.max(...edges.map((_, i) => meets(i)));
  const found = edges.flatMap((edge, i): EdgeFix[] => {
    const crossings = edge.stretches.filter(({ kind }) => kind !== 'open');
    const [only, ...others] = crossings;
    if (only === undefined || others.length > 0 || meets(i) >= most) return [];
    const feature = plan.features.find(({ id }) => id === only.featureId);
    const tile = ground.tiles.find(({ id }) => id === edge.tileId)!;
    if (feature === undefined) return [];
    const common = { tileId: edge.tileId, side: edge.side, meets: meets(i) };
    return [...centred(edge, only, feature, tile, plan.units), ...levelled(edge, only, feature, edges, plan.units)].map((edit) => ({
      ...common,
      ...edit,
    }));
  });
  return found.sort((a, b) => a.sizeMm - b.sizeMm);
}

type EdgeEdit = Pick<EdgeFix, 'sizeMm' | 'mend'>;

function centred({ lengthMm, side }: Edge, { fromMm, toMm }: EdgeStretch, feature: Feature, tile: Tile, units: Plan['units']): EdgeEdit[] {
  const middleMm = (fromMm + toMm) / 2;
  const byMm = tidyMm(lengthMm / 2 - middleMm);
  if (Math.abs(byMm) <= ALONG_MM) return [];
  // A clockwise walk goes right along the back, down the right side, and back again.
  const sign = side === 'back' || side === 'right' ? 1 : -1;
  const isAcross = side === 'back' || side === 'near';
  const [dxMm, dyMm] = isAcross ? [byMm * sign, 0] : [0, byMm * sign];
  const label = `Centre ${feature.name} on the ${side} edge of ${tile.id} (${lengthWords(Math.abs(byMm), units)})`;
  const at = placeOn(tile, side, middleMm);
  const index = shapePoints(feature.shape).findIndex((point) => distanceMm(point, at) < AT_EDGE_MM + Math.abs(byMm) / 100);
  const point = shapePoints(feature.shape)[index];
  const mend: QuickFix =
    point === undefined || feature.shape.form === 'round'
      ? { edit: { code: 'feature/move', featureId: feature.id, dxMm, dyMm }, label }
      : { edit: { code: 'feature/point', featureId: feature.id, index, to: { x: point.x + dxMm, y: point.y + dyMm } }, label };
  return [{ sizeMm: Math.abs(byMm), mend }];
}

function levelled(edge: Edge, only: EdgeStretch, feature: Feature, edges: readonly Edge[], units: Plan['units']): EdgeEdit[] {
  const levels = edges
    .filter((other) => other !== edge)
    .flatMap(({ stretches }) => stretches.filter(({ kind }) => kind === only.kind).map((s) => s.fromLevelMm));
  const counts = new Map<number, number>();
  for (const level of levels) counts.set(level, (counts.get(level) ?? 0) + 1);
  const [usual] = [...counts].sort((a, b) => b[1] - a[1])[0] ?? [];
  if (usual === undefined || Math.abs(usual - only.fromLevelMm) <= LEVEL_MM) return [];
  const sizeMm = tidyMm(Math.abs(usual - only.fromLevelMm));
  const label = `Level ${feature.name} to ${lengthWords(Math.abs(usual), units)}`;
  const leveled = kindOf(feature).atLevel?.(feature, usual) ?? null;
  return leveled === null ? [] : [{ sizeMm, mend: { edit: { code: 'features/put', features: [leveled], how: 'Level' }, label } }];
}

function placeOn({ box }: Tile, side: Edge['side'], alongMm: number): { x: number; y: number } {
  switch (side) {
    case 'back':
      return { x: box.left + alongMm, y: box.top };
    case 'right':
      return { x: box.right, y: box.top + alongMm };
    case 'near':
      return { x: box.right - alongMm, y: box.bottom };
    case 'left':
      return { x: box.left, y: box.bottom - alongMm };
    default:
      throw side satisfies never;
  }
}
