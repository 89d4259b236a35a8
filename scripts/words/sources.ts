import { execFileSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { type Wording, wordingsOf } from './strings';
import { ROOT } from '../setup.mjs';

/** Tracked and new files of the project. */
export const projectFiles = (): string[] =>
  execFileSync('git', ['ls-files', '--cached', '--others', '--exclude-standard'], { cwd: ROOT, encoding: 'utf8' })
    .split('\n')
    .filter(Boolean);

/** Sources whose text reaches a person: not tests, benches or the tools about the words themselves. */
const IS_READ = /^(packages\/(core|web|server)\/src|scripts)\/.*\.(ts|vue|mjs)$/;
const IS_NOT_READ = /\.test\.ts$|\.d\.ts$|\/testing\/|^scripts\/(bench|soak|words)|^scripts\/bench\.ts/;

export const sourcesRead = (): { readonly file: string; readonly wordings: readonly Wording[] }[] =>
  projectFiles()
    .filter((file) => IS_READ.test(file) && !IS_NOT_READ.test(file))
    .map((file) => ({ file, wordings: wordingsOf(file, readFileSync(join(ROOT, file), 'utf8')) }));
