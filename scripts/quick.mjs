// @ts-check
/**
 * `npm run quick [-- BASE]`: checks what changed since BASE (the last commit): format, lint, types of the packages touched, and the unit tests that import a
 * changed file. Browser and server tests are left to `npm test`.
 */
import { execFileSync, spawnSync } from 'node:child_process';
import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { ROOT, ensurePackages, say } from './setup.mjs';

const base = process.argv[2] ?? 'HEAD';
await ensurePackages();
/** @param {readonly string[]} args */
const git = (args) =>
  execFileSync('git', [...args], { cwd: ROOT, encoding: 'utf8' })
    .split('\n')
    .filter(Boolean);
const changed = [...git(['diff', '--name-only', base]), ...git(['ls-files', '--others', '--exclude-standard'])].filter((file) =>
  existsSync(join(ROOT, file)),
);
if (changed.length === 0) {
  say(`Nothing changed since ${base}.`);
  process.exit(0);
}
const began = Date.now();
let failed = 0;
/** @param {string} name @param {string} command @param {readonly string[]} args */
function check(name, command, args) {
  const { status } = spawnSync(command, [...args], { cwd: ROOT, stdio: 'inherit' });
  say(`${name}: ${status === 0 ? 'passed' : 'failed'}`);
  failed += status === 0 ? 0 : 1;
}
const code = changed.filter((file) => /\.(ts|vue|mjs|js)$/.test(file));
const touched = (/** @type {string} */ name) => code.some((file) => file.startsWith(`packages/${name}/`));
check('format', 'npx', ['prettier', '--check', '--log-level', 'warn', '--ignore-unknown', ...changed]);
if (code.length > 0) {
  check('lint', 'npx', ['eslint', '--max-warnings', '0', '--no-warn-ignored', ...code]);
  // What core changes, both others see.
  if (touched('core')) check('types of core', 'npx', ['tsc', '-p', 'packages/core']);
  if (touched('core') || touched('web')) check('types of web', 'npx', ['vue-tsc', '-p', 'packages/web']);
  if (touched('core') || touched('server')) check('types of server', 'npx', ['tsc', '-p', 'packages/server']);
  if (code.some((file) => /^(scripts|e2e)\//.test(file))) check('types of scripts', 'npx', ['tsc', '-p', '.']);
  const sources = code.filter((file) => file.startsWith('packages/core/') || file.startsWith('packages/web/'));
  if (sources.length > 0)
    check('tests', 'npx', [
      'vitest',
      'related',
      '--run',
      '--passWithNoTests',
      '--project',
      'core',
      '--project',
      'web',
      '--reporter=dot',
      ...sources,
    ]);
}
say(`${failed === 0 ? 'All passed' : `${failed} failed`} in ${Math.round((Date.now() - began) / 1_000)} s.`);
process.exit(failed === 0 ? 0 : 1);
