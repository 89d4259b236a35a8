import { type Point, boxAround, contains, regionBox } from '../../../base/geometry';
import { type Body, hullOf, placesOf } from '../../shell';
import type { PieceShape, StandingLevel } from '../family';
import type { MadeObject } from '../making/made-object';

/** Whether a body lies over a place, above a height: told by its outline seen from above, of a bent sheet that stands upright by its radii. */
function coverOf(body: Body, aboveMm: number): ((at: Point) => boolean) | null {
  const places = placesOf(body);
  if (places.every(([, , z]) => z <= aboveMm + TOUCHES_MM)) return null;
  if (body.kind === 'curve' && Math.abs(body.frame.w[2]) > UPRIGHT) {
    const { frame, drawnMm, farMm, turnRad } = body;
    const [least, most] = [Math.min(drawnMm, farMm), Math.max(drawnMm, farMm)];
    return ({ x, y }) => {
      const [dx, dy] = [x - frame.origin[0], y - frame.origin[1]];
      const out = Math.hypot(dx, dy);
      if (out < least || out > most) return false;
      const turn = Math.atan2(dx * frame.v[0] + dy * frame.v[1], dx * frame.u[0] + dy * frame.u[1]);
      return (turn < 0 ? turn + 2 * Math.PI : turn) <= turnRad + 1e-9;
    };
  }
  const rings =
    body.kind === 'plate' && Math.abs(body.frame.w[2]) > UPRIGHT
      ? body.loops.map(({ drawn }) => drawn.map(({ x, y }) => onPlan(body, x, y)))
      : [hullOf(places.map(([x, y]) => ({ x, y })))];
  if (rings[0]!.length < 3) return null;
  const region = { rings };
  return (at) => contains(region, at);
}
const onPlan = ({ frame: { origin, u, v } }: Extract<Body, { kind: 'plate' }>, x: number, y: number): Point => ({
  x: origin[0] + u[0] * x + v[0] * y,
  y: origin[1] + u[1] * x + v[1] * y,
});
const TOUCHES_MM = 0.05;
const UPRIGHT = 0.99;

/** Whether anything of some bodies lies over a place, above a height. */
function coveredBy(bodies: readonly Body[], aboveMm: number): (at: Point) => boolean {
  const covers = bodies.flatMap((body) => coverOf(body, aboveMm) ?? []);
  return (at) => covers.some((over) => over(at));
}

/** Ways a part is tilted about, places along and across it. */
const WAYS = 24;
const ALONG = 48;
const ACROSS = [0, 0.15, -0.15, 0.3, -0.3] as const;
/** Of the length of a part, so much may be caught: what it is squeezed or turned by. */
const GIVES_MM = 1;

/**
 * Whether what is meant to come off does: straight up, or tilted on edge, for which somewhere a stretch as long as it is broad has to be free over it.
 * @param stays bodies that stay where they are
 */
export function comesOff(parts: readonly Body[], stays: readonly Body[]): boolean {
  const places = parts.flatMap((body) => placesOf(body));
  const topMm = Math.max(...places.map(([, , z]) => z));
  const outline = hullOf(places.map(([x, y]) => ({ x, y })));
  if (outline.length < 3) return true;
  const isCovered = coveredBy(stays, topMm);
  const { left, right, top, bottom } = boxAround(outline);
  const middle = { x: (left + right) / 2, y: (top + bottom) / 2 };
  const nearEdge = outline.map(({ x, y }) => ({ x: middle.x + (x - middle.x) * EDGE_SHARE, y: middle.y + (y - middle.y) * EDGE_SHARE }));
  const between = nearEdge.map((from, i) => {
    const to = nearEdge[(i + 1) % nearEdge.length]!;
    return { x: (from.x + to.x) / 2, y: (from.y + to.y) / 2 };
  });
  if (![...nearEdge, ...between, middle].some(isCovered)) return true;
  const acrossMm = Math.hypot(right - left, bottom - top);
  const region = { rings: [outline] };
  for (let k = 0; k < WAYS; k++) {
    const [cos, sin] = [Math.cos((Math.PI * k) / WAYS), Math.sin((Math.PI * k) / WAYS)];
    const along = outline.map(({ x, y }) => x * cos + y * sin);
    const broadMm = Math.max(...along) - Math.min(...along);
    for (const off of ACROSS) {
      const [x, y] = [middle.x - sin * acrossMm * off, middle.y + cos * acrossMm * off];
      const step = (acrossMm * 1.02) / ALONG;
      let [free, best] = [0, 0];
      for (let i = 0; i <= ALONG; i++) {
        const t = (i - ALONG / 2) * step;
        const at = { x: x + cos * t, y: y + sin * t };
        free = contains(region, at) && !isCovered(at) ? free + step : 0;
        best = Math.max(best, free);
      }
      if (best + step + GIVES_MM >= broadMm) return true;
    }
  }
  return false;
}
const EDGE_SHARE = 0.985;

/** Share of a level that something which stays lies over. */
const CLOSED_SHARE = 0.6;
const GRID = 7;
/** Whether a level is closed over once everything that lifts off is gone. */
export function isClosedOver(
  { ring, atMm }: StandingLevel,
  object: Pick<MadeObject, 'bodies'>,
  liftsOff: PieceShape['liftsOff'] = [],
): boolean {
  const off = new Set(liftsOff.flatMap(({ bodyIds }) => bodyIds));
  const isCovered = coveredBy(
    object.bodies.filter(({ id }) => !off.has(id)),
    atMm + 1,
  );
  const region = { rings: [ring] };
  const { left, right, top, bottom } = regionBox(region);
  const grid = Array.from({ length: GRID * GRID }, (_, i): Point => ({
    x: left + ((right - left) * ((i % GRID) + 0.5)) / GRID,
    y: top + ((bottom - top) * (Math.floor(i / GRID) + 0.5)) / GRID,
  })).filter((at) => contains(region, at));
  return grid.length > 0 && grid.filter(isCovered).length > CLOSED_SHARE * grid.length;
}
