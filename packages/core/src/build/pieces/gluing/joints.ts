import { areaMm2 } from '../../../base/geometry';
import { type Body, contactsOf } from '../../shell';
import type { MadeObject } from '../making/made-object';

/** A place of an object where something is glued. */
export interface GluedJoint {
  /** `sheets`: parts that meet; `bar`: a strip or rod set on or between others; `lies`: a flat part on another. */
  readonly kind: 'sheets' | 'bar' | 'lies';
  readonly bodyIds: readonly [string, string];
  /** The stocks that meet, in the order of the alphabet. */
  readonly roles: readonly [string, string];
  readonly mm2: number;
  readonly longMm: number;
}

/**
 * Every place where bodies of an object touch and are glued: all that touch, but what is one part that was bent, what lifts off from what stays, and neighbours
 * that lie side by side on the same part. A tube that was rolled is glued along its seam.
 * @param lifted the bodies that lift off together, group by group
 */
export function gluedJoints({ assembly, bodies }: MadeObject, lifted: readonly (readonly string[])[]): readonly GluedJoint[] {
  const byId = new Map(bodies.map((body) => [body.id, body]));
  const groupOf = new Map(lifted.flatMap((ids, i) => ids.map((id) => [id, i] as const)));
  const liesOn = new Map(assembly.faces.flatMap(({ id, lies }) => (lies === undefined ? [] : [[id, lies.on] as const])));
  const folded = new Set(
    assembly.faces.flatMap(({ id, edges }) =>
      edges.flatMap((edge) => (edge.joint === 'fold' ? [`${id}\n${edge.to}`, `${edge.to}\n${id}`] : [])),
    ),
  );
  const rolesOf = (ids: readonly [string, string]): readonly [string, string] => {
    const [a, b] = ids.map((id) => byId.get(id)!.role) as [string, string];
    return a < b ? [a, b] : [b, a];
  };
  const met = contactsOf(bodies).flatMap(({ bodyIds, mm2, longMm }): GluedJoint[] => {
    const [a, b] = bodyIds;
    if (groupOf.get(a) !== groupOf.get(b) || folded.has(`${a}\n${b}`)) return [];
    const isLaid = liesOn.get(a) === b || liesOn.get(b) === a;
    if (!isLaid && liesOn.has(a) && liesOn.has(b)) return [];
    const kind = isLaid ? 'lies' : isBar(byId.get(a)!) || isBar(byId.get(b)!) ? 'bar' : 'sheets';
    return [{ kind, bodyIds, roles: rolesOf(bodyIds), mm2, longMm }];
  });
  return [...met, ...bodies.flatMap((body) => seamOf(body))];
}
export const isBar = (body: Body): boolean => body.kind === 'rod' || (body.kind === 'plate' && body.isBar);

/** Where a sheet that was rolled meets itself. */
function seamOf(body: Body): GluedJoint[] {
  if (body.kind !== 'curve' || !body.isClosed) return [];
  const outline = body.loops[0]!.ring;
  const along = outline.map(({ y }) => y);
  const longMm = Math.max(...along) - Math.min(...along);
  if (areaMm2({ rings: [outline] }) <= 0) return [];
  const { id, role, thicknessMm } = body;
  return [{ kind: 'sheets', bodyIds: [id, id], roles: [role, role], mm2: longMm * thicknessMm, longMm }];
}
