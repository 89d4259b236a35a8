import { connect } from 'node:net';
import { describe, expect, test } from 'vitest';
import { aPlan, aServer } from './server';

const { call, raw, db, port } = aServer();
const own = (): string => `http://127.0.0.1:${port()}`;
const WRITES = [
  ['POST', '/boards'],
  ['POST', '/boards/import'],
  ['PUT', '/boards/3f0c1f8e-0d7e-4a57-9d2f-6a4bb5a0c111/plan'],
  ['PUT', '/boards/3f0c1f8e-0d7e-4a57-9d2f-6a4bb5a0c111/put-away'],
  ['DELETE', '/boards/3f0c1f8e-0d7e-4a57-9d2f-6a4bb5a0c111/cut-sheets/s1'],
  ['POST', '/pictures'],
  ['POST', '/rack'],
  ['POST', '/session'],
] as const;

describe('nothing is written for a foreign page', () => {
  test.each(WRITES)('%s %s', async (method, path) => {
    const body = method === 'DELETE' ? null : JSON.stringify({ plan: aPlan() });
    const foreign: Record<string, string>[] = [
      { Origin: 'http://elsewhere.example' },
      { Origin: 'null' },
      { Origin: `http://127.0.0.1:${port() + 1}` },
      { 'Sec-Fetch-Site': 'cross-site' },
      { 'Sec-Fetch-Site': 'same-site' },
    ];
    for (const from of foreign) {
      const answer = await raw(method, path, body, { 'Content-Type': 'application/json', ...from });
      expect(answer).toMatchObject({ status: 403, body: { title: 'From another page' } });
    }
    expect(await db()('boards').count({ n: '*' })).toEqual([{ n: '0' }]);
  });

  test('our own page, and a script that is no page, may write', async () => {
    for (const from of [{ Origin: own(), 'Sec-Fetch-Site': 'same-origin' }, {}] as Record<string, string>[])
      expect((await call('POST', '/boards', { plan: aPlan() }, from)).status).toBe(201);
  });

  test('types of content that any page may send are not taken', async () => {
    for (const type of ['text/plain', 'application/x-www-form-urlencoded', 'multipart/form-data; boundary=x']) {
      expect((await raw('POST', '/boards', JSON.stringify({ plan: aPlan() }), { 'Content-Type': type })).status).toBe(415);
      expect((await raw('POST', '/pictures', 'x', { 'Content-Type': type })).status).toBe(415);
    }
  });
});

test('a request without a host is a 400 with words', async () => {
  const said = await new Promise<string>((resolve, reject) => {
    let text = '';
    const socket = connect(port(), '127.0.0.1', () => socket.write('GET /api/boards HTTP/1.0\r\n\r\n'));
    socket.on('data', (chunk) => (text += String(chunk)));
    socket.on('end', () => resolve(text));
    socket.on('error', reject);
  });
  expect(said).toMatch(/^HTTP\/1\.1 400 /);
  expect(said).toContain('host: no host was sent');
});
