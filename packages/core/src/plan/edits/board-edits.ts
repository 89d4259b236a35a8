import { current, isDraft } from 'immer';
import type { BoardRecord, RecordDraft } from '../workshop';
import type { Point } from '../../base/geometry';
import type { Board } from '../board';
import { type Change, withChanges } from '../changes';
import type { Plan, PlayRules } from '../plan';
import { edit } from './edit-definition';

type PlayRule = Exclude<keyof PlayRules, 'baseHex'>;
const PLAY_WORDS: Readonly<Record<PlayRule, string>> = {
  baseMm: 'the base',
  tiltDeg: 'the tilt',
  stepUpMm: 'the step',
  walkDeg: 'the slope',
  reachMm: 'the reach',
  handMm: 'the hand size',
};

/** Changes to the board as a whole: its name, how it is played, dried and worked on. */
export const boardEdits = {
  'board/rename': edit<{ readonly name: string }>('Rename the board', ({ plan }, { name }) => void (plan.name = name)),
  'board/figure-height': edit<{ readonly mm: number }>('Set the figure height', ({ plan }, { mm }) => void (plan.figureHeightMm = mm)),
  /** Another whole plan in place of this one, with what was done by then. */
  'board/replace': edit<{ readonly plan: Plan; readonly record: BoardRecord; readonly why: string }>(
    ({ why }) => why,
    (board, { plan, record }) => {
      Object.assign(board.plan, plan);
      board.record = record as RecordDraft;
    },
  ),
  /** Changes made at their places and nowhere else: how a step is undone and done again on a board that others have changed meanwhile. */
  'board/change': edit<{ readonly changes: readonly Change[]; readonly why: string }>(
    ({ why }) => why,
    (board, { changes }) => {
      const settled = (part: object): unknown => (isDraft(part) ? current(part) : part);
      const next = withChanges({ plan: settled(board.plan), record: settled(board.record) } as Board, changes);
      Object.assign(board.plan, next.plan);
      board.record = next.record as RecordDraft;
    },
  ),
  'play/base-colour': edit<{ readonly hex: string }>('Set the colour of the bases', ({ plan }, { hex }) => void (plan.play.baseHex = hex)),
  'play/rule': edit<{ readonly rule: PlayRule; readonly value: number }>(
    ({ rule }) => `Set ${PLAY_WORDS[rule]}`,
    ({ plan }, { rule, value }) => void (plan.play[rule] = value),
  ),
  'section/end': edit<{ readonly end: 'from' | 'to'; readonly at: Point }>(
    'Move the cut',
    ({ plan }, { end, at }) => void (plan.section[end] = { ...at }),
  ),
};
