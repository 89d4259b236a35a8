import type { Deed } from '@spare-acre/core/schedule/bench';
import { clockAt } from '../../ui/dates';

const WORDS: Readonly<Record<Deed['act']['kind'], string>> = {
  tick: 'done',
  untick: 'not done',
  begin: 'started',
  pause: 'paused',
  timer: 'timer',
  'timer-off': 'timer stopped',
  note: 'log entry',
  read: 'caution read',
};

/** What somebody did at the bench, in a line. */
export function deedText({ act, atMs }: Deed): string {
  const name = act.kind === 'note' ? act.entry.name : 'name' in act ? act.name : act.kind === 'timer' ? act.timer.name : '';
  return `${clockAt(atMs)} ${WORDS[act.kind]}${name === '' ? '' : `: ${name}`}`;
}
