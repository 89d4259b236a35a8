import { readFileSync } from 'node:fs';
import { expect, test } from 'vitest';
import { licencesPage } from './licences.mjs';

/** Without their versions: a machine may lack an optional package for another system. */
const namesIn = (page: string): ReadonlySet<string> => new Set(page.match(/@?[a-z][\w./-]* \d+\.[\w.-]+/g) ?? []);

test('the list of licences names everything that is installed and shipped, and no licence is missing', () => {
  const [written, now] = [readFileSync(new URL('../docs/licences.md', import.meta.url), 'utf8'), licencesPage()];
  const listed = namesIn(written);
  expect(listed.size).toBeGreaterThan(150);
  expect([...namesIn(now)].filter((name) => !listed.has(name))).toEqual([]);
  expect(now).not.toContain('## not named');
});
