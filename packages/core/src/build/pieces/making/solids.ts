import { memoize } from '../../../base/memory';
import { type Mesh, meshOf } from '../../shell';
import type { MadeObject } from './made-object';

/** Something closed that stands in space: a body, or what is heaped on it, which is of no stock. */
export interface Solid {
  readonly id: string;
  readonly name: string;
  readonly role: string | null;
  readonly mesh: Mesh;
}
type Standing = Pick<MadeObject, 'bodies' | 'loose'>;

/** All that stands of an object. */
export const solidsOf = memoize(({ bodies, loose }: Standing): readonly Solid[] => [
  ...bodies.map((body) => ({ id: body.id, name: body.name, role: body.role, mesh: meshOf(body) })),
  ...loose.map(({ id, name, mesh }) => ({ id, name, role: null, mesh })),
]);
