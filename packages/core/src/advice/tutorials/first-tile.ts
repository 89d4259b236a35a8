import type { Catalogue } from '../../catalogue';
import { type Plan, newPlan } from '../../plan';

const SIDE_MM = 300;
/** Filler, seal and base coat: what dries overnight and what does not, and no more. */
const COATS = 3;
/** From breakfast to bedtime, so that the clock has something to run through. */
const HOURS = { fromMin: 8 * 60, toMin: 22 * 60 };

/** A small made-up tile to learn on: bare ground, few coats, and somebody who has time every day. @param startsOn the day it is begun */
export function firstTile(catalogue: Catalogue, startsOn: string): Plan {
  const plan = newPlan(
    { name: 'First tile', units: 'metric', widthMm: SIDE_MM, depthMm: SIDE_MM, columns: 1, rows: 1, figureHeightMm: 28, startsOn },
    catalogue,
  );
  return {
    ...plan,
    surfaces: plan.surfaces.map((surface) => ({ ...surface, coats: surface.coats.slice(0, COATS) })),
    calendar: { ...plan.calendar, hours: [1, 2, 3, 4, 5, 6, 7].map((weekday) => ({ weekday, ...HOURS })) },
  };
}
