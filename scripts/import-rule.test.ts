import { ESLint } from 'eslint';
import { describe, expect, test } from 'vitest';

/** The arrows between workspaces, checked by breaking them on purpose. */
const eslint = new ESLint();

async function complaints(filePath: string, code: string): Promise<string[]> {
  const [result] = await eslint.lintText(code, { filePath });
  return result!.messages.map(({ ruleId }) => ruleId ?? 'none').filter((rule) => rule.startsWith('no-restricted'));
}
const CORE = 'packages/core/src/schedule/tasks/schedule.ts';

describe('core knows nothing of what surrounds it', () => {
  test.each([
    "import { readFileSync } from 'node:fs'; readFileSync('x');",
    "import { ref } from 'vue'; ref(1);",
    "import express from 'express'; express();",
    "import { makeApp } from '@spare-acre/server/app'; makeApp;",
    "import { router } from '../../../web/src/app/router'; router;",
    "document.title = 'x';",
    'export const now = Date.now();',
    'export const luck = Math.random();',
    'setTimeout(() => 0, 1);',
  ])('%s', async (code) => {
    expect(await complaints(CORE, code)).not.toEqual([]);
  });

  test('its own folders by their faces, and pure packages, are fine', async () => {
    expect(await complaints(CORE, "import { settle } from '../ground'; import { z } from 'zod'; settle; z;")).toEqual([]);
  });
});

test('web and server meet only in core', async () => {
  expect(await complaints('packages/web/src/main.ts', "import { makeApp } from '@spare-acre/server/app'; makeApp;")).not.toEqual([]);
  expect(await complaints('packages/server/src/app.ts', "import { router } from '../../web/src/router'; router;")).not.toEqual([]);
  expect(await complaints('packages/server/src/app.ts', "import { layOut } from '@spare-acre/core/build/cutting'; layOut;")).toEqual([]);
});
