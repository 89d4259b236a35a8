import { existsSync, readFileSync, readdirSync } from 'node:fs';
import { dirname, join, relative, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';
import ts from 'typescript';
import { describe, expect, test } from 'vitest';

/** What the tree promises: folders are entered by their faces, and no file leads back to itself, types included. */
const ROOT = fileURLToPath(new URL('..', import.meta.url));
/** Entered past their face on purpose: they bring the schema library, which most of those who enter do not need. */
const SIDE_DOORS = [
  'plan/stored/check',
  'plan/stored/file',
  'plan/stored/merge',
  'plan/schema',
  'catalogue/load',
  'catalogue/schema',
  'catalogue/workshop/index',
  // What catalogues kept before lack: to fetch all that ships for it would fetch it twice.
  'catalogue/workshop/parts/batch-ways',
  'catalogue/workshop/parts/bench-paces',
  // What a chapter's table is written in: the face of the pipeline knows all chapters, and would lead back to them.
  'pipeline/sources',
  'pipeline/stages',
];

const filesIn = (folder: string): string[] =>
  readdirSync(join(ROOT, folder), { recursive: true, withFileTypes: true })
    .filter((entry) => entry.isFile() && /\.(ts|vue)$/.test(entry.name) && !entry.name.endsWith('.d.ts'))
    .map((entry) => join(entry.parentPath, entry.name));

/** Files that a file imports from its own package. */
function importsOf(file: string): string[] {
  const { importedFiles } = ts.preProcessFile(scriptOf(file));
  return importedFiles.flatMap(({ fileName }) => {
    if (!fileName.startsWith('.')) return [];
    const base = resolve(dirname(file), fileName);
    return [base, `${base}.ts`, join(base, 'index.ts')].filter((path) => /\.(ts|vue)$/.test(path) && existsSync(path)).slice(0, 1);
  });
}
function scriptOf(file: string): string {
  const text = readFileSync(file, 'utf8');
  return file.endsWith('.vue') ? [...text.matchAll(/<script[^>]*>([\s\S]*?)<\/script>/g)].map((script) => script[1]).join('\n') : text;
}

/** Runs of files that import each other in a ring, each told once. @source depth-first search, a ring for every edge back to the way down */
function ringsAmong(files: readonly string[]): string[] {
  const found = new Map<string, string>();
  const done = new Set<string>();
  const way: string[] = [];
  const visit = (file: string): void => {
    if (done.has(file)) return;
    const at = way.indexOf(file);
    if (at >= 0) {
      const ring = way.slice(at).map((path) => relative(ROOT, path));
      found.set([...ring].sort().join(' '), ring.join(' → '));
      return;
    }
    way.push(file);
    importsOf(file).forEach(visit);
    way.pop();
    done.add(file);
  };
  files.forEach(visit);
  return [...found.values()];
}

const MEMORIES = ['memoize', 'memoizeEach', 'memoizePairs'];
const OVER_LISTS = ['map', 'flatMap', 'filter', 'find', 'findIndex', 'findLast', 'some', 'every', 'forEach'];
const parsed = (file: string): ts.SourceFile => ts.createSourceFile(file, scriptOf(file), ts.ScriptTarget.Latest);
function everyNode(node: ts.Node, look: (node: ts.Node) => void): void {
  look(node);
  node.forEachChild((inner) => everyNode(inner, look));
}
/** Names that a file gives to what remembers its answers. */
function rememberedIn(source: ts.SourceFile): string[] {
  const names: string[] = [];
  everyNode(source, (node) => {
    if (!ts.isVariableDeclaration(node) || node.initializer === undefined || !ts.isCallExpression(node.initializer)) return;
    const { expression } = node.initializer;
    if (ts.isIdentifier(expression) && MEMORIES.includes(expression.text) && ts.isIdentifier(node.name)) names.push(node.name.text);
  });
  return names;
}
/** Places where one of some names is handed to a list as it is. */
function handedToLists(source: ts.SourceFile, names: ReadonlySet<string>): string[] {
  const found: string[] = [];
  everyNode(source, (node) => {
    if (!ts.isCallExpression(node) || !ts.isPropertyAccessExpression(node.expression)) return;
    const [given] = node.arguments;
    if (given !== undefined && ts.isIdentifier(given) && names.has(given.text) && OVER_LISTS.includes(node.expression.name.text))
      found.push(`${given.text} in ${relative(ROOT, source.fileName)}`);
  });
  return found;
}
const importedIn = (source: ts.SourceFile): string[] => {
  const names: string[] = [];
  everyNode(source, (node) => ts.isImportSpecifier(node) && names.push(node.name.text));
  return names;
};

const CORE = 'packages/core/src';
/** Folders of core; each is a word of the trade, or what all of them stand on. */
const CHAPTERS = [
  ...['base', 'catalogue', 'plan', 'terrain', 'build', 'finishing', 'schedule', 'procurement', 'advice', 'learning'],
  ...['pipeline', 'io', 'demo', 'testing'],
];
/** The nearest folder above a file that has a face. */
const roomOf = (file: string): string => {
  const folder = dirname(file);
  return existsSync(join(folder, 'index.ts')) || folder === ROOT ? folder : roomOf(folder);
};
/** More files than that in one folder nobody holds in the head. */
const MAX_FILES = 20;

test('no folder has more files than a person holds in the head', () => {
  const counts = new Map<string, number>();
  for (const file of ['packages/core/src', 'packages/web/src', 'packages/server/src'].flatMap(filesIn))
    if (!file.endsWith('.test.ts')) counts.set(dirname(file), (counts.get(dirname(file)) ?? 0) + 1);
  const full = [...counts].filter(([, count]) => count > MAX_FILES).map(([folder, count]) => `${relative(ROOT, folder)}: ${count}`);
  expect(full).toEqual([]);
});

test('the pages of docs name files that are there', () => {
  const pages = [
    'README.md',
    'CONTRIBUTING.md',
    ...readdirSync(join(ROOT, 'docs'), { recursive: true, encoding: 'utf8' }).map((page) => `docs/${page}`),
  ];
  const roots = ['', 'packages/', 'packages/core/src/', 'packages/web/src/', 'packages/server/src/'];
  const lost = pages
    .filter((page) => page.endsWith('.md'))
    .flatMap((page) =>
      [...readFileSync(join(ROOT, page), 'utf8').matchAll(/`((?:[a-z][\w-]*\/)+[\w.-]+\.(?:ts|vue|mjs|md))`/g)]
        .map(([, path]) => path!)
        .filter((path) => !roots.some((root) => existsSync(join(ROOT, root, path))))
        .map((path) => `${page}: ${path}`),
    );
  expect(lost).toEqual([]);
});

describe('core', () => {
  const files = filesIn(CORE);

  test('its chapters are these, in the order of the work', () => {
    expect(readdirSync(join(ROOT, CORE)).sort()).toEqual([...CHAPTERS].sort());
  });

  test('a room is entered by its face from outside', () => {
    const past = files.flatMap((file) =>
      importsOf(file)
        .filter((target) => !target.endsWith('/index.ts') && !file.startsWith(`${roomOf(target)}/`))
        .map((target) => relative(join(ROOT, CORE), target).replace(/\.ts$/, ''))
        .filter((target) => !SIDE_DOORS.includes(target) && !target.startsWith('testing/'))
        .map((target) => `${relative(ROOT, file)} → ${target}`),
    );
    expect(past).toEqual([]);
  });

  test('no file leads back to itself', () => {
    expect(ringsAmong(files)).toEqual([]);
  });
});

test.each(['packages/server/src', 'packages/web/src'])('in %s no file leads back to itself', (folder) => {
  expect(ringsAmong(filesIn(folder))).toEqual([]);
});

test('what remembers its answers is not handed to a list as it is: place and list would count as inputs, and every answer be forgotten', () => {
  const sources = [CORE, 'packages/web/src'].flatMap(filesIn).map(parsed);
  const own = sources.map(rememberedIn);
  const all = new Set(own.flat());
  expect(all.size).toBeGreaterThan(50);
  const found = sources.flatMap((source, i) =>
    handedToLists(source, new Set([...own[i]!, ...importedIn(source).filter((name) => all.has(name))])),
  );
  expect(found).toEqual([]);
});
