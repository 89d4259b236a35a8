import type { EdgeJoint, Face, Vec } from '../../../shell';
import { LIFT_MM } from '../../asks';
import type { Shed, Side, Sizes } from './shed-settings';

/** The line along the top of each wall, from its first to its last upper corner, with the roof each stretch of it lies under. */
export interface Top {
  /** Between its two upper corners, right to left as seen from outside. */
  readonly peak: readonly Vec[];
  readonly under: readonly string[];
  readonly ends: readonly [rightMm: number, leftMm: number];
}
export type Tops = Readonly<Record<Side, Top>>;

/** The faces of a roof, and the line that each wall goes up to. */
interface Roof {
  readonly roofs: readonly Face[];
  readonly tops: Tops;
}

export function roofOf(shed: Shed, sizes: Sizes): Roof {
  if (shed.roof === 'flat') return flatRoof(shed, sizes);
  if (shed.roof === 'lean-to') return leanTo(shed, sizes);
  if (shed.roof === 'gable') return sizes.ridgeAlong ? gableAlong(shed, sizes) : gableAcross(shed, sizes);
  return hipped(shed, sizes);
}

const face = (id: string, name: string, corners: readonly Vec[], edges: readonly EdgeJoint[]): Face => ({
  id,
  name,
  role: 'roof',
  corners,
  edges,
  grows: 'out',
  shows: { far: 'roof' },
});
const mitre = (to: string): EdgeJoint => ({ joint: 'mitre', to });
/** How a roof goes over a wall. */
const overWalls =
  ({ overhangMm }: Shed) =>
  (to: Side, square = true): EdgeJoint =>
    square ? { joint: 'over', to, beyondMm: overhangMm, square: true } : { joint: 'over', to, beyondMm: overhangMm };
const levelAt =
  ({ wallMm }: Shed) =>
  (under: string): Top => ({ peak: [], under: [under], ends: [wallMm, wallMm] });

function flatRoof(shed: Shed, sizes: Sizes): Roof {
  const { wideMm: w, deepMm: d } = sizes;
  const h = shed.wallMm;
  const [over, level] = [overWalls(shed), levelAt(shed)];
  const corners: Vec[] = [
    [0, 0, h],
    [w, 0, h],
    [w, d, h],
    [0, d, h],
  ];
  if (shed.seat === 'on-walls')
    return {
      roofs: [face('roof', 'Roof', corners, [over('front'), over('right'), over('back'), over('left')])],
      tops: { front: level('roof'), right: level('roof'), back: level('roof'), left: level('roof') },
    };
  const edges = (['front', 'right', 'back', 'left'] as const).map((to): EdgeJoint => ({ joint: 'against', to, gapMm: LIFT_MM }));
  // The walls go on up past a roof that lies between them.
  return {
    roofs: [face('roof', 'Roof', corners, edges)],
    tops: { front: level('roof'), right: level('roof'), back: level('roof'), left: level('roof') },
  };
}

function leanTo(shed: Shed, sizes: Sizes): Roof {
  const { wideMm: w, deepMm: d, riseMm } = sizes;
  const h = shed.wallMm;
  const [over, level] = [overWalls(shed), levelAt(shed)];
  const corners: Vec[] = [
    [0, 0, h],
    [w, 0, h],
    [w, d, h + riseMm],
    [0, d, h + riseMm],
  ];
  return {
    roofs: [face('roof', 'Roof', corners, [over('front'), over('right', false), over('back'), over('left', false)])],
    tops: {
      front: level('roof'),
      right: { peak: [], under: ['roof'], ends: [h + riseMm, h] },
      back: { peak: [], under: ['roof'], ends: [h + riseMm, h + riseMm] },
      left: { peak: [], under: ['roof'], ends: [h, h + riseMm] },
    },
  };
}

/** A ridge from side to side, with a slope to the front and one to the back. */
function gableAlong(shed: Shed, sizes: Sizes): Roof {
  const { wideMm: w, deepMm: d, riseMm } = sizes;
  const [h, p] = [shed.wallMm, shed.wallMm + riseMm];
  const [over, level] = [overWalls(shed), levelAt(shed)];
  return {
    roofs: [
      face(
        'roof-front',
        'Roof, front slope',
        [
          [0, 0, h],
          [w, 0, h],
          [w, d / 2, p],
          [0, d / 2, p],
        ],
        [over('front'), over('right', false), mitre('roof-back'), over('left', false)],
      ),
      face(
        'roof-back',
        'Roof, back slope',
        [
          [w, d, h],
          [0, d, h],
          [0, d / 2, p],
          [w, d / 2, p],
        ],
        [over('back'), over('left', false), mitre('roof-front'), over('right', false)],
      ),
    ],
    tops: {
      front: level('roof-front'),
      back: level('roof-back'),
      right: { peak: [[w, d / 2, p]], under: ['roof-back', 'roof-front'], ends: [h, h] },
      left: { peak: [[0, d / 2, p]], under: ['roof-front', 'roof-back'], ends: [h, h] },
    },
  };
}

/** A ridge from front to back. */
function gableAcross(shed: Shed, sizes: Sizes): Roof {
  const { wideMm: w, deepMm: d, riseMm } = sizes;
  const [h, p] = [shed.wallMm, shed.wallMm + riseMm];
  const [over, level] = [overWalls(shed), levelAt(shed)];
  return {
    roofs: [
      face(
        'roof-right',
        'Roof, right slope',
        [
          [w, 0, h],
          [w, d, h],
          [w / 2, d, p],
          [w / 2, 0, p],
        ],
        [over('right'), over('back', false), mitre('roof-left'), over('front', false)],
      ),
      face(
        'roof-left',
        'Roof, left slope',
        [
          [0, d, h],
          [0, 0, h],
          [w / 2, 0, p],
          [w / 2, d, p],
        ],
        [over('left'), over('front', false), mitre('roof-right'), over('back', false)],
      ),
    ],
    tops: {
      right: level('roof-right'),
      left: level('roof-left'),
      front: { peak: [[w / 2, 0, p]], under: ['roof-right', 'roof-left'], ends: [h, h] },
      back: { peak: [[w / 2, d, p]], under: ['roof-left', 'roof-right'], ends: [h, h] },
    },
  };
}

/** A slope up from each wall, to a ridge or to a point. */
function hipped(shed: Shed, sizes: Sizes): Roof {
  const { wideMm: w, deepMm: d, riseMm, ridgeAlong } = sizes;
  const [h, p] = [shed.wallMm, shed.wallMm + riseMm];
  const [over, level] = [overWalls(shed), levelAt(shed)];
  const half = Math.min(w, d) / 2;
  const ridge: readonly [Vec, Vec] = ridgeAlong
    ? [
        [half, d / 2, p],
        [w - half, d / 2, p],
      ]
    : [
        [w / 2, half, p],
        [w / 2, d - half, p],
      ];
  const [a, b] = ridge;
  const isPoint = w === d;
  const slope = (
    side: Side,
    [from, to]: readonly [Vec, Vec],
    tops: readonly Vec[],
    [right, left, across]: readonly [Side, Side, Side],
  ): Face =>
    face(
      `roof-${side}`,
      `Roof, ${side} slope`,
      [from, to, ...tops],
      [over(side), mitre(`roof-${right}`), ...(tops.length === 2 ? [mitre(`roof-${across}`)] : []), mitre(`roof-${left}`)],
    );
  const long = (one: Vec, other: Vec): readonly Vec[] => (isPoint ? [one] : [one, other]);
  const front = ridgeAlong ? long(b, a) : [a];
  const back = ridgeAlong ? long(a, b) : [b];
  const right = ridgeAlong ? [b] : long(b, a);
  const left = ridgeAlong ? [a] : long(a, b);
  return {
    roofs: [
      slope(
        'front',
        [
          [0, 0, h],
          [w, 0, h],
        ],
        front,
        ['right', 'left', 'back'],
      ),
      slope(
        'right',
        [
          [w, 0, h],
          [w, d, h],
        ],
        right,
        ['back', 'front', 'left'],
      ),
      slope(
        'back',
        [
          [w, d, h],
          [0, d, h],
        ],
        back,
        ['left', 'right', 'front'],
      ),
      slope(
        'left',
        [
          [0, d, h],
          [0, 0, h],
        ],
        left,
        ['front', 'back', 'right'],
      ),
    ],
    tops: { front: level('roof-front'), right: level('roof-right'), back: level('roof-back'), left: level('roof-left') },
  };
}
