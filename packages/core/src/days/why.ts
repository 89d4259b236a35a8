import { momentText } from '../base/dates';
import type { Calendar } from '../plan';
import { realWait } from './ready';
import type { Slot } from './schedule';

const FIT: Partial<Record<string, string>> = {
  air: 'it was too cold for it until then',
  spray: 'it could not be sprayed before: dark, or too damp outside',
  noise: 'it is kept to its hours: for noise, or while somebody is up to look after it',
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
      return `Not before: ${dryText(because.after.taskId)}.`;
    case 'hands':
      return `Not before: the hands were busy with ${labelOf(because.taskId)}.`;
    case 'room':
      return `Not before: ${because.what} was taken by ${labelOf(because.taskId)}.`;
    case 'fit':
      return `Not before: ${FIT[because.why] ?? 'there was no fit hour for it'}.`;
    case 'early':
      return 'Not before: what it needs comes then, or the plan was made anew from there.';
    case 'follow':
      return 'Held back, so that what must follow it soon comes in time.';
    case 'pin':
      return 'Pinned there.';
    case 'done':
      return 'Done.';
    case 'bench':
      return because.after === null
        ? 'As soon as the bench is open.'
        : `${dryText(because.after.taskId)}; then as soon as the bench has room for it.`;
  }
}

/** Of every task why it begins when it does, in the order of the slots. */
export function reasonsOf({ slots, calendar }: { readonly slots: readonly Slot[]; readonly calendar: Calendar }): readonly string[] {
  const byTask = new Map(slots.map((slot) => [slot.task.id, slot]));
  return slots.map((slot) => whyOf(slot, byTask, calendar));
}
