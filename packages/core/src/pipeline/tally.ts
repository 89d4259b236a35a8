import type { BoardMass } from '../build/mass';
import { type Figure, total } from '../base/units';
import type { CoatingNeed } from '../finishing/coats';
import { totalSheets } from '../build/cutting';
import type { CutJob } from '../build/cutting/job';
import type { Days } from '../schedule/tasks';
import type { GlueNeed } from '../build/stack/adhesives';
import type { Supplies } from '../procurement/supplies';

/** What is counted of a board: its evenings have no part in it. */
export interface Counts {
  readonly sheets: Figure<'1'>;
  readonly mass: Figure<'g'>;
  readonly adhesive: Figure<'g'>;
  readonly paint: Figure<'ml'>;
  readonly cost: Figure<'money'>;
}
/** What follows from its evenings. */
export interface Readiness {
  readonly handsOn: Figure<'min'>;
  /** null for a board with nothing to do. */
  readonly ready: Figure<'min'> | null;
  readonly readyText: string;
  /** The evenings are planned: until then hands-on time and the date are not known. */
  readonly isPlanned: boolean;
}
/** The figures that are always in sight. */
export type Tally = Counts & Readiness;

interface CountInputs {
  readonly jobs: readonly CutJob[];
  readonly mass: BoardMass;
  readonly pieceMasses: readonly Figure<'g'>[];
  readonly glues: readonly GlueNeed[];
  readonly coatings: readonly CoatingNeed[];
  readonly supplies: Supplies;
}

export function countsOf({ jobs, mass, pieceMasses, glues, coatings, supplies }: CountInputs): Counts {
  const adhesive = total(
    'Adhesive',
    'g',
    glues.map((need) => need.mass),
  );
  const paints = coatings.filter(({ coating }) => coating.family === 'paint');
  const paint = total(
    'Paint',
    'ml',
    paints.map(({ volume }) => volume),
  );
  return {
    sheets: totalSheets(jobs),
    mass: pieceMasses.length === 0 ? mass.all : total('Board and pieces', 'g', [mass.all, ...pieceMasses]),
    adhesive,
    paint,
    cost: supplies.used,
  };
}

/** Before the schedule is calculated. */
export const UNPLANNED: Readiness = { handsOn: total('Hands-on', 'min', []), ready: null, readyText: '', isPlanned: false };

export const readinessOf = ({ days }: { readonly days: Days }): Readiness => ({
  handsOn: days.handsOn,
  ready: days.ready?.at ?? null,
  readyText: days.ready?.text ?? '',
  isPlanned: true,
});
