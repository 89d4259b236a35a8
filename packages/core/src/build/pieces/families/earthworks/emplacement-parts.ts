import { type Point, boxAround } from '../../../../base/geometry';
import type { Bar, Face, Opening } from '../../../shell';
import { levelFace, wallOf } from '../../measures/enclosure';
import { rectangleRing } from '../../family';
import { doorAt, spreadMm } from '../../openings';
import { type EmplacementPlan, chordAt, outOver, sideMm } from './emplacement-plan';
import { type Emplacement, blindWalls, type Platform } from './emplacement-settings';

export const columnsAt = (ring: readonly Point[]): number => {
  const { top, bottom } = boxAround(ring);
  return (top + bottom) / 2;
};
export function columnsOf(own: Emplacement, ring: readonly Point[]): readonly Bar[] {
  const y = columnsAt(ring);
  const [left, right] = chordAt(ring, y) ?? [0, 0];
  return Array.from({ length: own.columns }, (_, i): Bar => {
    const x = left + ((right - left) * (i + 1)) / (own.columns + 1);
    return {
      id: `column-${i + 1}`,
      name: `Column ${i + 1}`,
      role: 'column',
      from: [x, y, 0],
      to: [x, y, own.wallMm],
      across: [1, 0, 0],
      ends: [
        { joint: 'against', to: 'floor' },
        { joint: 'against', to: 'roof' },
      ],
    };
  });
}
export function stepOf(own: Emplacement, { ring, along }: Platform): readonly Face[] {
  const n = ring.length;
  const top = levelFace(
    { id: 'platform', name: 'Platform', role: 'floor', shows: { drawn: 'floor' } },
    ring,
    own.platformMm,
    'below',
    (i) => (along[i] === null ? { joint: 'free' } : { joint: 'against', to: wallOf('wall', along[i]!) }),
  );
  const free = along.indexOf(null);
  const [from, to] = [ring[free]!, ring[(free + 1) % n]!];
  const [after, before] = [along[(free + 1) % n]!, along[(free + n - 1) % n]!];
  const at = ({ x, y }: Point, z: number) => [x, y, z] as const;
  const riser: Face = {
    id: 'riser',
    name: 'Riser of the platform',
    role: 'floor',
    corners: [at(from, 0), at(to, 0), at(to, own.platformMm), at(from, own.platformMm)],
    edges: [
      { joint: 'against', to: 'floor' },
      { joint: 'against', to: wallOf('wall', after) },
      { joint: 'against', to: 'platform' },
      { joint: 'against', to: wallOf('wall', before) },
    ],
    grows: 'in',
    shows: { drawn: 'inside' },
  };
  return [top, riser];
}
/** Under the top of the wall, so that a roof that juts out clears them. */
const BUTTRESS_SHARE = 0.8;
/** Upright ribs outside, square to their wall, leaning back to it over their outer two thirds. */
export function buttressesOf(own: Emplacement, plan: EmplacementPlan): readonly Face[] {
  if (own.buttresses === 0) return [];
  const { ring, names } = plan;
  const highMm = own.wallMm * BUTTRESS_SHARE;
  return blindWalls(own, plan).flatMap((wall) => {
    const [from, out] = [ring[wall]!, outOver(ring, wall)];
    const longMm = sideMm(ring, wall);
    // Along the wall, square to the way out.
    const [ax, ay] = [-out.y, out.x];
    return spreadMm(own.buttresses, longMm).map((atMm, i): Face => {
      const at = (outMm: number, z: number) => [from.x + ax * atMm + out.x * outMm, from.y + ay * atMm + out.y * outMm, z] as const;
      const slope = [out.x * highMm, out.y * highMm, own.buttressMm * 2] as const;
      return {
        id: `buttress-${wall + 1}-${i + 1}`,
        name: `Buttress ${i + 1}, ${names[wall]!.toLowerCase()}`,
        role: 'wall',
        corners: [at(0, 0), at(own.buttressMm, 0), at(own.buttressMm, highMm), at(0, highMm)],
        edges: [
          { joint: 'past', to: 'floor' },
          { joint: 'past', to: wallOf('wall', wall), beyondMm: own.buttressMm },
          { joint: 'plane', normal: slope },
          { joint: 'against', to: wallOf('wall', wall) },
        ],
        grows: 'out',
        shows: { far: 'walls', drawn: 'walls' },
      };
    });
  });
}
export function openingsOf(own: Emplacement, { back, fronts, names }: EmplacementPlan, wall: number, longMm: number): readonly Opening[] {
  if (wall === back) return [doorAt('door', 'Door', longMm / 2, own.doorWidthMm, own.doorHeightMm)];
  if (!own.embrasures || !fronts.includes(wall)) return [];
  const [half, sill] = [own.embrasureMm / 2, own.embrasureSillMm];
  return [
    {
      id: `embrasure-${wall + 1}`,
      name: `Embrasure, ${names[wall]!.toLowerCase()}`,
      kind: 'slit',
      ring: rectangleRing(longMm / 2 - half, sill, longMm / 2 + half, sill + own.embrasureHeightMm),
      splayDeg: own.embrasureSplayDeg,
      isLined: true,
    },
  ];
}
/** A strip along one wall for the roof to lie on. */
export function ledgeOf(own: Emplacement, { ring, names }: EmplacementPlan, wall: number): Bar {
  const n = ring.length;
  const [a, b] = [ring[wall]!, ring[(wall + 1) % n]!];
  return {
    id: `ledge-${wall + 1}`,
    name: `Ledge, ${names[wall]!.toLowerCase()}`,
    role: 'ledge',
    from: [a.x, a.y, own.wallMm],
    to: [b.x, b.y, own.wallMm],
    across: [-(b.y - a.y), b.x - a.x, 0],
    runs: [-1, 1],
    ends: [
      { joint: 'against', to: wallOf('wall', (wall + n - 1) % n) },
      { joint: 'against', to: wallOf('wall', (wall + 1) % n) },
    ],
  };
}
