import { expect, test } from 'vitest';
import { BRINEFOLD_LOG } from '../../demo';
import { LogEntrySchema, likelyFrom, logCsv, logHtml, logMarkdown, totalsOf } from './index';

const SHOWING = { system: 'metric', currency: 'EUR' } as const;
const [first, second] = BRINEFOLD_LOG as [(typeof BRINEFOLD_LOG)[number], (typeof BRINEFOLD_LOG)[number]];

test('the same log as a table, to read, and as a page with its pictures and no script of anybody’s', () => {
  const csv = logCsv(BRINEFOLD_LOG).trim().split(/\r?\n/);
  expect(csv).toHaveLength(1 + BRINEFOLD_LOG.reduce((sum, { figures }) => sum + Math.max(1, figures.length), 0));
  expect(csv[1]).toContain('2026-11-21,Trial: two strips cut and glued,You,Minutes,min,15,22,');
  const text = logMarkdown('Brinefold', BRINEFOLD_LOG, SHOWING);
  expect(csv.find((line) => line.includes('Trial: paste on a scrap'))).toMatch(/,18\.5,58$/);
  expect(text).toContain('## 2026-11-22');
  expect(text).toContain('Air 18.5 °C, 58 % humidity');
  expect(text).toMatch(/White glue: 15\sg, planned 12\sg/);
  const sly = { ...second, note: '<script>alert("hm")</script>', photoIds: ['a', 'gone'] };
  const page = logHtml('Brine & fold', [first, sly], SHOWING, new Map([['a', 'data:image/png;base64,AAAA']]));
  expect(page).toContain('<title>Brine &amp; fold</title>');
  expect(page).not.toContain('<script');
  expect(page).toContain('&lt;script&gt;');
  expect(page.match(/<img/g)).toHaveLength(1);
});

test('totals put all minutes together and each stuff by itself', () => {
  const totals = totalsOf(BRINEFOLD_LOG);
  expect(totals[0]).toEqual({ name: 'Total hands-on time', unit: 'min', planned: 100, real: 117, entries: 4 });
  expect(totals.find(({ name }) => name.startsWith('Light filler'))).toMatchObject({ unit: 'ml', planned: 120, real: 129, entries: 2 });
  expect(totalsOf([])).toEqual([]);
  // On a fifth more ground a fifth more of what it really took, not of what was planned.
  const likely = likelyFrom(BRINEFOLD_LOG, 1.2).map((row) => [row.real, row.likely]);
  expect(likely[0]).toEqual([117, expect.closeTo(140.4, 9)]);
  expect(likely).toHaveLength(totals.length);
});

test('an entry of before photos, air and mishaps is read as one without', () => {
  const { photoIds: _photos, air: _air, mishap: _mishap, ...old } = { ...first, id: '00000000-0000-4000-8000-000000000001' };
  expect(LogEntrySchema.parse(old)).toMatchObject({ photoIds: [], air: null, mishap: null });
});

test('in Markdown what somebody typed stays what they typed, and a table tells −3 °C as a number', () => {
  const entry = {
    ...{ id: '00000000-0000-4000-8000-000000000001', taskId: null, name: 'Shed *north*', day: '2026-12-01', who: '<b>Bo</b>', figures: [] },
    ...{ note: '# not a heading\n1. no list\n[link](http://x)', photoIds: [], air: { airC: -3, humidityPct: 80 }, mishap: null },
  };
  const text = logMarkdown('Board', [entry], { system: 'metric', currency: 'EUR' });
  expect(text).toContain('**Shed \\*north\\*** (\\<b\\>Bo\\</b\\>)');
  expect(text).toContain('\\# not a heading\n1\\. no list\n\\[link\\](http://x)');
  expect(logCsv([entry])).toContain(',-3,80');
  expect(logCsv([{ ...entry, note: '=1+1' }])).toContain("'=1+1");
});
