import { request } from 'node:http';
import { describe, expect, test } from 'vitest';
import { aPlan, aServer } from './server';

const { call, raw, db, port } = aServer();
const SOMEWHERE = '3f0c1f8e-0d7e-4a57-9d2f-6a4bb5a0c111';
const JSON_TYPE = { 'Content-Type': 'application/json' };
const plan = aPlan();
const text = JSON.stringify(plan);

/** Whole plan files, each wrong in its own way, with the path the answer must name. */
const BAD_FILES: readonly (readonly [what: string, body: string, path: string])[] = [
  ['nothing', 'null', 'plan'],
  ['a list', '[]', 'plan'],
  ['a number', '7', 'plan'],
  ['another program’s file', '{"type":"FeatureCollection"}', 'format'],
  ['a later version', text.replace(/"version":\d+/, '"version":99'), 'version'],
  ['a column of 0', text.replace('"columnWidthsMm":[600', '"columnWidthsMm":[0'), 'table.columnWidthsMm.0'],
  ['a column of −5', text.replace('"columnWidthsMm":[600', '"columnWidthsMm":[-5'), 'table.columnWidthsMm.0'],
  ['a column of 1e9', text.replace('"columnWidthsMm":[600', '"columnWidthsMm":[1e9'), 'table.columnWidthsMm.0'],
  ['a column of 1e999', text.replace('"columnWidthsMm":[600', '"columnWidthsMm":[1e999'), 'table.columnWidthsMm.0'],
  ['a column of words', text.replace('"columnWidthsMm":[600', '"columnWidthsMm":["abc"'), 'table.columnWidthsMm.0'],
  ['no columns', text.replace('"columnWidthsMm":[600,600]', '"columnWidthsMm":[]'), 'table.columnWidthsMm'],
  [
    'a crossed outline',
    text.replace(
      '"features":[]',
      '"features":[{"id":"a","name":"a","kind":"raised","heightMm":20,"steps":1,"stepInMm":0,"locked":false,"hidden":false,"surfaceId":null,"shape":{"form":"outline","points":[{"x":0,"y":0},{"x":9,"y":9},{"x":9,"y":0},{"x":0,"y":9}]}}]',
    ),
    'features.0.shape.points',
  ],
  [
    'a shape of no kind',
    text.replace(
      '"features":[]',
      '"features":[{"id":"a","name":"a","kind":"raised","heightMm":20,"steps":1,"stepInMm":0,"locked":false,"hidden":false,"surfaceId":null,"shape":{"form":"spiral"}}]',
    ),
    'features.0.shape.form',
  ],
  ['a zero character', text.replace('Test board', 'a\\u0000b'), 'name'],
  ['half a surrogate pair', text.replace('Test board', 'a\\ud800b'), 'name'],
  ['a polluting key', `{"__proto__":{"x":1},${text.slice(1)}`, 'plan'],
  ['an unknown key', text.replace('{', '{"surprise":1,'), 'plan'],
  ['a material nobody has', text.replace('"materialId":"mdf"', '"materialId":"cheese"'), 'stack.substrate.materialId'],
  ['a script for a name of an id', text.replace('"id":"ground"', '"id":"<script>"'), 'stack.ground.0.id'],
  ['ten thousand features', text.replace('"features":[]', `"features":[${Array.from({ length: 10_000 }, () => '0').join()}]`), 'features'],
];

describe('a file that is no plan is refused by path, and leaves no board behind', () => {
  test.each(BAD_FILES)('%s', async (_what, body, path) => {
    const answer = await raw('POST', '/boards/import', body, JSON_TYPE);
    expect(answer.status).toBe(422);
    const { issues } = answer.body as { issues: { path: string; message: string }[] };
    expect(issues[0]!.path).toMatch(new RegExp(`^${path.replaceAll('.', '\\.')}`));
    expect(issues[0]!.message).not.toBe('');
    expect(await db()('boards').count({ n: '*' })).toEqual([{ n: '0' }]);
  });
});

describe('a request that cannot be read is a 4xx with words, never a 500', () => {
  test.each([
    ['broken JSON', 'POST', '/boards/import', '{"name":', JSON_TYPE, 400],
    ['no body', 'POST', '/boards', '', JSON_TYPE, 400],
    ['another type', 'POST', '/boards', text, { 'Content-Type': 'text/plain' }, 415],
    ['depth without end', 'POST', '/boards/import', '['.repeat(100_000) + ']'.repeat(100_000), JSON_TYPE, 400],
    ['depth in a small body', 'POST', '/rack', '{"a":'.repeat(60) + '1' + '}'.repeat(60), JSON_TYPE, 400],
    ['five megabytes', 'POST', '/boards/import', `"${'x'.repeat(5_000_000)}"`, JSON_TYPE, 413],
    ['an id that is none', 'GET', '/boards/1%20or%201=1', null, {}, 400],
    ['a broken escape', 'GET', '/boards/%E0%A4%A', null, {}, 400],
    ['a board nobody has', 'GET', `/boards/${SOMEWHERE}`, null, {}, 404],
    ['its history', 'GET', `/boards/${SOMEWHERE}/history`, null, {}, 404],
    ['revision zero', 'GET', `/boards/${SOMEWHERE}/history/0`, null, {}, 400],
    ['a revision over any integer', 'GET', `/boards/${SOMEWHERE}/history/99999999999999`, null, {}, 400],
    ['a path nobody made', 'GET', '/nothing', null, {}, 404],
    ['putting nothing away', 'PUT', `/boards/${SOMEWHERE}/put-away`, null, {}, 404],
  ] as const)('%s', async (_what, method, path, body, headers, status) => {
    const answer = await raw(method, path, body, { ...headers });
    expect(answer.status).toBe(status);
    expect(answer.body).toMatchObject({ status, title: expect.any(String) as string, detail: expect.stringMatching(/./) as string });
  });

  test('a save without a revision, or one that is no number', async () => {
    for (const body of [{ plan }, { plan, revision: 'one' }, { plan, revision: 1.5 }, { plan, revision: 2 ** 40 }]) {
      expect(await call('PUT', `/boards/${SOMEWHERE}/plan`, body)).toMatchObject({ status: 400, body: { issues: [{ path: 'revision' }] } });
    }
  });

  test('a name that resolves here from elsewhere does not reach the boards', async () => {
    const status = await new Promise((resolve, reject) => {
      const asked = request({ host: '127.0.0.1', port: port(), path: '/api/boards', headers: { Host: 'elsewhere.example' } }, (answer) =>
        resolve(answer.statusCode),
      );
      asked.on('error', reject).end();
    });
    expect(status).toBe(421);
  });
});
