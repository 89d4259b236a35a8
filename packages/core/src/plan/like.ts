import type { Point } from '../base/geometry';
import { tidyMm } from '../base/rounding';
import { cutText } from '../base/text';
import type { Shape } from './shapes';
import { evenSplit } from './new-plan';
import type { Plan } from './plan';

/** How a board is to be like another. */
export interface LikeThat {
  readonly name: string;
  /** First day on which there is time. */
  readonly startsOn: string;
  /** So much more ground, %; less than none for less. */
  readonly morePct: number;
}

/**
 * A board like another, with more ground or less: tiles, outlines and places grow; heights, widths of ways and walls, layers, coats and pieces stay, for they go by the
 * figures and not by the table. Of what was done, cut, bought and arranged for the first nothing is taken over; what was wished for after playing is, until it is seen to.
 */
export function planLike(plan: Plan, { name, startsOn, morePct }: LikeThat): Plan {
  const grow = Math.sqrt(1 + morePct / 100);
  const at = ({ x, y }: Point): Point => ({ x: tidyMm(x * grow), y: tidyMm(y * grow) });
  const sides = (mm: readonly number[]): readonly number[] => grownSides(mm, grow);
  const { table, underlay, cutting, calendar, section } = plan;
  return {
    ...plan,
    name: cutText(name, 80),
    table: { ...table, columnWidthsMm: sides(table.columnWidthsMm), rowDepthsMm: sides(table.rowDepthsMm) },
    underlay: underlay === null ? null : { ...underlay, at: at(underlay.at), mmPerPx: underlay.mmPerPx * grow },
    features: plan.features.map((feature) => ({ ...feature, shape: grownShape(feature.shape, at, grow) })) as Plan['features'],
    cutting: { ...cutting, saved: [], splits: [], tools: [] },
    places: plan.places.map((place) => ({ ...place, spells: [] })),
    calendar: {
      ...calendar,
      startsOn,
      daysOff: [],
      deadline: null,
      order: [],
      spared: [],
      notBefore: null,
      arrivals: [],
      busy: [],
      tasks: [],
    },
    mends: [],
    tableNotes: plan.tableNotes.flatMap((note) => (note.isDone ? [] : [{ ...note, at: at(note.at) }])),
    section: { from: at(section.from), to: at(section.to) },
  };
}

/** In whole mm: nobody marks out less. Tiles that were alike stay alike. */
function grownSides(mm: readonly number[], grow: number): readonly number[] {
  const whole = mm.reduce((sum, own) => sum + own, 0) * grow;
  const isEven = mm.every((own) => Math.abs(own - mm[0]!) < 0.2);
  return isEven && mm.length > 0 ? evenSplit(Math.round(whole), mm.length) : mm.map((own) => Math.round(own * grow));
}

function grownShape(shape: Shape, at: (point: Point) => Point, grow: number): Shape {
  switch (shape.form) {
    case 'round':
      return { ...shape, centre: at(shape.centre), radiusMm: tidyMm(shape.radiusMm * grow) };
    case 'strip':
    case 'outline':
      return { ...shape, points: shape.points.map(at) };
    case 'contours':
      return { ...shape, levels: shape.levels.map((rings) => rings.map((ring) => ring.map(at))) };
  }
}
