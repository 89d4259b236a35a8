import { type Ground, shownAt } from '../ground';
import { type Feature, type Plan, type Strip, shapeBox } from '../plan';
import type { Crossing, Seam } from '../tiling';
import { type Figure, lengthWords } from '../units';
import type { Mend } from './mends';

type Units = Plan['units'];

/** An end this near a joint stops at it. */
const AT_JOINT_MM = 2;
/** A strip that meets the joint at a flatter slant than this cannot be carried straight over it. */
const LEAST_ACROSS = 0.3;

/**
 * What brings both sides of a crossing together: the one or the other feature moved, levelled or widened; or, where one simply ends at the joint, carried
 * over it or stopped short of it.
 * @param one the feature on the seam's first tile, and `other` that on its second; null where there is none
 * @param clear foam that holds beside a joint
 */
export function seamMends(
  seam: Seam,
  crossing: Crossing,
  one: Feature | null,
  other: Feature | null,
  ground: Ground,
  clear: Figure<'mm'>,
  units: Units,
): Mend[] {
  const { along } = seam;
  const { fault, offsetMm, first, second } = crossing;
  const move = (feature: Feature, byMm: number): Mend => ({
    code: 'feature/move',
    featureId: feature.id,
    dxMm: along === 'x' ? byMm : 0,
    dyMm: along === 'y' ? byMm : 0,
    label: `Move ${feature.name} ${lengthWords(Math.abs(byMm), units)}`,
  });
  if (fault === 'place') return [...(other === null ? [] : [move(other, -offsetMm)]), ...(one === null ? [] : [move(one, offsetMm)])];
  if (fault === 'level') return [...levelMend(other, first!.fromLevelMm, units), ...levelMend(one, second!.fromLevelMm, units)];
  if (fault === 'width') return [...widthMend(other, one, units), ...widthMend(one, other, units)];
  if (fault === 'ends') return endMends(seam, first !== null, one ?? other, ground, clear.value, units);
  return [];
}

function levelMend(feature: Feature | null, levelMm: number, units: Units): Mend[] {
  if (feature?.kind === 'raised' && levelMm >= 1)
    return [
      {
        code: 'raised/height',
        featureId: feature.id,
        heightMm: levelMm,
        label: `Make ${feature.name} ${lengthWords(levelMm, units)} high`,
      },
    ];
  if ((feature?.kind === 'water' || feature?.kind === 'pit') && levelMm <= -0.5)
    return [{ code: 'pit/depth', featureId: feature.id, depthMm: -levelMm, label: `Sink ${feature.name} ${lengthWords(-levelMm, units)}` }];
  return [];
}

function widthMend(feature: Feature | null, like: Feature | null, units: Units): Mend[] {
  if (feature?.shape.form !== 'strip' || like?.shape.form !== 'strip' || feature.shape.widthMm === like.shape.widthMm) return [];
  const { widthMm } = like.shape;
  return [{ code: 'strip/width', featureId: feature.id, widthMm, label: `Make ${feature.name} ${lengthWords(widthMm, units)} wide` }];
}

/**
 * For something that stops at a joint with nothing like it beyond: a strip goes on over the joint as straight as it came, where the ground there is open,
 * or ends short of it; anything else is moved off it. Both leave foam enough beside the joint, and no sliver beyond it.
 * @param isOnFirst whether it lies on the seam's first tile
 */
function endMends(seam: Seam, isOnFirst: boolean, feature: Feature | null, ground: Ground, clearMm: number, units: Units): Mend[] {
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
      code: 'feature/points',
      featureId: id,
      index,
      to,
      label: shortMm === null ? `Run ${name} on over the joint` : `End ${name} ${lengthWords(shortMm, units)} short of the joint`,
    }));
  }
  const box = shapeBox(shape);
  const [low, high] = axis === 'x' ? [box.left, box.right] : [box.top, box.bottom];
  const pastMm = over * ((over > 0 ? high : low) - jointMm);
  if (Math.abs(pastMm) > AT_JOINT_MM) return [];
  const byMm = -over * (clearMm + pastMm);
  const [dxMm, dyMm] = axis === 'x' ? [byMm, 0] : [0, byMm];
  return [{ code: 'feature/move', featureId: id, dxMm, dyMm, label: `Move ${name} ${lengthWords(Math.abs(byMm), units)} off the joint` }];
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
    if (!(acrossShare >= LEAST_ACROSS)) return [];
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
