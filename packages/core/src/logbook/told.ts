import { csvOf } from '../base/tables';
import { type Showing, showText } from '../base/units';
import type { LogEntry } from './entry';

const COLUMNS = ['day', 'what', 'who', 'figure', 'unit', 'planned', 'real', 'note'] as const;
/** The log as a table, a line for each figure; what was only noted has a line of its own. */
export function logCsv(entries: readonly LogEntry[]): string {
  const lines = entries.flatMap(({ day, name, who, figures, note }) =>
    figures.length === 0
      ? [[day, name, who, '', '', '', '', note]]
      : figures.map((figure, i) => [
          day,
          name,
          who,
          figure.name,
          figure.unit,
          String(figure.planned),
          String(figure.real),
          i === 0 ? note : '',
        ]),
  );
  return csvOf([[...COLUMNS], ...lines]);
}

/** The build as it went, to read and to keep. @param title the board */
export function logMarkdown(title: string, entries: readonly LogEntry[], showing: Showing): string {
  const days = [...new Set(entries.map(({ day }) => day))].sort();
  const sections = days.map((day) => {
    const own = entries.filter((entry) => entry.day === day);
    return [`## ${day}`, ...own.map((entry) => lineOf(entry, showing))].join('\n\n');
  });
  return `${[`# ${title}`, ...sections].join('\n\n')}\n`;
}

function lineOf({ name, who, figures, note }: LogEntry, showing: Showing): string {
  const told = figures.map(
    ({ name: of, unit, planned, real }) =>
      `${of}: ${showText({ value: real, unit }, showing)}, planned ${showText({ value: planned, unit }, showing)}`,
  );
  return [`**${name}**${who === '' ? '' : ` (${who})`}`, ...told, ...(note === '' ? [] : [note])].join('  \n');
}
