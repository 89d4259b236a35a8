/** `npm run licences`: the licences of everything that is shipped, from what is installed, written to docs/licences.md. */
import { execFileSync } from 'node:child_process';
import { writeFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { ROOT } from './setup.mjs';

/** @returns {string} the page: packages that are not only for development, by licence */
export function licencesPage() {
  const asked = execFileSync('npm', ['query', ':not(.dev)'], {
    cwd: ROOT,
    encoding: 'utf8',
    maxBuffer: 1e8,
    stdio: ['ignore', 'pipe', 'ignore'],
  });
  /** @type {{ name: string, version?: string, license?: string, location: string }[]} */
  const installed = JSON.parse(asked);
  /** @type {Map<string, Set<string>>} */
  const byLicence = new Map();
  for (const { name, version, license, location } of installed) {
    if (!location.startsWith('node_modules/') || name.startsWith('@spare-acre/')) continue;
    const own = byLicence.get(license ?? 'not named') ?? new Set();
    byLicence.set(license ?? 'not named', own.add(`${name} ${version}`));
  }
  const order = /** @type {const} */ (['en', { numeric: true }]);
  const parts = [...byLicence]
    .sort(([a], [b]) => a.localeCompare(b, ...order))
    .map(([licence, names]) => `## ${licence}\n\n${[...names].sort((a, b) => a.localeCompare(b, ...order)).join(', ')}\n`);
  const head =
    '# Licences of what is shipped\n\nWritten by `npm run licences` from the packages that are installed. The texts stand in each package.\n';
  return [head, ...parts].join('\n');
}

if (process.argv[1] === fileURLToPath(import.meta.url)) writeFileSync(new URL('../docs/licences.md', import.meta.url), licencesPage());
