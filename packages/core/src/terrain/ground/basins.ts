import { type Point, type Region, areaMm2, boxesOverlap, intersection, isEmpty, regionBox } from '../../base/geometry';
import { memoize, sameItems } from '../../base/memory';
import { type Figure, given, calculate, total } from '../../base/units';
import { bowlVolumeMm3, kindOf } from '../../plan/features';
import type { Ground } from './ground';
import { eachCell } from './height-field';
import type { Land } from './land';
import { isBowl, profileOf, waterLevelMm, waterMm } from './profile';
import type { Upright } from './upright';

/** A basin with water standing in it. */
export interface Basin {
  readonly featureId: string;
  readonly name: string;
  /** Room for water, its floor, its brim and what stands in it allowed for. */
  readonly room: Figure<'mm³'>;
}

interface BasinInputs {
  readonly ground: Ground;
  readonly uprights: readonly Upright[];
}

/** Every basin that shows, with what it holds. @source craft.md §6: water area × depth, less what stands in it */
export function basinsOf({ ground, uprights }: BasinInputs): readonly Basin[] {
  const wet = ground.lands.filter((land) => land.role === 'hole' && waterMm(land) !== null && !isEmpty(land.body));
  return wet.map((land) => {
    const box = regionBox(land.body);
    const near = ground.lands.filter(({ whole }, i) => ground.lands[i] !== land && !isEmpty(whole) && boxesOverlap(box, regionBox(whole)));
    const measured = ground.features[ground.lands.indexOf(land)]!;
    const inIt = uprights.filter(({ ground: own }) => !isEmpty(own) && boxesOverlap(box, regionBox(own)));
    const names = inIt.map(({ featureId }) => ground.lands.find(({ feature }) => feature.id === featureId)?.name ?? featureId);
    return basinOf({ land, near, inIt, names, surface: measured.surface });
  });
}

/** One basin with what could change it. */
interface Near {
  readonly land: Land;
  readonly near: readonly Land[];
  readonly inIt: readonly Upright[];
  readonly names: readonly string[];
  readonly surface: Figure<'mm²'>;
}
const LAST = new WeakMap<Land, { readonly of: Near; readonly basin: Basin }>();
function basinOf(of: Near): Basin {
  const { land, near, inIt } = of;
  const last = LAST.get(land);
  if (last !== undefined && sameItems(last.of.near, near) && sameItems(last.of.inIt, inIt)) return last.basin;
  const deepMm = waterMm(land)!;
  const basin: Basin = { featureId: land.feature.id, name: land.name, room: roomOf(of, deepMm) };
  LAST.set(land, { of, basin });
  return basin;
}

function roomOf({ land, near, inIt, names, surface }: Near, deepMm: number): Figure<'mm³'> {
  const { name } = land;
  const full = calculate(`${name}, room`, 'mm³', surface, '×', given(`${name}, water depth`, deepMm, 'mm', 'plan'));
  const shaped = isBowl(land) ? calculate(`${name}, basin volume`, 'mm³', full, '×', bowlPart(land, deepMm)) : full;
  const standing = [
    ...near.flatMap((other) => wallIn(other, land, deepMm)),
    ...inIt.flatMap((upright, i) => pieceIn(upright, names[i]!, land, deepMm)),
  ];
  if (standing.length === 0) return shaped;
  return calculate(`${name}, volume left by pieces in it`, 'mm³', shaped, '−', total(`Standing in ${name}`, 'mm³', standing));
}

/** What a bowl holds of a flat floor filled as deep, of what of it is left by its neighbours. */
const bowlPart = memoize((land: Land, deepMm: number): Figure<'1'> => {
  const { feature, body, levelMm } = land;
  const mm3 = bowlVolumeMm3(feature.shape, -levelMm, Math.min(deepMm, -levelMm), body);
  return given(`${land.name}, fill factor of a bowl`, mm3 / (areaMm2(body) * deepMm), '1', 'drawing', 'sum over the contours of its floor');
});

/** A wall that runs through the water takes its place up to the surface. */
function wallIn(other: Land, basin: Land, deepMm: number): Figure<'mm³'>[] {
  const tallMm = other.role === 'standing' ? (kindOf(other.feature).standsMm?.(other.feature) ?? 0) : 0;
  if (tallMm === 0) return [];
  const mm2 = areaMm2(intersection(other.whole, basin.body));
  if (mm2 < 1) return [];
  const area = given(`${other.name}, in the water`, mm2, 'mm²', 'drawing', 'measured on the plan');
  return [calculate(`${other.name}, under water`, 'mm³', area, '×', given('Depth under water', Math.min(tallMm, deepMm), 'mm', 'plan'))];
}

/** Cells in which a piece is measured under water. */
const PROBE_MM = 0.5;
/** A piece whose plot lies wholly in the basin stands on its floor; what bridges it stands on the banks. */
function pieceIn({ ground, spansAt }: Upright, name: string, basin: Land, deepMm: number): Figure<'mm³'>[] {
  if (areaMm2(intersection(ground, basin.body)) < areaMm2(ground) - 1) return [];
  const floor = profileOf(basin);
  const brimMm = waterLevelMm(basin)!;
  let footMm = -Infinity;
  let mm3 = 0;
  const { left, top, right, bottom } = regionBox(ground);
  const shift = (at: Point): Point => ({ x: at.x + left, y: at.y + top });
  const grid = { cols: Math.ceil((right - left) / PROBE_MM), rows: Math.ceil((bottom - top) / PROBE_MM), cellMm: PROBE_MM };
  const local: Region = { rings: ground.rings.map((ring) => ring.map(({ x, y }) => ({ x: x - left, y: y - top }))) };
  eachCell(local, grid, (_, at) => (footMm = Math.max(footMm, floor(shift(at)))));
  eachCell(local, grid, (_, at) => {
    const point = shift(at);
    const bedMm = floor(point);
    for (const { fromMm, toMm } of spansAt(point)) {
      const low = Math.max(bedMm, footMm + fromMm);
      const high = Math.min(brimMm, footMm + toMm);
      if (high > low) mm3 += (high - low) * PROBE_MM * PROBE_MM;
    }
  });
  return mm3 < 1
    ? []
    : [given(`${name}, under water`, mm3, 'mm³', 'drawing', `measured every ${PROBE_MM} mm, up to ${deepMm} mm of water`)];
}
