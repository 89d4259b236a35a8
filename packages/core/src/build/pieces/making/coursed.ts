import { placesOf } from '../../shell';
import type { Clad } from '../cladding';
import type { Coursed } from './drawing';
import type { MadeObject } from './made-object';

/** Where the courses of what an object is clad with lie, side by side of its parts: those of one surface begin at one height. */
export function coursesOn({ assembly, bodies }: Pick<MadeObject, 'assembly' | 'bodies'>, clads: readonly Clad[]): readonly Coursed[] {
  const marked = new Map([...assembly.faces, ...(assembly.bends ?? [])].map(({ id, shows }) => [id, shows]));
  return clads.flatMap(({ shows, cladding: { highMm, lapMm, jointMm, runs } }) => {
    const sides = bodies.flatMap((body) =>
      (['far', 'drawn'] as const).flatMap((side) => (marked.get(body.id)?.[side] === shows ? [{ body, side }] : [])),
    );
    const fromMm = Math.min(...sides.flatMap(({ body }) => placesOf(body).map(([, , z]) => z)));
    return sides.map(({ body, side }) => ({ bodyId: body.id, side, gaugeMm: highMm - lapMm + jointMm, runs, fromMm }));
  });
}
