import type { Bar, EdgeJoint, Face, Vec } from '../../../shell';
import { FREE, type Shed, type Side, type Sizes, WALL_NAMES } from './shed-settings';

/** Strips between the walls that a flat roof comes to lie on. */
export function ledgesOf(shed: Shed, { wideMm: w, deepMm: d }: Sizes): readonly Bar[] {
  const h = shed.wallMm;
  const bar = (id: string, name: string, [from, to]: readonly [Vec, Vec], across: Vec, ends: readonly [EdgeJoint, EdgeJoint]): Bar => ({
    id,
    name,
    role: 'ledge',
    from,
    to,
    across,
    runs: [-1, 1],
    ends,
  });
  const against = (to: string): EdgeJoint => ({ joint: 'against', to });
  const bars = [
    bar(
      'ledge-front',
      'Ledge, front',
      [
        [0, 0, h],
        [w, 0, h],
      ],
      [0, 1, 0],
      [against('left'), against('right')],
    ),
    bar(
      'ledge-back',
      'Ledge, back',
      [
        [w, d, h],
        [0, d, h],
      ],
      [0, -1, 0],
      [against('right'), against('left')],
    ),
    bar(
      'ledge-right',
      'Ledge, right',
      [
        [w, 0, h],
        [w, d, h],
      ],
      [-1, 0, 0],
      [against('ledge-front'), against('ledge-back')],
    ),
    bar(
      'ledge-left',
      'Ledge, left',
      [
        [0, d, h],
        [0, 0, h],
      ],
      [1, 0, 0],
      [against('ledge-back'), against('ledge-front')],
    ),
  ];
  const into: Readonly<Record<string, readonly [Side, Vec]>> = {
    'ledge-front': ['front', [0, -1, 0]],
    'ledge-back': ['back', [0, 1, 0]],
    'ledge-right': ['right', [1, 0, 0]],
    'ledge-left': ['left', [-1, 0, 0]],
  };
  return bars.map((one) => ({ ...one, touches: [{ bodies: [into[one.id]![0]], along: into[one.id]![1] }] }));
}

/** Sills along the foot, plates under the eaves and posts between them, on the outside of each wall; the sill stops at the door. */
export function frameOf(shed: Shed, { wideMm: w, deepMm: d }: Sizes, roofs: readonly Face[]): readonly Bar[] {
  const h = shed.wallMm;
  const walls: readonly {
    readonly side: Side;
    readonly from: Vec;
    readonly along: Vec;
    readonly longMm: number;
    readonly out: Vec;
    readonly next: readonly [Side, Side];
  }[] = [
    { side: 'front', from: [0, 0, 0], along: [1, 0, 0], longMm: w, out: [0, -1, 0], next: ['left', 'right'] },
    { side: 'right', from: [w, 0, 0], along: [0, 1, 0], longMm: d, out: [1, 0, 0], next: ['front', 'back'] },
    { side: 'back', from: [w, d, 0], along: [-1, 0, 0], longMm: w, out: [0, 1, 0], next: ['right', 'left'] },
    { side: 'left', from: [0, d, 0], along: [0, -1, 0], longMm: d, out: [-1, 0, 0], next: ['back', 'front'] },
  ];
  return walls.flatMap(({ side, from, along, longMm, out, next }): Bar[] => {
    const at = (x: number, z: number): Vec => [from[0] + along[0] * x, from[1] + along[1] * x, z];
    const touches: NonNullable<Bar['touches']> = [{ bodies: [side], along: [-out[0], -out[1], 0] }];
    const end = (i: 0 | 1): EdgeJoint => ({ joint: 'past', to: next[i] });
    const bar = (
      [id, name]: readonly [string, string],
      [a, b]: readonly [Vec, Vec],
      across: Vec,
      runs: Bar['runs'],
      ends: readonly [EdgeJoint, EdgeJoint],
    ): Bar => ({
      id: `${side}-${id}`,
      name: `${WALL_NAMES[side]}, ${name}`,
      role: 'frame',
      from: a,
      to: b,
      across,
      ...(runs === undefined ? {} : { runs }),
      ends,
      touches,
    });
    const doorMm = wallDoor(side, shed, w);
    const sills = doorMm === null ? [[0, longMm] as const] : [[0, doorMm[0]] as const, [doorMm[1], longMm] as const];
    const sillEnds = (i: number): readonly [EdgeJoint, EdgeJoint] => [i === 0 ? end(0) : FREE, i === sills.length - 1 ? end(1) : FREE];
    // Pushed up under whichever slope it comes to first.
    const plate: Bar = {
      ...bar(['plate', 'plate'], [at(0, 0), at(longMm, 0)], [0, 0, 1], [1, 0], [end(0), end(1)]),
      touches: [...touches, { bodies: roofs.map(({ id }) => id), along: [0, 0, 1] }],
    };
    const bars = sills.map(([a, b], i) => bar([`sill-${i + 1}`, 'sill'], [at(a, 0), at(b, 0)], [0, 0, 1], [-1, 0], sillEnds(i)));
    const posts = [0, 1].map((i): Bar => {
      const sill = i === 0 ? bars[0]! : bars.at(-1)!;
      return bar(
        [`post-${i + 1}`, 'post'],
        [at(i * longMm, 0), at(i * longMm, h)],
        along,
        [i === 0 ? -1 : 1, 0],
        [
          { joint: 'against', to: sill.id },
          { joint: 'against', to: plate.id },
        ],
      );
    });
    return [...bars, plate, ...posts];
  });
}
const wallDoor = (side: Side, { doorOffMm, doorWidthMm }: Shed, wideMm: number): readonly [number, number] | null =>
  side === 'front' ? [wideMm / 2 + doorOffMm - doorWidthMm / 2, wideMm / 2 + doorOffMm + doorWidthMm / 2] : null;
