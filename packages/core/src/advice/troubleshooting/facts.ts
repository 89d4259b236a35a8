import type { AirAt } from '../../schedule/air';
import { type Catalogue, materialBy } from '../../catalogue';
import type { Warning, WarningCode } from '../checks';
import type { CoatNeed } from '../../finishing/coats';
import type { DryingPlaces } from '../../schedule/drying';
import type { LogEntry } from '../../learning/logbook';
import type { MadePiece } from '../../build/pieces';
import type { Plan } from '../../plan';
import type { BoardStack } from '../../build/stack';
import type { Supplies } from '../../procurement/supplies';

/** What a board says of itself, read for the traces of a mishap. */
export interface MishapFacts {
  readonly plan: Plan;
  readonly warnings: readonly Warning[];
  readonly joints: BoardStack['joints'];
  readonly coats: readonly CoatNeed[];
  readonly spots: DryingPlaces;
  readonly made: readonly MadePiece[];
  readonly supplies: Supplies;
  readonly log: readonly LogEntry[];
  readonly catalogue: Catalogue;
}
/** A trace of a cause: how strongly it speaks, 0 to 1, and in words. */
export interface Evidence {
  readonly weight: number;
  readonly text: string;
}
export type Traces = readonly Evidence[];

export const trace = (weight: number, text: string): Evidence => ({ weight, text });
/** What the checks found of a sort. */
export const warned = ({ warnings }: MishapFacts, ...codes: readonly WarningCode[]): Traces =>
  warnings.filter(({ code }) => codes.includes(code)).map(({ severity, title }) => trace(severity === 'stop' ? 1 : 0.85, title));

const DAY_MIN = 1_440;
const LOOKED_DAYS = 7;
/** The coldest and the dampest air of the first week where things dry, on the shelf or the floor as they do. */
export function airOf({ spots }: MishapFacts): { readonly coldest: AirAt; readonly dampest: AirAt; readonly driest: AirAt } {
  const hours = Array.from({ length: LOOKED_DAYS * 24 }, (_, hour) => spots.usual.course.at((hour * DAY_MIN) / 24));
  const by = (better: (a: AirAt, b: AirAt) => boolean): AirAt => hours.reduce((best, one) => (better(one, best) ? one : best));
  return {
    coldest: by((a, b) => a.airC < b.airC),
    dampest: by((a, b) => a.humidityPct > b.humidityPct),
    driest: by((a, b) => a.humidityPct < b.humidityPct),
  };
}
export const damp = (facts: MishapFacts, fromPct: number, weight: number): Traces => {
  const { humidityPct } = airOf(facts).dampest;
  return humidityPct < fromPct
    ? []
    : [trace(Math.min(1, weight + (humidityPct - fromPct) / 50), `up to ${Math.round(humidityPct)} % RH where it dries`)];
};
export const cold = (facts: MishapFacts, belowC: number | null, weight: number, what = 'where it dries'): Traces => {
  const { airC } = airOf(facts).coldest;
  return belowC === null || airC >= belowC
    ? []
    : [trace(Math.min(1, weight + (belowC - airC) / 20), `down to ${Math.round(airC)} °C ${what}; it needs ${belowC} °C`)];
};

/** Coats of a surface in their order. */
export const bySurface = (coats: readonly CoatNeed[]): readonly (readonly CoatNeed[])[] => {
  const lists = new Map<string, CoatNeed[]>();
  for (const need of coats) lists.set(need.surfaceId, [...(lists.get(need.surfaceId) ?? []), need]);
  return [...lists.values()];
};
/** Pairs of coats that follow each other on one surface. */
export const pairs = (coats: readonly CoatNeed[]): readonly (readonly [CoatNeed, CoatNeed])[] =>
  bySurface(coats).flatMap((list) => list.slice(1).map((need, i) => [list[i]!, need] as const));
/** How many times as thick as its label is told for a coat lies. */
export function overThick({ coating, filmMm }: CoatNeed): number {
  const usual = coating.spread.by === 'film' ? coating.spread.filmMm.value : (coating.drying.perFilm?.refMm ?? null);
  return filmMm === null || usual === null ? 1 : filmMm / usual;
}
/** Faces of a joint that let no water out, both of them. */
export const isSealedIn = (joint: MishapFacts['joints'][number], catalogue: Catalogue): boolean =>
  [joint.lower, joint.upper].every((face) => face.isSealed || materialBy(catalogue, face.materialId).waterPassage === 'no');

const MORE = 1.15;
/** What really took more than was planned, again and again. */
export function usedMore({ log }: MishapFacts): Traces {
  const figures = log.flatMap((entry) => entry.figures.filter(({ unit }) => unit === 'g' || unit === 'ml'));
  return [...new Set(figures.map(({ name }) => name))].flatMap((name) => {
    const own = figures.filter((figure) => figure.name === name && figure.planned > 0);
    if (own.length === 0) return [];
    const ratio = Math.exp(own.reduce((sum, { real, planned }) => sum + Math.log(Math.max(1e-3, real / planned)), 0) / own.length);
    return ratio < MORE
      ? []
      : [
          trace(
            Math.min(1, 0.7 + (ratio - MORE)),
            `${name}: ${Math.round((ratio - 1) * 100)} % more than planned in ${own.length} entries of the log`,
          ),
        ];
  });
}
