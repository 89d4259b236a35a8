import { type Figure, DAY_MIN, given, total } from '../base/units';
import { clock, dayText } from './calendar';
import type { Slot } from './schedule';
import type { Step } from './step';

/** A step's tiles done one after another in one sitting. */
export interface AgendaEntry {
  readonly stepId: string;
  readonly workpieces: readonly string[];
  readonly fromText: string;
  readonly toText: string;
  readonly work: Figure<'min'>;
  /** The wait after it before the tiles may go on. */
  readonly wait: Figure<'min'>;
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
    if (last?.step === step) last.runs.push(stretch);
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
        fromText: clock(runs[0]!.fromMin),
        toText: clock(runs.at(-1)!.toMin),
        work: total(
          `${step.name}, ${text}`,
          'min',
          runs.map((run) => workIn(run)),
        ),
        wait: runs.at(-1)!.slot.task.wait,
      })),
    };
  });
}

/** The task's own figure, or the part of it that falls into this evening. */
function workIn({ slot, fromMin, toMin }: { readonly slot: Slot; readonly fromMin: number; readonly toMin: number }): Figure<'min'> {
  return slot.stretches.length === 1
    ? slot.task.work
    : given(`${slot.task.work.label}: this evening's share`, toMin - fromMin, 'min', 'calendar');
}
