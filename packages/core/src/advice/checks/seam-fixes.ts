import { type Feature, kindOf, sunkBy } from '../../plan/features';
import { tidyMm } from '../../base/rounding';
import { type Ground, shownAt } from '../../terrain/ground';
import type { Plan } from '../../plan';
import { type Strip, shapeBox } from '../../plan/shapes';
import type { Crossing, Seam } from '../../terrain/tiling';
import { type Figure, lengthWords } from '../../base/units';
import type { QuickFix } from './warning';

type Units = Plan['units'];

/** An end this near a joint stops at it. */
const AT_JOINT_MM = 2;
/** A strip that meets the joint at a flatter slant than this cannot be carried straight over it. */
const MIN_ACROSS = 0.3;

/** The two sides of a crossing. */
interface Sides {
  /** The feature on the seam's first tile, and on its second; null where there is none. */
  readonly one: Feature | null;
  readonly other: Feature | null;
  readonly ground: Ground;
  /** Foam that holds beside a joint. */
  readonly clear: Figure<'mm'>;
  readonly units: Units;
}

/**
 * What brings both sides of a crossing together: the one or the other feature moved, levelled or widened; or, where one simply ends at the joint, carried
 * over it or stopped short of it.
 */
export function seamMends(seam: Seam, crossing: Crossing, { one, other, ground, clear, units }: Sides): QuickFix[] {
  const { along } = seam;
  const { fault, offsetMm, first, second } = crossing;
  const move = (feature: Feature, byMm: number): QuickFix => ({
    edit: { code: 'feature/move', featureId: feature.id, dxMm: along === 'x' ? byMm : 0, dyMm: along === 'y' ? byMm : 0 },
    label: `Move ${feature.name} ${lengthWords(Math.abs(byMm), units)}`,
  });
  if (fault === 'place') return [...(other === null ? [] : [move(other, -offsetMm)]), ...(one === null ? [] : [move(one, offsetMm)])];
  if (fault === 'level') return [...levelMend(other, first!.fromLevelMm, units), ...levelMend(one, second!.fromLevelMm, units)];
  if (fault === 'water') return [...waterMend(other, first!.waterMm!, units), ...waterMend(one, second!.waterMm!, units)];
  if (fault === 'width') return [...widthMend(other, one, units), ...widthMend(one, other, units)];
  if (fault === 'ends') return endMends(seam, one ?? other, { isOnFirst: first !== null, ground, clearMm: clear.value, units });
  return [];
}

function levelMend(feature: Feature | null, levelMm: number, units: Units): QuickFix[] {
  const leveled = feature === null ? null : (kindOf(feature).atLevel?.(feature, levelMm) ?? null);
  if (leveled === null) return [];
  const words = lengthWords(Math.abs(levelMm), units);
  const label = levelMm > 0 ? `Make ${leveled.name} ${words} high` : `Sink ${leveled.name} ${words}`;
  return [{ edit: { code: 'features/put', features: [leveled], how: 'Level' }, label }];
}

/** Water filled to the level it has beyond the joint. */
function waterMend(feature: Feature | null, levelMm: number, units: Units): QuickFix[] {
  const sunk = feature === null ? null : sunkBy(feature);
  if (feature === null || sunk === null) return [];
  const waterMm = tidyMm(sunk.depthMm + levelMm);
  if (waterMm <= 0 || waterMm > sunk.depthMm) return [];
  return [
    {
      edit: { code: 'feature/set', featureId: feature.id, change: { waterMm }, what: 'Fill' },
      label: `Fill ${feature.name} ${lengthWords(waterMm, units)} deep`,
    },
  ];
}

function widthMend(feature: Feature | null, like: Feature | null, units: Units): QuickFix[] {
  if (feature?.shape.form !== 'strip' || like?.shape.form !== 'strip' || feature.shape.widthMm === like.shape.widthMm) return [];
  const { widthMm } = like.shape;
  return [
    { edit: { code: 'feature/width', featureId: feature.id, widthMm }, label: `Make ${feature.name} ${lengthWords(widthMm, units)} wide` },
  ];
}

/**
 * For something that stops at a joint with nothing like it beyond: a strip goes on over the joint as straight as it came, where the ground there is open,
 * or ends short of it; anything else is moved off it. Both leave foam enough beside the joint, and no sliver beyond it.
 */
interface EndInputs {
  /** Whether it lies on the seam's first tile. */
  readonly isOnFirst: boolean;
  readonly ground: Ground;
  readonly clearMm: number;
  readonly units: Units;
}
function endMends(seam: Seam, feature: Feature | null, { isOnFirst, ground, clearMm, units }: EndInputs): QuickFix[] {
  if (feature === null || feature.locked) return [];
  const { shape, name, id } = feature;
  const axis = seam.along === 'y' ? 'x' : 'y';
  // The way off its own tile and over the joint.
  const over = isOnFirst ? 1 : -1;
  const jointMm = seam.from[axis];
  if (shape.form === 'strip') {
    const isOpen = ({ to, shortMm }: StripEnd): boolean => shortMm !== null || shownAt(ground, to) === null;
    const ends = stripEnds(shape, axis, jointMm, over, clearMm).filter(isOpen);
    return ends.map(({ index, to, shortMm }) => ({
      edit: { code: 'feature/point' as const, featureId: id, index, to },
      label: shortMm === null ? `Extend ${name} across the seam` : `End ${name} ${lengthWords(shortMm, units)} before the seam`,
    }));
  }
  const box = shapeBox(shape);
  const [low, high] = axis === 'x' ? [box.left, box.right] : [box.top, box.bottom];
  const pastMm = over * ((over > 0 ? high : low) - jointMm);
  if (Math.abs(pastMm) > AT_JOINT_MM) return [];
  const byMm = -over * (clearMm + pastMm);
  const [dxMm, dyMm] = axis === 'x' ? [byMm, 0] : [0, byMm];
  return [
    { edit: { code: 'feature/move', featureId: id, dxMm, dyMm }, label: `Move ${name} ${lengthWords(Math.abs(byMm), units)} off the seam` },
  ];
}

interface StripEnd {
  readonly index: number;
  readonly to: { readonly x: number; readonly y: number };
  /** How far short of the joint it then ends; null where it goes over. */
  readonly shortMm: number | null;
}

function stripEnds({ points, widthMm }: Strip, axis: 'x' | 'y', jointMm: number, over: number, clearMm: number): StripEnd[] {
  const ends = [
    { index: 0, before: 1 },
    { index: points.length - 1, before: points.length - 2 },
  ];
  return ends.flatMap(({ index, before }): StripEnd[] => {
    const [end, from] = [points[index]!, points[before]!];
    const runMm = Math.hypot(end.x - from.x, end.y - from.y);
    const along = { x: (end.x - from.x) / runMm, y: (end.y - from.y) / runMm };
    const acrossShare = over * along[axis];
    if (!(acrossShare >= MIN_ACROSS)) return [];
    // One corner of a slanting end reaches further than its middle line.
    const cornerMm = (widthMm / 2) * Math.abs(along[axis === 'x' ? 'y' : 'x']);
    if (Math.abs(end[axis] - jointMm) > AT_JOINT_MM + cornerMm) return [];
    const at = (pastMm: number): StripEnd['to'] => {
      const byMm = (over * (jointMm - end[axis]) + pastMm) / acrossShare;
      return { x: end.x + along.x * byMm, y: end.y + along.y * byMm };
    };
    const farMm = clearMm + cornerMm;
    const short = at(-farMm);
    const isLongEnough = (short.x - from.x) * along.x + (short.y - from.y) * along.y > clearMm;
    return [{ index, to: at(farMm), shortMm: null }, ...(isLongEnough ? [{ index, to: short, shortMm: clearMm }] : [])];
  });
}
