import { cutText } from '../base/text';
import { byGroundKind } from './surfaces';
import { type Catalogue, thicknessesOf } from '../catalogue';
import { starterSurface } from './coats';
import type { Person, Place, Plan } from './plan';

/** What a builder says of a new board; the rest starts from defaults that can all be changed. */
export interface NewBoard {
  readonly name: string;
  readonly units: Plan['units'];
  readonly widthMm: number;
  readonly depthMm: number;
  /** 0 of both for a loose lot: pieces without a table. */
  readonly columns: number;
  readonly rows: number;
  readonly figureHeightMm: number;
  /** First day on which there is time, `2026-11-30`. */
  readonly startsOn: string;
}

/** A step is a tenth to a sixth of the figure; a figure is said to climb the higher. @source craft.md §5 */
const STEP_SHARE = 6;

/** A board with nothing on it: an even split on the catalogue's starter stack and coats. */
export function newPlan(board: NewBoard, catalogue: Catalogue): Plan {
  const { starter, bench, passages, patterns } = catalogue;
  return {
    format: 'spare-acre-plan',
    version: 14,
    name: board.name,
    units: board.units,
    figureHeightMm: board.figureHeightMm,
    seed: 1,
    table: {
      columnWidthsMm: evenSplit(board.widthMm, board.columns),
      rowDepthsMm: evenSplit(board.depthMm, board.rows),
      seamAllowanceMm: 0,
      rim: null,
      join: starter.join,
      passages: passages.slice(0, 3).map((passage) => ({ ...passage })),
    },
    underlay: null,
    play: { ...starter.play, stepUpMm: Math.max(1, Math.round((board.figureHeightMm / STEP_SHARE) * 2) / 2) },
    stack: newStack(starter, board.units, catalogue),
    features: [],
    pieces: [],
    surfaces: starter.surfaces
      .filter(({ id }) => Object.values(starter.wears).includes(id))
      .map((one) => starterSurface(one, patterns, board.figureHeightMm / bench.personMm.value)),
    wears: starter.wears,
    paints: [],
    testPieces: [],
    cutting: {
      trimMm: null,
      trims: [],
      aim: 'cheapest',
      saved: [],
      tools: [],
      batches: [],
      splits: [],
      joints: 'saving',
      keptWhole: [],
      withoutSheetIds: [],
    },
    places: starter.places.map((one) => newPlace(one)),
    drying: { placeId: starter.places[0]!.id, on: 'shelf', lies: 'flat', airId: starter.airId },
    driedAt: [],
    people: [newPerson('you', starter.personName)],
    kit: starter.kit,
    buying: { ofHundred: null, own: [] },
    calendar: {
      startsOn: board.startsOn,
      hours: starter.hours,
      daysOff: [],
      deadline: null,
      order: [],
      spared: [],
      noise: starter.noise,
      notBefore: null,
      arrivals: [],
      busy: [],
      tasks: [],
    },
    mends: [],
    tableNotes: [],
    section: { from: { x: 0, y: board.depthMm / 2 }, to: { x: board.widthMm, y: board.depthMm / 2 } },
  };
}

/** The thickness nearest to a usual one that is sold where a board of these measures is built, mm. */
function stockedLike(
  { materialId, thicknessMm }: { readonly materialId: string; readonly thicknessMm: number },
  units: Plan['units'],
  catalogue: Catalogue,
): number {
  const stocked = thicknessesOf(catalogue, materialId, units === 'metric' ? 'metric' : 'inch');
  return stocked.reduce((best, mm) => (Math.abs(mm - thicknessMm) < Math.abs(best - thicknessMm) ? mm : best), stocked[0] ?? thicknessMm);
}

/** One layer of foam on a bare board, glued over the whole face and cut to size first. */
const newStack = ({ substrate, ground, raised }: Catalogue['starter'], units: Plan['units'], catalogue: Catalogue): Plan['stack'] => ({
  substrate: { ...substrate, thicknessMm: stockedLike(substrate, units, catalogue), sealed: 'none', grain: null },
  ground: [{ id: 'ground', ...ground, thicknessMm: stockedLike(ground, units, catalogue), spread: 'full', grain: null, sealed: 'none' }],
  raised: { ...raised, spread: 'full', crossGrain: true, atHandMm: [], picks: [] },
  facings: byGroundKind(() => []),
  battens: null,
  edges: 'cut-first',
  allowanceMm: 10,
  weighed: false,
});

/** A place as the catalogue starts one; its air in winter until the builder says otherwise. */
export const newPlace = ({
  id,
  name,
  kindId,
  by,
  airC,
  humidityPct,
  flatPlaces,
  hasExtraction,
}: Catalogue['starter']['places'][number]): Place => ({
  id,
  name,
  kindId,
  air: { by, airC, humidityPct, season: 'winter', sensorId: null },
  spells: [],
  flatPlaces,
  hasExtraction,
});
export const newPerson = (id: string, name: string): Person => ({ id, name, isChild: false, avoids: [], hours: [] });

/** The same board to be built once more, under a name that says so. */
export const planAgain = (plan: Plan): Plan => ({
  ...plan,
  name: `${cutText(plan.name, 70)} (copy)`,
  // What was done of the first is not done of the second.
  calendar: { ...plan.calendar, notBefore: null, tasks: [] },
});

/** Equal tiles; the last takes what rounding to a tenth of a mm leaves. */
export function evenSplit(lengthMm: number, count: number): number[] {
  const each = Math.round((lengthMm / count) * 10) / 10;
  const last = Math.round((lengthMm - each * (count - 1)) * 1000) / 1000;
  return Array.from({ length: count }, (_, i) => (i === count - 1 ? last : each));
}
