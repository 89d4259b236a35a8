import { describe, expect, test } from 'vitest';
import { bannedIn, withoutExpressions } from './words/banned';
import { sourcesRead } from './words/sources';
import { wordingsOf } from './words/strings';

const texts = (file: string, source: string): string[] => wordingsOf(file, source).map(({ text }) => text);

describe('the texts that a person reads', () => {
  test('are found in scripts: sentences and labels, not ids, paths, keys or what is compared', () => {
    const source = [
      "import { x } from './some where';",
      "const a = { code: 'feature/move', title: 'Pit', name: `Move ${by(1)} mm`, 'two words': 1 };",
      "if (a.title === 'Two words') throw new Error('The plan cannot be used.');",
      "const tone = 'var(--moss)';",
    ].join('\n');
    expect(texts('a.ts', source)).toEqual(['Pit', 'Move ${by(1)} mm', 'The plan cannot be used.']);
  });
  test('are found in templates: text with what is put into it, labels, and words inside an expression', () => {
    const source = `<script setup lang="ts">const a = 1;</script>
<template>
  <p class="quiet" :title="a > 1 ? 'many' : ''">All {{ a }} steps <b>now</b></p>
  <BButton aria-label="Add piece" data-testid="add" @click="go('away')">{{ a === 1 ? 'one' : 'more' }}</BButton>
</template>`;
    expect(texts('A.vue', source)).toEqual(['many', 'All {{ a }} steps', 'now', 'Add piece', 'one', 'more']);
  });
  test('expressions in them are code', () => {
    expect(withoutExpressions('All ${rows.map(({ mend }) => `${mend}`).length} and {{ reckon({ a: 1 }) }} left')).toBe('All … and … left');
  });
  test('hold no banned word, nor do the documents', () => {
    const read = sourcesRead();
    expect(read.flatMap(({ wordings }) => wordings).length).toBeGreaterThan(4_000);
    expect(bannedIn().map(({ place, found, write }) => `${place}: “${found}”; write: ${write}`)).toEqual([]);
  });
});
