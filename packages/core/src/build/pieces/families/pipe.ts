import { z } from 'zod';
import { ok } from '../../../base/result';
import { mm, oneOf, whole, within } from '../../../plan/fields';
import type { Assembly, Bar, EdgeJoint, Face, Vec } from '../../shell';
import { levelFace, regularRing } from '../measures/enclosure';
import { SIZES, askChoice, askLength, askNumber, when } from '../asks';
import { type PieceShape, pieceFamily, rectangleRing, refused } from '../family';

const settings = z.strictObject({
  straights: whole(SIZES.count),
  straightMm: mm(SIZES.lengthMm),
  elbows: whole(SIZES.count),
  /** An elbow turns so far, in so many wedges, about a middle so far from the middle of the pipe. */
  turnDeg: within({ min: 5, max: 180 }, '°'),
  wedges: whole({ min: 1, max: 16 }),
  bendMm: mm({ min: 5, max: 400 }),
  /** Discs over the ends of straight lengths: a flange, or a plug that closes it. */
  flanges: oneOf(['none', 'one-end', 'both-ends']),
  flangeMm: mm({ min: 3, max: 120 }),
  /** Vaults over a flat road, for what goes through a wall. */
  tunnels: whole(SIZES.count),
  tunnelWideMm: mm(SIZES.openingMm),
  tunnelLongMm: mm(SIZES.lengthMm),
});
type Pipe = z.infer<typeof settings>;

const hasTunnels = ({ tunnels }: Pipe): boolean => tunnels > 0;

export const pipe = pieceFamily('pipe', settings, {
  name: 'Pipe run',
  says: 'Straight lengths, flanges, elbows made of wedges, and tunnels with a flat road.',
  fields: [
    askNumber('straights', 'Straight lengths', SIZES.count),
    askLength('straightMm', 'Each', SIZES.lengthMm),
    askNumber('elbows', 'Elbows', SIZES.count),
    askNumber('turnDeg', 'Elbow angle', { min: 5, max: 180 }, { unit: '°' }),
    askNumber('wedges', 'Wedges per elbow', { min: 1, max: 16 }),
    askLength('bendMm', 'Bend radius to the pipe centre', { min: 5, max: 400 }),
    askChoice('flanges', 'Flanges', { none: 'nowhere', 'one-end': 'one end of each', 'both-ends': 'both ends of each' }),
    askLength(
      'flangeMm',
      'Flange diameter',
      { min: 3, max: 120 },
      when<Pipe>(({ flanges }) => flanges !== 'none'),
    ),
    askNumber('tunnels', 'Tunnels with a flat road', SIZES.count),
    askLength('tunnelWideMm', 'Tunnel road width', SIZES.openingMm, when<Pipe>(hasTunnels)),
    askLength('tunnelLongMm', 'Tunnel, length', SIZES.lengthMm, when<Pipe>(hasTunnels)),
  ],
  roles: [
    { role: 'pipe', name: 'Pipe', sold: 'length', section: 'tube', usual: 'tube' },
    { role: 'flange', name: 'Flanges', sold: 'sheet', usual: 'card' },
    { role: 'road', name: 'Road of a tunnel', sold: 'sheet', usual: 'floor' },
    { role: 'vault', name: 'Vault of a tunnel', sold: 'sheet', usual: 'card' },
  ],
  clads: [],
  fresh: ({ baseMm }): Pipe => ({
    straights: 2,
    straightMm: Math.round(baseMm * 4),
    elbows: 1,
    turnDeg: 90,
    wedges: 4,
    bendMm: Math.round(baseMm * 1.2),
    flanges: 'none',
    flangeMm: 14,
    tunnels: 0,
    tunnelWideMm: Math.round(baseMm * 1.6),
    tunnelLongMm: Math.round(baseMm * 3),
  }),
  shape: (own) =>
    own.straights + own.elbows + own.tunnels === 0 ? refused('straights', 'the run is empty. Enter at least one length') : ok(shapeOf(own)),
});

const FREE: EdgeJoint = { joint: 'free' };
const FLATS = 16;
/** A disc over an end, its plane where the length was asked to end. */
function plugAt({ straightMm, flangeMm }: Pipe, end: 'near' | 'far'): Face {
  const x = end === 'near' ? 0 : straightMm;
  const ring = regularRing(FLATS, flangeMm / 2);
  // Seen from outside counter-clockwise at either end.
  const corners = ring.map(({ x: y, y: z }): Vec => [x, end === 'near' ? -y : y, z]);
  return {
    id: `plug-${end}`,
    name: `Flange, ${end} end`,
    role: 'flange',
    corners,
    edges: ring.map(() => FREE),
    grows: 'in',
    shows: { drawn: 'outside' },
  };
}
/** Half a round over a road that reaches under its feet. */
function tunnelOf({ tunnels, tunnelWideMm: wide, tunnelLongMm: long }: Pipe): Assembly {
  const half = wide / 2;
  const foot = half + FOOT_MM;
  return {
    id: 'tunnel',
    name: 'Tunnel',
    count: tunnels,
    faces: [
      levelFace(
        { id: 'road', name: 'Road', role: 'road', shows: { drawn: 'road' } },
        rectangleRing(-foot, 0, foot, long),
        0,
        'below',
        () => FREE,
      ),
    ],
    bends: [
      {
        id: 'vault',
        name: 'Vault',
        role: 'vault',
        centre: [0, long, 0],
        axis: [0, -1, 0],
        start: [1, 0, 0],
        radiusMm: half,
        turnDeg: 180,
        outline: rectangleRing(0, 0, Math.PI * half, long),
        grows: 'out',
        shows: { drawn: 'vault' },
      },
    ],
  };
}
const FOOT_MM = 12;

function shapeOf(own: Pipe): PieceShape {
  const plug = (end: 'near' | 'far'): EdgeJoint => ({ joint: 'against', to: `plug-${end}` });
  const ends = { none: [], 'one-end': ['near'], 'both-ends': ['near', 'far'] }[own.flanges] as readonly ('near' | 'far')[];
  const straight: Bar = {
    id: 'length',
    name: 'Length',
    role: 'pipe',
    from: [0, 0, 0],
    to: [own.straightMm, 0, 0],
    across: [0, 1, 0],
    ends: [ends.includes('near') ? plug('near') : FREE, ends.includes('far') ? plug('far') : FREE],
  };
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
      ...(own.straights > 0
        ? [{ id: 'straight', name: 'Straight', count: own.straights, faces: ends.map((end) => plugAt(own, end)), bars: [straight] }]
        : []),
      ...(own.elbows > 0 ? [{ id: 'elbow', name: 'Elbow', count: own.elbows, faces: [], bars: wedges }] : []),
      ...(own.tunnels > 0 ? [tunnelOf(own)] : []),
    ],
    clear: [],
    levels: [],
    waysIn: [],
    order: [
      {
        does: 'glue',
        says: 'Cut all wedges at one setting. Turn every second one over to form the bend.',
        bodyIds: wedges.map(({ id }) => id),
      },
      {
        does: 'glue',
        says: 'Join straight lengths to the elbows with a card ring over each joint.',
        bodyIds: ['length', ...ends.map((end) => `plug-${end}`)],
      },
      ...(own.tunnels > 0
        ? [
            {
              does: 'glue' as const,
              says: 'Bend the vault over the road. Paint the inside before you close it.',
              bodyIds: ['road', 'vault'],
            },
          ]
        : []),
    ],
    facts: [
      { label: 'Cutting angle', value: own.turnDeg / (2 * own.wedges), unit: '°' },
      { label: 'Wedge length along its middle', value: 2 * own.bendMm * Math.sin(step / 2), unit: 'mm' },
    ],
    handles:
      own.straights > 0
        ? [{ key: 'straightMm', label: 'Each', objectId: 'straight', at: [own.straightMm, 0, 0], along: [1, 0, 0], perUnitMm: 1, step: 1 }]
        : [],
  };
}
