import { spawnSync } from 'node:child_process';
import { expect, test } from 'vitest';
import { ROOT } from './setup.mjs';

/** A little of all that `npm run soak` does: it cannot rot, and its report can be made anew. */
test('nothing is lost, fails or is left over', { timeout: 400_000 }, () => {
  const { status, stdout, stderr } = spawnSync(process.execPath, ['--import', 'tsx', 'scripts/soak.ts', '--short'], {
    cwd: ROOT,
    encoding: 'utf8',
    maxBuffer: 1e8,
  });
  expect(stdout, stderr.slice(-2_000)).toContain('All is well.');
  for (const kind of [
    'Server killed',
    'Database killed',
    'All kinds of writes',
    'Server frozen',
    'Start script ended',
    'first start',
    'Two starts',
    'npm ended',
    'Hostile',
    '2 to 4 devices',
  ])
    expect(stdout).toContain(kind);
  expect(status).toBe(0);
});
