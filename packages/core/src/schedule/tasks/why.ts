import { momentText } from '../../base/dates';
import type { Calendar } from '../../plan';
import { realWait } from './ready';
import type { Slot } from './schedule';

const FIT: Partial<Record<string, string>> = {
  air: 'it was too cold until then',
  spray: 'spraying was not possible earlier: dark, or too damp outside',
  noise: 'it is limited to certain hours: for noise, or while someone is awake to tend it',
};

/** Why a task begins when it does and not before, in a sentence. */
function whyOf({ because }: Slot, byTask: ReadonlyMap<string, Slot>, { startsOn }: Calendar): string {
  const labelOf = (id: string): string => byTask.get(id)?.task.work.label ?? id;
  const dryText = (taskId: string): string => {
    const before = byTask.get(taskId);
    if (before === undefined) return '';
    const wait = realWait(before.task.wait, before.endMin, startsOn);
    return wait === null || wait.value === 0
      ? `${labelOf(taskId)} was done`
      : `${labelOf(taskId)} was dry ${momentText(startsOn, before.nextMin)}`;
  };
  switch (because.kind) {
    case 'wait':
      return `Not earlier: ${dryText(because.after.taskId)}.`;
    case 'hands':
      return `Not earlier: everyone was busy with ${labelOf(because.taskId)}.`;
    case 'room':
      return `Not earlier: ${because.what} was in use by ${labelOf(because.taskId)}.`;
    case 'fit':
      return `Not earlier: ${FIT[because.why] ?? 'there was no suitable time'}.`;
    case 'early':
      return 'Not earlier: its materials arrive then, or the plan was rescheduled from there.';
    case 'follow':
      return 'Delayed, so that the task that must follow soon can start in time.';
    case 'pin':
      return 'Pinned to this time.';
    case 'done':
      return 'Done.';
    case 'bench':
      return because.after === null
        ? 'As soon as bench hours begin.'
        : `${dryText(because.after.taskId)}; then as soon as the bench has room.`;
  }
}

/** Of every task why it begins when it does, in the order of the slots. */
export function reasonsOf({ slots, calendar }: { readonly slots: readonly Slot[]; readonly calendar: Calendar }): readonly string[] {
  const byTask = new Map(slots.map((slot) => [slot.task.id, slot]));
  return slots.map((slot) => whyOf(slot, byTask, calendar));
}
