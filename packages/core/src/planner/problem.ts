/** A run of time, minutes since midnight before the first day. */
export interface Window {
  readonly fromMin: number;
  readonly toMin: number;
}
/** Someone at the bench: when they have time, in order and apart. */
export interface Person {
  readonly windows: readonly Window[];
}
/** What is there so many times: flat drying places, kilograms of weights, a fan. */
export interface Store {
  readonly capacity: number;
}
/** What a job takes of a store from its start until it has lain there after its end. */
export interface Hold {
  readonly store: number;
  readonly amount: number;
  readonly afterMin: number;
}
/** Work in one go, then a wait that needs no hands. */
export interface Job {
  readonly workMin: number;
  /** From its end until it is through. */
  readonly cureMin: number;
  /** How many people it takes at once, and who may: by their place in the list. */
  readonly hands: number;
  readonly may: readonly number[];
  readonly holds: readonly Hold[];
  /** When it may be done at all; null for any time. In order and apart. */
  readonly open: readonly Window[] | null;
  /** What it needs has come by then. */
  readonly notBeforeMin: number;
  /** It begins then and at no other time. */
  readonly pinnedMin: number | null;
}
/**
 * A job after another: it begins at least so long after its end, and no later than `mostMin` after it,
 * or else not before `orAfterMin`: a second coat may be wanted within an hour or after a day.
 */
export interface Link {
  readonly from: number;
  readonly to: number;
  readonly leastMin: number;
  readonly mostMin: number;
  readonly orAfterMin: number;
}
/** What is planned. Jobs stand in an order that their links allow. */
export interface Problem {
  readonly people: readonly Person[];
  readonly stores: readonly Store[];
  readonly jobs: readonly Job[];
  readonly links: readonly Link[];
  /** The time that the windows cover. */
  readonly horizonMin: number;
}

/** Where a job was put. A job longer than any window has several stretches. */
export interface Placed {
  readonly startMin: number;
  readonly endMin: number;
  readonly stretches: readonly Window[];
  readonly people: readonly number[];
}

/** Slack against the last bits of sums of minutes. */
export const SLACK_MIN = 1e-6;

/** Whether a gap between the end of one job and the start of the next is allowed. */
export const isAllowed = (gapMin: number, { leastMin, mostMin, orAfterMin }: Link): boolean =>
  gapMin >= leastMin - SLACK_MIN && (gapMin <= mostMin + SLACK_MIN || gapMin >= orAfterMin - SLACK_MIN);
/** Whether the next job must follow within a time, with no second chance. */
export const isStrict = ({ mostMin, orAfterMin }: Link): boolean => mostMin < Infinity && orAfterMin === Infinity;
