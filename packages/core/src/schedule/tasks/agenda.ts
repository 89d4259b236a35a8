import { type Figure, DAY_MIN, given, total } from '../../base/units';
import { clock, dayText } from '../../base/dates';
import { realWait } from './ready';
import { SLACK_MIN, type Slot } from './schedule';
import type { Step } from './step';

/** A step's tiles done one after another in one sitting. */
export interface AgendaEntry {
  readonly stepId: string;
  readonly workpieces: readonly string[];
  /** Who does it, by their ids. */
  readonly people: readonly string[];
  /** Its tasks. */
  readonly taskIds: readonly string[];
  /** Somebody looks after it so long while it dries. */
  readonly calls: Figure<'min'> | null;
  readonly fromText: string;
  readonly toText: string;
  readonly work: Figure<'min'>;
  /** The wait after it before the tiles may go on; null where that is never over. */
  readonly wait: Figure<'min'> | null;
}
/** One day at the bench. */
export interface AgendaDay {
  readonly day: number;
  readonly text: string;
  readonly entries: readonly AgendaEntry[];
}

interface AgendaInputs {
  readonly slots: readonly Slot[];
  readonly steps: readonly Step[];
  readonly startsOn: string;
}

/** The evenings in order, each with what is done in it; runs of one step are one entry. */
export function agendaOf({ slots, steps, startsOn }: AgendaInputs): readonly AgendaDay[] {
  const stretches = slots.flatMap((slot) => slot.stretches.map((stretch) => ({ slot, ...stretch }))).sort((a, b) => a.fromMin - b.fromMin);
  const byId = new Map(steps.map((step) => [step.id, step]));
  const days = new Map<number, { step: Step; runs: typeof stretches }[]>();
  for (const stretch of stretches) {
    const day = Math.floor(stretch.fromMin / DAY_MIN);
    const entries = days.get(day) ?? [];
    const last = entries.at(-1);
    const step = byId.get(stretch.slot.task.stepId)!;
    const runsOn = last?.step === step && last.runs.at(-1)!.slot.people.join() === stretch.slot.people.join();
    if (last !== undefined && runsOn) last.runs.push(stretch);
    else entries.push({ step, runs: [stretch] });
    days.set(day, entries);
  }
  return [...days].map(([day, entries]) => {
    const text = dayText(startsOn, day * DAY_MIN);
    return {
      day,
      text,
      entries: entries.map(({ step, runs }) => ({
        stepId: step.id,
        workpieces: [...new Set(runs.map(({ slot }) => slot.task.workpieceId))],
        people: runs[0]!.slot.people,
        taskIds: [...new Set(runs.map(({ slot }) => slot.task.ofTask))],
        calls: callsOf(runs.map(({ slot }) => slot)),
        fromText: clock(runs[0]!.fromMin),
        toText: clock(runs.at(-1)!.toMin),
        work: total(
          `${step.name}, ${text}`,
          'min',
          runs.flatMap((run) => workIn(run)),
        ),
        wait: realWait(runs.at(-1)!.slot.task.wait, runs.at(-1)!.slot.endMin, startsOn),
      })),
    };
  });
}

/** The task's own figure with its set-up, or the part of both that falls into this evening. */
function workIn({
  slot,
  fromMin,
  toMin,
}: {
  readonly slot: Slot;
  readonly fromMin: number;
  readonly toMin: number;
}): readonly Figure<'min'>[] {
  const { task, stretches, setUpMin } = slot;
  if (stretches.length > 1) return [given(`${task.work.label}: share of this session`, toMin - fromMin, 'min', 'calendar')];
  return setUpMin > SLACK_MIN
    ? [given(`Set-up and clean-up, ${task.work.label}`, setUpMin, 'min', 'catalogue', 'once per session'), task.work]
    : [task.work];
}
function callsOf(slots: readonly Slot[]): Figure<'min'> | null {
  const calls = [...new Set(slots)].flatMap(({ task }) => task.calls ?? []);
  return calls.length === 0 ? null : total('Attention while drying', 'min', calls);
}
