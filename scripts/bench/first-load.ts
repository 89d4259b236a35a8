/** The script that a person waits for until Ground can be used: what the page, the view and the worker ask for, each file once. */
import { readFileSync } from 'node:fs';
import { gzipSync } from 'node:zlib';

const DIST = new URL('../../packages/web/dist/', import.meta.url);
const FIRST = ['index.html', 'src/views/ground/GroundView.vue', 'src/workers/derive.worker.ts'];
/** Most of it, gzipped. */
export const MAX_BYTES = 260_000;
/** Most files: a browser asks a server for six at a time, and each of them is a message there and back. */
export const MAX_FILES = 12;

interface Chunk {
  readonly file: string;
  readonly imports?: readonly string[];
}

/** Bytes of every file, gzipped, and of all together. @throws when the page is not built */
export function firstLoad(): { readonly rows: string[][]; readonly bytes: number; readonly fileCount: number } {
  const manifest = JSON.parse(readFileSync(new URL('.vite/manifest.json', DIST), 'utf8')) as Readonly<Record<string, Chunk>>;
  const files = new Set<string>();
  const take = (name: string): void => {
    const chunk = manifest[name];
    if (chunk === undefined) throw new Error(`first load: ${name} is not in the built page`);
    if (files.has(chunk.file)) return;
    files.add(chunk.file);
    chunk.imports?.forEach(take);
  };
  FIRST.forEach(take);
  const sizes = [...files].map((file) => ({ file, bytes: gzipSync(readFileSync(new URL(file, DIST)), { level: 9 }).length }));
  const bytes = sizes.reduce((sum, one) => sum + one.bytes, 0);
  const kB = (count: number): string => `${(count / 1_000).toFixed(1)} kB`;
  const largest = sizes.sort((a, b) => b.bytes - a.bytes).slice(0, 6);
  const named = (file: string): string => file.replace(/^assets\//, '').replace(/-[\w-]{8}\.js$/, '');
  const rest = bytes - largest.reduce((sum, one) => sum + one.bytes, 0);
  return {
    rows: [
      ...largest.map((one) => [named(one.file), kB(one.bytes), '']),
      [`${sizes.length - largest.length} smaller`, kB(rest), ''],
      [`**together, ${sizes.length} files**`, `**${kB(bytes)}**`, kB(MAX_BYTES)],
    ],
    bytes,
    fileCount: sizes.length,
  };
}
