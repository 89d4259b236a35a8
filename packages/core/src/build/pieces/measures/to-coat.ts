import { areaMm2 } from '../../../base/geometry';
import { memoize } from '../../../base/memory';
import { type Body, type Rod, alongAt, coverOf, endAt, flatMm2, flatsOf } from '../../shell';
import type { MadeObject } from '../making/made-object';

/**
 * What there is to coat of an object, mm²: the sides of sheets that show, and bars, rods and tubes all round, less what lies on something else or is stood on.
 * Sides show that say so, whatever they show; a piece that says nothing of its sides shows the far one of each.
 */
export const toCoatMm2 = memoize(({ assembly, bodies }: MadeObject): number => {
  const marked = new Map([...assembly.faces, ...(assembly.bends ?? [])].map(({ id, shows }) => [id, shows]));
  const saysNothing = [...marked.values()].every((shows) => shows === undefined);
  const shownOf = (body: Body): readonly ('far' | 'drawn')[] => {
    const shows = saysNothing ? { far: 'outside' } : (marked.get(body.id) ?? {});
    return (['far', 'drawn'] as const).filter((side) => shows[side as 'far'] !== undefined && shows[side as 'far'] !== 'inside');
  };
  const covered = coverOf(bodies);
  return bodies.reduce((sum, body) => {
    const isAllRound = body.kind === 'rod' || (body.kind === 'plate' && body.isBar);
    const shown = isAllRound ? [] : shownOf(body);
    const open = flatsOf(body).filter(({ side, isJoint }) => {
      if (isAllRound) return true;
      if (body.kind !== 'plate') return false;
      // What shows at all is coated round its free edges, too.
      return side === 'edge' ? shown.length > 0 && !isJoint : side !== 'end' && shown.includes(side);
    });
    const round = body.kind === 'rod' ? Math.max(0, skinMm2(body) - covered.ofRound(body.id)) : 0;
    const bent =
      body.kind === 'curve'
        ? shown.reduce((all, side) => {
            const drawn = areaMm2({ rings: body.loops.map(({ ring }) => ring) });
            return all + (side === 'drawn' ? drawn : alongAt(body, drawn, body.farMm));
          }, 0)
        : 0;
    return sum + round + bent + open.reduce((all, flat) => all + flatMm2(flat) - covered.ofFlat(flat), 0);
  }, 0);
});
/** Round a rod, without its ends: slanted ends take off on one side what they leave on the other. */
const skinMm2 = ({ radiusMm, ends }: Rod): number => 2 * Math.PI * radiusMm * (endAt(ends[1], 0, 0) - endAt(ends[0], 0, 0));
