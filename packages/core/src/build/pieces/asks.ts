import * as ask from '../../plan/fields';
import type { Limits } from '../../base/units';
import type { PieceField } from './family';

type When = Pick<PieceField, 'when'>;
/** Only asked where it has a say. */
export const when = <S>(is: (settings: S) => boolean): When => ({ when: is as (settings: never) => boolean });

export const askLength = (key: string, label: string, limits: Limits, more: When = {}): PieceField => ({
  ...ask.askLength(key, label, limits),
  ...more,
});
/** How a number is asked for: what it counts, and how far one step goes. */
interface Steps extends When {
  readonly unit?: string;
  readonly step?: number;
}
export const askNumber = (key: string, label: string, limits: Limits, { unit = '', step = 1, ...more }: Steps = {}): PieceField => ({
  ...ask.askNumber(key, label, limits, unit),
  step,
  ...more,
});
export const askTick = (key: string, label: string, more: When = {}): PieceField => ({ ...ask.askTick(key, label), ...more });
export const askChoice = (key: string, label: string, texts: Readonly<Record<string, string>>, more: When = {}): PieceField => ({
  ...ask.askChoice(key, label, texts),
  ...more,
});

/** The same piece made another way. */
export const askWay = (key: string, label: string, texts: Readonly<Record<string, string>>): PieceField => ({
  ...ask.askChoice(key, label, texts),
  isWay: true,
});

/** Left between an opening and the end of its wall. */
export const PIER_MM = 2;
/** Left free round what lifts out. */
export const LIFT_MM = 0.5;

/** What settings of pieces may be. */
export const SIZES = {
  bases: { min: 0.5, max: 24 },
  slackMm: { min: 0, max: 20 },
  wallMm: { min: 5, max: 500 },
  pitchDeg: { min: 5, max: 70 },
  overhangMm: { min: 0, max: 40 },
  openingMm: { min: 3, max: 300 },
  count: { min: 0, max: 40 },
  storeys: { min: 1, max: 8 },
  sides: { min: 3, max: 16 },
  smallMm: { min: 0, max: 60 },
  lengthMm: { min: 5, max: 2_000 },
} as const satisfies Record<string, Limits>;
