import { csvOf } from '../../base/tables';
import { type Showing, showText } from '../../base/units';
import type { LogEntry } from './entry';

const COLUMNS = ['day', 'what', 'who', 'figure', 'unit', 'planned', 'real', 'note', 'airC', 'humidityPct'] as const;
/** The log as a table, a line for each figure; what was only noted has a line of its own. */
export function logCsv(entries: readonly LogEntry[]): string {
  const lines = entries.flatMap(({ day, name, who, figures, note, air }) => {
    const airs = air === null ? ['', ''] : [String(air.airC), String(air.humidityPct)];
    return figures.length === 0
      ? [[day, name, who, '', '', '', '', note, ...airs]]
      : figures.map((figure, i) => [
          day,
          name,
          who,
          figure.name,
          figure.unit,
          String(figure.planned),
          String(figure.real),
          i === 0 ? note : '',
          ...airs,
        ]);
  });
  return csvOf([[...COLUMNS], ...lines]);
}

/** The build as it went, to read and to keep. @param title the board */
export function logMarkdown(title: string, entries: readonly LogEntry[], showing: Showing): string {
  const days = [...new Set(entries.map(({ day }) => day))].sort();
  const sections = days.map((day) => {
    const own = entries.filter((entry) => entry.day === day);
    return [`## ${literal(day)}`, ...own.map((entry) => lineOf(entry, showing))].join('\n\n');
  });
  return `${[`# ${literal(title)}`, ...sections].join('\n\n')}\n`;
}

/** Text that Markdown shows as it is: no heading, list, link or tag comes of it. */
const literal = (text: string): string =>
  text
    .replaceAll(/[\\`*_[\]<>#|~]/g, (sign) => `\\${sign}`)
    .replaceAll(/^(\s*)([-+])(?=\s)/gm, '$1\\$2')
    .replaceAll(/^(\s*\d+)([.)])(?=\s)/gm, '$1\\$2');

/** The air at the bench then, in words. */
const airText = ({ airC, humidityPct }: NonNullable<LogEntry['air']>): string =>
  `Air ${airC} °C, ${humidityPct} % humidity`.replace('-', '−');

function lineOf({ name, who, figures, note, air }: LogEntry, showing: Showing): string {
  const told = figures.map(({ name: of, unit, planned, real }) =>
    literal(`${of}: ${showText({ value: real, unit }, showing)}, planned ${showText({ value: planned, unit }, showing)}`),
  );
  return [
    `**${literal(name)}**${who === '' ? '' : ` (${literal(who)})`}`,
    ...told,
    ...(air === null ? [] : [airText(air)]),
    ...(note === '' ? [] : [literal(note)]),
  ].join('  \n');
}

/** The same as a page of its own, to read, print and keep, with its pictures in it. @param pictures by their ids, as `data:` addresses */
export function logHtml(title: string, entries: readonly LogEntry[], showing: Showing, pictures: ReadonlyMap<string, string>): string {
  const days = [...new Set(entries.map(({ day }) => day))].sort();
  const sections = days.map((day) => {
    const own = entries.filter((entry) => entry.day === day).map((entry) => articleOf(entry, showing, pictures));
    return `<section><h2>${escaped(day)}</h2>${own.join('')}</section>`;
  });
  return `<!doctype html><html lang="en"><head><meta charset="utf-8"><title>${escaped(title)}</title><style>${PAGE}</style></head><body><h1>${escaped(title)}</h1>${sections.join('')}</body></html>`;
}
const PAGE =
  'body{font:16px/1.45 sans-serif;max-width:46rem;margin:2rem auto;padding:0 1rem;color:#24302c}h1,h2,h3{font-family:serif}article{break-inside:avoid;border-top:1px solid #c9c2ae;padding:.4rem 0}img{max-width:100%;max-height:24rem}li{font-variant-numeric:tabular-nums}';

function articleOf({ name, who, figures, note, photoIds, air }: LogEntry, showing: Showing, pictures: ReadonlyMap<string, string>): string {
  const told = figures.map(
    ({ name: of, unit, planned, real }) =>
      `<li>${escaped(`${of}: ${showText({ value: real, unit }, showing)}, planned ${showText({ value: planned, unit }, showing)}`)}</li>`,
  );
  const seen = photoIds.flatMap((id) => pictures.get(id) ?? []).map((address) => `<img alt="" src="${escaped(address)}">`);
  return `<article><h3>${escaped(name)}${who === '' ? '' : ` <small>${escaped(who)}</small>`}</h3>${told.length === 0 ? '' : `<ul>${told.join('')}</ul>`}${air === null ? '' : `<p>${escaped(airText(air))}</p>`}${note === '' ? '' : `<p>${escaped(note)}</p>`}${seen.join('')}</article>`;
}
const SIGNS: Readonly<Record<string, string>> = { '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;', "'": '&#39;' };
const escaped = (text: string): string => text.replaceAll(/[&<>"']/g, (sign) => SIGNS[sign]!);
