import { areaMm2 } from '../../../base/geometry';
import type { Figure } from '../../../base/units';
import { type Adhesive, type Catalogue, estimated } from '../../../catalogue';
import { FEW_PARTS } from '../../cutting/parts';
import type { Laminate, PieceShape } from '../family';
import type { MadeObject } from '../making/made-object';
import { type JoiningWork, jointMinutes, sizeShare } from './joining';
import { type GluedJoint, gluedJoints, isBar } from './joints';

/** What is glued of one copy of a piece. */
export interface Glued {
  readonly areaMm2: number;
  readonly joints: number;
  readonly joining: readonly JoiningWork[];
}
interface GluedFor {
  readonly objects: readonly MadeObject[];
  readonly laminates: readonly Laminate[];
  readonly shape: Pick<PieceShape, 'liftsOff' | 'oversize' | 'strung'>;
  readonly copies: number;
  readonly adhesive: Adhesive;
  readonly catalogue: Catalogue;
}

/** Joints of a piece, what they cover, and the work of making them. What is cut from a strip was glued as a strip. @source craft.md §5 */
export function gluedOf({ objects, laminates, shape, copies, adhesive, catalogue }: GluedFor): Glued {
  const { liftsOff = [], oversize = [], strung = [] } = shape;
  const lifted = liftsOff.map(({ bodyIds }) => bodyIds);
  const roughIds = new Set(oversize.map(({ bodyId }) => bodyId));
  const own = objects.map((object) => ({ object, joints: gluedJoints(object, lifted) }));
  const each = jointMinutes(adhesive, catalogue);
  const sorts = new Map<string, JoiningWork>();
  const add = (name: string, longMm: number, times: number): void => {
    const known = sorts.get(name) ?? { name, each, sizes: [], isLearned: true };
    sorts.set(name, { ...known, sizes: [...known.sizes, ...Array<number>(times).fill(sizeShare(longMm, catalogue))] });
  };
  let [areaMm2Sum, joints, flush, laid, trimmed] = [0, 0, 0, 0, 0];
  const lying = new Map<string, number>();
  for (const { object, joints: here } of own) {
    const { count, sheets } = object;
    areaMm2Sum += count * (here.reduce((sum, { mm2 }) => sum + mm2, 0) + layersMm2(object, laminates));
    const met = here.filter(({ kind }) => kind !== 'lies');
    const hung = strung.filter(({ objectId }) => objectId === object.id);
    joints += count * (met.length + 2 * hung.length);
    for (const { roles, longMm, kind } of met) if (kind === 'sheets') add(`joints, ${[...new Set(roles)].join(' and ')}`, longMm, count);
    for (const [role, longMm] of barsSet(object, met)) add(`${role} set`, longMm, count);
    for (const { role } of hung) add(`${role} strung`, 0, count);
    for (const { bodyIds, mm2 } of here.filter(({ kind }) => kind === 'lies')) {
      const key = bodyIds.some((id) => roughIds.has(id)) ? 'rough' : mm2.toFixed(0);
      lying.set(key, (lying.get(key) ?? 0) + count);
    }
    trimmed +=
      count * sheets.filter(({ bodyIds }) => bodyIds.some((id) => roughIds.has(id))).reduce((sum, { drawn }) => sum + drawn[0]!.length, 0);
  }
  for (const [key, count] of lying) {
    if (key === 'rough' || count * copies > FEW_PARTS) laid += count;
    else flush += count;
  }
  const { bench } = catalogue;
  const steady = (name: string, count: number, pace: Figure<'min'>): JoiningWork => ({
    name,
    each: pace,
    sizes: Array<number>(count).fill(1),
    isLearned: false,
  });
  return {
    areaMm2: areaMm2Sum,
    joints,
    joining: [
      ...sorts.values(),
      steady('flat parts brought flush', flush, estimated('Each', bench.flushPartMin, 'min')),
      steady('small parts laid', laid, estimated('Each', bench.laidByHandMin, 'min')),
      steady('edges trimmed', trimmed, estimated('Each', bench.guidedCutMin, 'min')),
    ],
  };
}

/** Strips and rods with all that each is glued along: a joint between two is made with the later of them. */
function barsSet({ bodies }: MadeObject, joints: readonly GluedJoint[]): readonly (readonly [role: string, longMm: number])[] {
  const at = new Map(bodies.map((body, i) => [body.id, i]));
  const long = new Map<string, number>();
  for (const { kind, bodyIds, longMm } of joints) {
    if (kind !== 'bar') continue;
    const bars = bodyIds.filter((id) => isBar(bodies[at.get(id)!]!));
    const own = bars.toSorted((a, b) => at.get(b)! - at.get(a)!)[0]!;
    long.set(own, (long.get(own) ?? 0) + longMm);
  }
  return [...long].map(([id, longMm]) => [bodies[at.get(id)!]!.role, longMm]);
}

/** Between the layers of parts that are glued up and then cut. */
const layersMm2 = ({ bodies }: MadeObject, laminates: readonly Laminate[]): number =>
  bodies.reduce((sum, body) => {
    const laminate = laminates.find(({ role }) => role === body.role);
    if (body.kind !== 'plate' || laminate === undefined || laminate.stripField !== undefined) return sum;
    return sum + (laminate.layers.length - 1) * areaMm2({ rings: body.loops.map((loop) => loop.drawn) });
  }, 0);
