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

/** A text without the expressions in it: those are code, not words. */
export function withoutExpressions(text: string): string {
  let [out, depth] = ['', 0];
  for (let i = 0; i < text.length; i++) {
    if (depth === 0 && (text.startsWith('${', i) || text.startsWith('{{', i))) {
      out += '…';
      depth = 1;
      i++;
      if (text[i - 1] === '{') depth = 2;
    } else if (depth > 0) depth += text[i] === '{' ? 1 : text[i] === '}' ? -1 : 0;
    else out += text[i];
  }
  return out;
}

/** Uses of banned words in the interface and in the documents; what stands in backquotes is code. */
export const bannedIn = (): BannedUse[] => [
  ...sourcesRead().flatMap(({ file, wordings }) =>
    wordings.flatMap(({ line, text }) => usesIn(`${file}:${line}`, withoutExpressions(text), banned.interface)),
  ),
  ...projectFiles()
    .filter((file) => file.endsWith('.md') && file !== 'docs/words.md')
    .flatMap((file) =>
      readFileSync(join(ROOT, file), 'utf8')
        .split('\n')
        .flatMap((line, i) => usesIn(`${file}:${i + 1}`, line.replaceAll(/`[^`]*`/g, '…'), banned.documents)),
    ),
];
