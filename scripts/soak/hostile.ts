import { connect } from 'node:net';
import { aBoard } from '@spare-acre/core/testing';
import { chance } from './processes';

/** What came of requests that nobody honest would send. */
export interface Hostile {
  readonly sent: number;
  /** Those that were not answered in the 4xx with words, each with why. */
  readonly wrong: readonly string[];
  readonly slowestMs: number;
  readonly slowest: string;
}

interface Attempt {
  readonly what: string;
  readonly method: string;
  readonly path: string;
  readonly headers?: Readonly<Record<string, string>>;
  readonly body?: string | Uint8Array;
}

/** What no answer may give away: a stack, a path of this machine, SQL. */
const GIVEN_AWAY = /\bat .+:\d+:\d+|\/(work|home|root|usr|var|tmp|node_modules)\/|select .+ from|insert into|syntax error at|pg_|knex/i;
const JSON_TYPE = { 'Content-Type': 'application/json' };
const NOWHERE = '3f0c1f8e-0d7e-4a57-9d2f-6a4bb5a0c111';

/** Sends each attempt to a server and looks at what comes back. */
export async function hostileRequests(address: string, count: number): Promise<Hostile> {
  const wrong: string[] = [];
  let [slowestMs, slowest, sent] = [0, '', 0];
  const known = (await (await fetch(`${address}/api/boards`)).json()) as { boards: [{ id: string }] };
  const attempts = [...(await bodies()), ...requests(known.boards[0].id, count)];
  for (const { what, method, path, headers = {}, body } of attempts) {
    const at = performance.now();
    sent += 1;
    try {
      const answer = await fetch(`${address}${path}`, {
        method,
        headers,
        redirect: 'manual',
        ...(body === undefined ? {} : { body: new Uint8Array(Buffer.from(body)) }),
        signal: AbortSignal.timeout(30_000),
      });
      const text = await answer.text();
      const isToldOff = answer.status >= 400 && answer.status < 500 && /"detail":".+"/.test(text);
      if (!isToldOff) wrong.push(`${what}: ${answer.status} ${text.slice(0, 80)}`);
      if (GIVEN_AWAY.test(text)) wrong.push(`${what}: gives away ${GIVEN_AWAY.exec(text)![0]}`);
    } catch (error) {
      wrong.push(`${what}: ${String(error)}`);
    }
    const tookMs = performance.now() - at;
    if (tookMs > slowestMs) [slowestMs, slowest] = [tookMs, what];
  }
  for (const [what, bytes] of RAW) {
    sent += 1;
    const answer = await rawly(address, bytes);
    if (!/^HTTP\/1\.1 4\d\d /.test(answer)) wrong.push(`${what}: ${answer.slice(0, 60)}`);
    if (GIVEN_AWAY.test(answer)) wrong.push(`${what}: gives away ${GIVEN_AWAY.exec(answer)![0]}`);
  }
  const after = await fetch(`${address}/api/boards`);
  if (after.status !== 200) wrong.push(`the list afterwards: ${after.status}`);
  return { sent, wrong, slowestMs, slowest };
}

/** Requests that are not even HTTP, or nearly so. */
const RAW: readonly (readonly [string, string])[] = [
  ['no host', 'GET /api/boards HTTP/1.0\r\n\r\n'],
  ['no HTTP', 'hello there\r\n\r\n'],
  ['another host', 'GET /api/boards HTTP/1.1\r\nHost: elsewhere.example\r\nConnection: close\r\n\r\n'],
  ['two lengths', 'POST /api/boards HTTP/1.1\r\nHost: localhost\r\nContent-Length: 1\r\nContent-Length: 2\r\n\r\nab'],
  ['length and chunks', 'POST /api/boards HTTP/1.1\r\nHost: localhost\r\nContent-Length: 1\r\nTransfer-Encoding: chunked\r\n\r\n0\r\n\r\n'],
  ['a header without an end', `GET /api/boards HTTP/1.1\r\nHost: localhost\r\nX: ${'x'.repeat(40_000)}\r\n\r\n`],
  ['a host with a path', 'GET /api/boards HTTP/1.1\r\nHost: localhost/../../etc\r\nConnection: close\r\n\r\n'],
  ['a space in the path', 'GET /api/ boards HTTP/1.1\r\nHost: localhost\r\nConnection: close\r\n\r\n'],
];

function rawly(address: string, bytes: string): Promise<string> {
  const { hostname, port } = new URL(address);
  return new Promise((resolve) => {
    let said = '';
    const socket = connect(Number(port), hostname, () => socket.write(bytes));
    socket.setTimeout(5_000, () => socket.destroy());
    socket.on('data', (chunk) => (said += String(chunk)));
    socket.on('error', () => undefined);
    socket.on('close', () => resolve(said));
  });
}

/** Bodies at the limits: the heaviest that there are. */
async function bodies(): Promise<readonly Attempt[]> {
  const plan = JSON.parse(JSON.stringify(aBoard({ name: 'Hostile' }))) as object;
  const feature = { kind: 'raised', heightMm: 20, steps: 1, stepInMm: 0, locked: false, hidden: false, surfaceId: null };
  const outlines = (points: (k: number) => object[]): string =>
    JSON.stringify({
      ...plan,
      features: Array.from({ length: 400 }, (_, k) => ({
        ...feature,
        id: `f${k}`,
        name: `f${k}`,
        shape: { form: 'outline', points: points(k) },
      })),
    });
  const zigzag = outlines((k) =>
    Array.from({ length: 300 }, (_, i) => ({ x: (i % 2) * 1000 + i / 2, y: (i % 2) * 1000 - i / 2 + k / 1000 })),
  );
  const crossedLast = outlines((k) => [
    ...Array.from({ length: 298 }, (_, i) => ({ x: (i % 2) * 900 + i, y: i * 2 + k / 1e3 })),
    { x: 5_000, y: 900 },
    { x: -900, y: 5 },
  ]);
  const numbers = `[${Array.from({ length: 1_000_000 }, () => '1').join()}]`;
  const noise = new Uint8Array(4_000_000).map((_, i) => (i * 7919) % 256);
  const imports = [
    ['400 crossed outlines', zigzag],
    ['400 outlines that cross at their end', crossedLast],
    ['a million numbers', numbers],
    ['a million objects deep', '{"a":'.repeat(700_000)],
    ['a million lists deep', '['.repeat(3_900_000)],
    ['a text of 4 MB', JSON.stringify('x'.repeat(3_900_000))],
    ['more than 4 MB', JSON.stringify('x'.repeat(4_300_000))],
    ['a name of 3 MB', JSON.stringify({ ...plan, name: 'n'.repeat(3_000_000) })],
    ['a hundred thousand features', JSON.stringify({ ...plan, features: Array.from({ length: 100_000 }, () => ({ ...feature })) })],
    ['ten thousand keys', JSON.stringify({ ...plan, ...Object.fromEntries(Array.from({ length: 10_000 }, (_, i) => [`k${i}`, i])) })],
  ] as const;
  return [
    ...imports.map(([what, body]) => ({ what, method: 'POST', path: '/api/boards/import', headers: JSON_TYPE, body })),
    { what: 'noise as JSON', method: 'POST', path: '/api/boards/import', headers: JSON_TYPE, body: noise },
    {
      what: 'noise as a picture',
      method: 'POST',
      path: '/api/pictures',
      headers: { 'Content-Type': 'application/octet-stream' },
      body: noise,
    },
    {
      what: 'a picture over the limit',
      method: 'POST',
      path: '/api/pictures',
      headers: { 'Content-Type': 'application/octet-stream' },
      body: new Uint8Array(12_700_000),
    },
  ];
}

const ODD_TEXTS = [
  `' or 1=1 --`,
  '"; drop table boards; --',
  '../../etc/passwd',
  '%00',
  '\u0000',
  '<script>alert(1)</script>',
  '🪨'.repeat(50),
  '${7*7}',
  '\ud800',
  'a'.repeat(300),
  '-1',
  '1e999',
  'NaN',
  'null',
  '[]',
  '{}',
];
const ODD_VALUES: readonly unknown[] = [
  null,
  true,
  0,
  -1,
  1.5,
  1e308,
  '',
  'x',
  [],
  {},
  [[]],
  { __proto__: 1 },
  'a'.repeat(5_000),
  [1, 2, 3],
  { $gt: '' },
];

/** As many more by chance: every path, method and body that does not belong there. */
function requests(board: string, count: number): readonly Attempt[] {
  const roll = chance(10);
  const one = <T>(list: readonly T[]): T => list[Math.floor(roll() * list.length)]!;
  const plan = JSON.parse(JSON.stringify(aBoard({ name: 'Hostile' }))) as Record<string, unknown>;
  const makers: readonly (() => Attempt)[] = [
    () => ({
      what: 'an odd id',
      method: one(['GET', 'PUT', 'DELETE']),
      path: `/api/boards/${encodeURIComponent(safe(one(ODD_TEXTS)))}${one(['', '/export', '/history', '/history/1', '/put-away'])}`,
    }),
    () => ({
      what: 'a board nobody has',
      method: one(['GET', 'PUT']),
      path: `/api/boards/${NOWHERE}/${one(['history', 'export', 'history/3', 'live?tab=a', 'nothing'])}`,
    }),
    () => ({ what: 'an odd revision', method: 'GET', path: `/api/boards/${board}/history/${encodeURIComponent(safe(one(ODD_TEXTS)))}` }),
    () => ({
      what: 'an odd save',
      method: 'PUT',
      path: `/api/boards/${board}/plan`,
      headers: JSON_TYPE,
      body: JSON.stringify({ revision: one(ODD_VALUES), plan: one(ODD_VALUES), changes: one(ODD_VALUES) }),
    }),
    () => {
      const key = one(Object.keys(plan).filter((name) => !['underlay', 'name'].includes(name)));
      return {
        what: `a plan with an odd ${key}`,
        method: 'POST',
        path: '/api/boards/import',
        headers: JSON_TYPE,
        body: JSON.stringify({ ...plan, [key]: one(ODD_VALUES.filter((value) => !Array.isArray(value))) }),
      };
    },
    () => ({
      what: 'an odd type of content',
      method: 'POST',
      path: one(['/api/boards', '/api/boards/import', '/api/rack', '/api/pictures']),
      headers: {
        'Content-Type': one([
          'text/plain',
          'application/xml',
          'multipart/form-data; boundary=x',
          'application/x-www-form-urlencoded',
          'application/json; charset=utf-16',
        ]),
      },
      body: '{"plan":1}',
    }),
    () => ({
      what: 'a foreign page',
      method: 'POST',
      path: one(['/api/boards/import', '/api/rack', '/api/session']),
      headers: { ...JSON_TYPE, Origin: one(['null', 'http://elsewhere.example', 'http://127.0.0.1:1']) },
      body: JSON.stringify(plan),
    }),
    () => ({
      what: 'an odd offcut',
      method: 'POST',
      path: '/api/rack',
      headers: JSON_TYPE,
      body: JSON.stringify({ materialId: one(ODD_TEXTS), thicknessMm: one(ODD_VALUES), widthMm: 5, depthMm: 5, from: one(ODD_VALUES) }),
    }),
    () => ({
      what: 'an odd tick',
      method: 'PUT',
      path: `/api/boards/${board}/cut-sheets/${encodeURIComponent(safe(one(ODD_TEXTS)))}`,
      headers: JSON_TYPE,
      body: JSON.stringify({ id: one(ODD_VALUES), places: one(ODD_VALUES) }),
    }),
    () => ({
      what: 'an odd name of a version',
      method: 'PUT',
      path: `/api/boards/${board}/history/1/title`,
      headers: JSON_TYPE,
      body: JSON.stringify({ title: one(ODD_VALUES.filter((value) => value !== null && value !== 'x')) }),
    }),
    () => ({ what: 'an odd picture', method: one(['GET', 'DELETE']), path: `/api/pictures/${encodeURIComponent(safe(one(ODD_TEXTS)))}` }),
    () => ({
      what: 'an odd sign-in',
      method: 'POST',
      path: '/api/session',
      headers: JSON_TYPE,
      body: JSON.stringify({ person: one(ODD_VALUES), passphrase: one(ODD_VALUES) }),
    }),
    () => ({
      what: 'a path nobody made',
      method: one(['GET', 'POST', 'PUT', 'DELETE', 'PATCH']),
      path: `/api/${one(['admin', 'users', 'boards/all', '.env', '..%2f..%2fetc', 'boards//', 'catalogue/1'])}`,
    }),
    () => ({
      what: 'a built file nobody built',
      method: 'GET',
      path: `/assets/${one(['index-old.js', '..%2f..%2fpackage.json', 'a/b/c.js', '.env'])}`,
    }),
    () => ({
      what: 'broken JSON',
      method: 'POST',
      path: one(['/api/boards', '/api/rack']),
      headers: JSON_TYPE,
      body: one(['{', '[1,', '"', '{"a":}', 'undefined', "{'a':1}"]),
    }),
  ];
  return Array.from({ length: count }, () => one(makers)());
}
/** Half of a pair of surrogates cannot stand in an address. */
const safe = (text: string): string => text.replaceAll(/[\ud800-\udfff]/gu, 'x');
