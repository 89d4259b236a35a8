import { type Box, type Point, type Ring, boxContains, regionOf } from '../../base/geometry';
import type { Template } from './templates';

/** What a placing guide shows: things by place and size, and units by their outlines. */
export interface Placed {
  readonly spots: readonly (Point & { readonly sizeMm: number })[];
  readonly units: readonly { readonly rings: readonly Ring[] }[];
}

/** Corners of the ring that stands for a thing set down. */
const CORNERS = 10;
/** A dot that is seen on paper. */
const MIN_MM = 1.2;

/** A tile at true scale with everything that is placed on it, to be laid over the ground and pricked through. */
export function placingGuide(name: string, tile: Box, { spots, units }: Placed): Template {
  const shift = ({ x, y }: Point): Point => ({ x: x - tile.left, y: y - tile.top });
  const own = spots.filter((spot) => boxContains(tile, spot));
  const near = units.filter(({ rings }) => rings.some((ring) => ring.some((point) => boxContains(tile, point))));
  const widthMm = tile.right - tile.left;
  const depthMm = tile.bottom - tile.top;
  const edge = regionOf([
    { x: 0, y: 0 },
    { x: widthMm, y: 0 },
    { x: widthMm, y: depthMm },
    { x: 0, y: depthMm },
  ]).rings;
  const dots = own.map((spot): Ring => {
    const at = shift(spot);
    const r = Math.max(MIN_MM, spot.sizeMm) / 2;
    return Array.from({ length: CORNERS }, (_, i) => ({
      x: at.x + r * Math.cos((i / CORNERS) * 2 * Math.PI),
      y: at.y + r * Math.sin((i / CORNERS) * 2 * Math.PI),
    }));
  });
  return {
    name,
    widthMm,
    depthMm,
    outline: { rings: [...edge, ...dots, ...near.flatMap(({ rings }) => rings.map((ring) => ring.map(shift)))] },
  };
}
