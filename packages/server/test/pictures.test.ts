import { PNG } from 'pngjs';
import { expect, test } from 'vitest';
import { aServer } from './server';

const { port } = aServer();
const url = (path: string): string => `http://127.0.0.1:${port()}/api/pictures${path}`;
const send = (body: string | Uint8Array<ArrayBuffer>, type = 'application/octet-stream'): Promise<Response> =>
  fetch(url(''), { method: 'POST', body, headers: { 'Content-Type': type } });
const png = (width: number, height: number): Uint8Array<ArrayBuffer> => new Uint8Array(PNG.sync.write(new PNG({ width, height })));

test('a picture is kept by its bytes, whatever it is called, and comes back as it was', async () => {
  const bytes = png(30, 20);
  const kept = await send(bytes, 'text/html');
  expect(kept.status).toBe(201);
  const picture = (await kept.json()) as { id: string };
  expect(picture).toMatchObject({ mediaType: 'image/png', widthPx: 30, heightPx: 20 });
  const back = await fetch(url(`/${picture.id}`));
  expect(back.headers.get('content-type')).toBe('image/png');
  expect(back.headers.get('x-content-type-options')).toBe('nosniff');
  expect(new Uint8Array(await back.arrayBuffer())).toEqual(bytes);
});

test('a script that calls itself a picture, nothing at all, and JSON are refused', async () => {
  for (const [body, type] of [
    ['<svg xmlns="http://www.w3.org/2000/svg" onload="alert(1)"/>', 'image/png'],
    ['GIF89a', 'image/gif'],
    ['', 'image/png'],
    ['{}', 'application/json'],
  ] as const) {
    const answer = await send(body, type);
    expect(answer.status, body).toBe(415);
    expect(((await answer.json()) as { detail: string }).detail).toContain('picture:');
  }
});

test('a picture over 12 MB, one of no size, an unknown one and a bad id are answered in the 4xx', async () => {
  expect((await send(new Uint8Array(13_000_000))).status).toBe(413);
  const flat = png(5, 5);
  new DataView(flat.buffer).setUint32(16, 0);
  expect((await send(flat)).status).toBe(422);
  const wide = png(5, 5);
  new DataView(wide.buffer).setUint32(16, 99_999);
  expect((await send(wide)).status).toBe(422);
  expect((await fetch(url('/3f0c1f8e-0d7e-4a57-9d2f-6a4bb5a0c111'))).status).toBe(404);
  expect((await fetch(url('/..%2f..%2fetc'))).status).toBe(400);
});
