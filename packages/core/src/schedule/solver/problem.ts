import type { Pace } from '../air';

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
/** Waits are as stated; the air makes them longer or shorter, by when they begin. */
export type WaitPace = Pick<Pace, 'after' | 'before' | 'least'>;
/** What a job takes of a store from its start until it has lain there after its end. */
export interface Hold {
  readonly store: number;
  readonly amount: number;
  readonly afterMin: number;
  readonly pace: WaitPace;
}
/** Work in one go, then a wait that needs no hands. */
export interface Job {
  readonly workMin: number;
  /** Set-up and clean-up besides, unless someone has done a job of the same family earlier in the same sitting. */
  readonly setUpMin: number;
  readonly family: number;
  /** From its end until it is through. */
  readonly cureMin: number;
  readonly curePace: WaitPace;
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
  /** Of the least wait and of the second chance; the longest goes by the clock. */
  readonly pace: WaitPace;
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

/** Whether one job may start when it does after the end of another. */
export const isAllowed = (endMin: number, startMin: number, { leastMin, mostMin, orAfterMin, pace }: Link): boolean =>
  startMin >= pace.after(endMin, leastMin) - SLACK_MIN &&
  (startMin - endMin <= mostMin + SLACK_MIN || (orAfterMin < Infinity && startMin >= pace.after(endMin, orAfterMin) - SLACK_MIN));
/** A job that fits into nobody's evening: it is broken off and gone on with. @param longestMin everybody's longest sitting */
export const isTooLong = ({ workMin, setUpMin, hands, may }: Job, longestMin: readonly number[]): boolean =>
  hands === 1 && may.every((person) => longestMin[person]! < workMin + setUpMin - SLACK_MIN);
/** Which of someone's sittings a time lies in; −1 for none. */
export function sittingAt(windows: readonly Window[], timeMin: number): number {
  let [low, high] = [0, windows.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if (windows[middle]!.fromMin <= timeMin + SLACK_MIN) low = middle + 1;
    else high = middle;
  }
  return low > 0 && windows[low - 1]!.toMin > timeMin - SLACK_MIN ? low - 1 : -1;
} /** Whether the next job must follow within a time, with no second chance. */
export const isStrict = ({ mostMin, orAfterMin }: Link): boolean => mostMin < Infinity && orAfterMin === Infinity;
