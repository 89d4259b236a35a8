import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { ROOT } from '../setup.mjs';
import { projectFiles, sourcesRead } from './sources';
import banned from './banned.json' with { type: 'json' };

export interface BannedUse {
  readonly place: string;
  readonly found: string;
  readonly write: string;
}
type Rule = { readonly pattern: string; readonly write: string };

const usesIn = (place: string, text: string, rules: readonly Rule[]): BannedUse[] =>
  rules.flatMap(({ pattern, write }) => [...text.matchAll(new RegExp(pattern, 'giu'))].map(([found]) => ({ place, found, write })));

/** Uses of banned words in the interface and in the documents. Expressions inside a text are code, not words. */
export const bannedIn = (): BannedUse[] => [
  ...sourcesRead().flatMap(({ file, wordings }) =>
    wordings.flatMap(({ line, text }) =>
      usesIn(`${file}:${line}`, text.replaceAll(/\$\{.*?\}(?=[^`]*$)|\{\{.*?\}\}/gs, '…'), banned.interface),
    ),
  ),
  ...projectFiles()
    .filter((file) => /^(README|CONTRIBUTING|CHANGELOG|docs\/.*)\.md$/.test(file) || file.endsWith('.md'))
    .filter((file) => file !== 'docs/words.md')
    .flatMap((file) =>
      readFileSync(join(ROOT, file), 'utf8')
        .split('\n')
        .flatMap((line, i) => usesIn(`${file}:${i + 1}`, line.replaceAll(/`[^`]*`/g, '…'), banned.documents)),
    ),
];
