import { z } from 'zod';
import { ok } from '../../base/result';
import { mm, whole, within } from '../../fields';
import type { Bar, EdgeJoint, Vec } from '../../shell';
import { SIZES, askLength, askNumber } from '../asks';
import { type PieceShape, pieceFamily, refused } from '../family';

const settings = z.strictObject({
  straights: whole(SIZES.count),
  straightMm: mm(SIZES.lengthMm),
  elbows: whole(SIZES.count),
  /** An elbow turns so far, in so many wedges, about a middle so far from the middle of the pipe. */
  turnDeg: within({ min: 5, max: 180 }, '°'),
  wedges: whole({ min: 1, max: 16 }),
  bendMm: mm({ min: 5, max: 400 }),
});
type Pipe = z.infer<typeof settings>;

export const pipe = pieceFamily('pipe', settings, {
  name: 'Pipe run',
  says: 'Straight lengths and elbows in wedges, every face cut at half a wedge’s turn.',
  fields: [
    askNumber('straights', 'Straight lengths', SIZES.count),
    askLength('straightMm', 'Each', SIZES.lengthMm),
    askNumber('elbows', 'Elbows', SIZES.count),
    askNumber('turnDeg', 'An elbow turns', { min: 5, max: 180 }, '°'),
    askNumber('wedges', 'Wedges in an elbow', { min: 1, max: 16 }),
    askLength('bendMm', 'Bend to the middle of the pipe', { min: 5, max: 400 }),
  ],
  roles: [{ role: 'pipe', name: 'Pipe', sold: 'length', section: 'tube', usual: 'tube' }],
  clads: [],
  fresh: ({ baseMm }): Pipe => ({
    straights: 2,
    straightMm: Math.round(baseMm * 4),
    elbows: 1,
    turnDeg: 90,
    wedges: 4,
    bendMm: Math.round(baseMm * 1.2),
  }),
  shape: (own) => (own.straights + own.elbows === 0 ? refused('straights', 'a run of nothing; one length would do') : ok(shapeOf(own))),
});

function shapeOf(own: Pipe): PieceShape {
  const straight: Bar = { id: 'length', name: 'Length', role: 'pipe', from: [0, 0, 0], to: [own.straightMm, 0, 0], across: [0, 1, 0] };
  const step = (own.turnDeg * Math.PI) / 180 / own.wedges;
  const at = (i: number): Vec => [own.bendMm * Math.cos(i * step), own.bendMm * Math.sin(i * step), 0];
  const radial = (i: number): EdgeJoint => ({ joint: 'plane', normal: [-Math.sin(i * step), Math.cos(i * step), 0] });
  const wedges = Array.from({ length: own.wedges }, (_, i): Bar => ({
    id: `wedge-${i + 1}`,
    name: `Wedge ${i + 1}`,
    role: 'pipe',
    from: at(i),
    to: at(i + 1),
    across: [0, 0, 1],
    ends: [radial(i), radial(i + 1)],
  }));
  return {
    objects: [
      ...(own.straights > 0 ? [{ id: 'straight', name: 'Straight', count: own.straights, faces: [], bars: [straight] }] : []),
      ...(own.elbows > 0 ? [{ id: 'elbow', name: 'Elbow', count: own.elbows, faces: [], bars: wedges }] : []),
    ],
    clear: [],
    levels: [],
    waysIn: [],
    order: [
      {
        does: 'glue',
        says: 'All wedges are cut at one setting; turn every second one over and roll them into the bend.',
        bodyIds: wedges.map(({ id }) => id),
      },
      { does: 'glue', says: 'Straight lengths to the elbows, a ring of card over each joint.', bodyIds: ['length'] },
    ],
    facts: [
      { label: 'Every face cut at', value: own.turnDeg / (2 * own.wedges), unit: '°' },
      { label: 'A wedge along its middle', value: 2 * own.bendMm * Math.sin(step / 2), unit: 'mm' },
    ],
    handles:
      own.straights > 0
        ? [{ key: 'straightMm', label: 'Each', objectId: 'straight', at: [own.straightMm, 0, 0], along: [1, 0, 0], perUnitMm: 1, step: 1 }]
        : [],
  };
}
