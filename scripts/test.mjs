// @ts-check
/**
 * `npm test`: lint, types, unit, server and browser tests on a throw-away database, from an empty checkout.
 * Ends in one line `N passed, N failed`, summed from the runners' own JSON reports.
 */
import { spawn } from 'node:child_process';
import { existsSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { ROOT, ensureCertutil, ensureChromium, ensureFolder, ensurePackages, ensureServerBuilt, ensureWebBuilt, say } from './setup.mjs';

const REPORTS = join(ROOT, 'reports');
let passed = 0;
let failed = 0;

/** Runs a command with its output in sight. @param {string} command @param {readonly string[]} args @param {Record<string, string>} [env] @returns {Promise<number>} */
function show(command, args, env = {}) {
  return new Promise((resolve) => {
    const child = spawn(command, args, { cwd: ROOT, stdio: ['ignore', 'inherit', 'inherit'], env: { ...process.env, ...env } });
    child.on('error', () => resolve(127));
    child.on('exit', (code) => resolve(code ?? 1));
  });
}

/** @param {string} name @returns {any} */
function report(name) {
  const path = join(REPORTS, name);
  return existsSync(path) ? JSON.parse(readFileSync(path, 'utf8')) : null;
}

/** A stage that ended badly counts as one failure at least, whatever its report says. @param {string} name @param {number} code @param {{ passed: number, failed: number } | null} counts */
function count(name, code, counts) {
  const bad = Math.max(counts?.failed ?? 0, code === 0 && counts !== null ? 0 : 1);
  passed += counts?.passed ?? 0;
  failed += bad;
  say(`${name}: ${counts?.passed ?? 0} passed, ${bad} failed${counts === null ? ' (no report)' : ''}`);
}

/** What is checked without running it, and what the tests run is built meanwhile: on two lanes, since each of these keeps one core busy. */
async function checksAndBuilds() {
  /** @param {string} script */
  const types = (script) => show('npm', ['run', '--silent', script]);
  /** @type {Record<string, number>} */
  const codes = {};
  /** @param {string} name @param {number} code */
  const note = (name, code) => (codes[name] = Math.max(codes[name] ?? 0, code));
  const jobs = [
    // The longest first: what comes last is short, and the lanes end together.
    async () => note('types', await types('types:rest')),
    () => ensureWebBuilt().then(ensureServerBuilt),
    async () => note('types', await types('types:web')),
    async () => note('format', await show('npx', ['prettier', '--check', '--log-level', 'warn', '.'])),
    async () => note('lint', await show('npx', ['eslint', '.', '--max-warnings', '0'])),
  ];
  const lane = async () => {
    for (let job = jobs.shift(); job !== undefined; job = jobs.shift()) await job();
  };
  await Promise.all([lane(), lane()]);
  for (const name of ['lint', 'format', 'types']) count(name, codes[name] ?? 1, { passed: 0, failed: 0 });
}

/** @param {string} databaseUrl */
async function unitAndServer(databaseUrl) {
  const code = await show(
    'npx',
    ['vitest', 'run', '--reporter=dot', '--reporter=json', `--outputFile.json=${join(REPORTS, 'vitest.json')}`],
    { TEST_DATABASE_URL: databaseUrl },
  );
  const result = report('vitest.json');
  count(
    'unit and server',
    code,
    result && {
      passed: result.numPassedTests,
      failed: result.numFailedTests + result.numFailedTestSuites * Number(result.numFailedTests === 0),
    },
  );
}

/** @param {string} databaseUrl */
async function browser(databaseUrl) {
  const code = await show('npx', ['playwright', 'test', '--config', 'e2e/playwright.config.ts'], {
    TEST_DATABASE_URL: databaseUrl,
    PLAYWRIGHT_JSON_OUTPUT_NAME: join(REPORTS, 'browser.json'),
  });
  const stats = report('browser.json')?.stats;
  count('browser', code, stats && { passed: stats.expected + stats.flaky, failed: stats.unexpected });
}

try {
  rmSync(REPORTS, { recursive: true, force: true });
  ensureFolder(REPORTS);
  await ensurePackages();
  await ensureChromium();
  await ensureCertutil();
  const { startDatabase } = await import('./database.mjs');
  const name = `test-${process.pid}`;
  const database = await startDatabase(name, { forTests: true });
  process.on('SIGINT', () => void database.stop().then(() => process.exit(130)));
  try {
    await checksAndBuilds();
    await unitAndServer(database.url);
    await browser(database.url);
  } finally {
    await database.stop();
  }
} catch (error) {
  say(/** @type {Error} */ (error).stack ?? String(error));
  failed += 1;
}
say(`${passed} passed, ${failed} failed`);
process.exit(failed === 0 && passed > 0 ? 0 : 1);
