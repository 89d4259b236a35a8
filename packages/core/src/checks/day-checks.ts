import type { Warning } from './warning';

/** A board that is ready too late for what it is wanted for, by how much, and whether any order of work makes it. */
export function* dayWarnings({
  late,
}: {
  readonly late: {
    readonly wantedText: string;
    readonly readyText: string;
    readonly lateMin: number;
    readonly notBeforeText: string | null;
  } | null;
}): Generator<Warning> {
  if (late === null) return;
  const { wantedText, readyText, lateMin, notBeforeText } = late;
  yield {
    id: 'days/late',
    code: 'days/late',
    severity: 'care',
    featureId: null,
    title: `Wanted for ${wantedText}`,
    text: [
      `it is ready ${readyText}, ${spanText(lateMin)} too late. `,
      notBeforeText === null
        ? 'Better evenings or what would bring it forward may: both are looked for under Days.'
        : `No order of work makes it: the slowest workpiece alone is through ${notBeforeText}. What would bring it forward is told under Days.`,
    ],
    mends: [],
  };
}

/** `3 d 4 h`, an hour at least. */
function spanText(min: number): string {
  const hours = Math.max(1, Math.ceil(min / 60));
  const [days, rest] = [Math.floor(hours / 24), hours % 24];
  return [...(days > 0 ? [`${days}\u00a0d`] : []), ...(rest > 0 ? [`${rest}\u00a0h`] : [])].join('\u00a0');
}
