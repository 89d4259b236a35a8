import { randomBytes } from 'node:crypto';
import { crc32 } from 'node:zlib';
import sharp, { type Sharp } from 'sharp';
import { beforeEach, expect, test } from 'vitest';
import { MAX_PICTURE_PX } from '@spare-acre/core/io/wire';
import { keepPicture, sweepPictures } from '../src/pictures/pictures';
import { aPlan, aServer } from './server';

const { call, db, port } = aServer();
beforeEach(async () => {
  await db()('pictures').delete();
});
const url = (path: string): string => `http://127.0.0.1:${port()}/api/pictures${path}`;
const send = (body: string | Uint8Array, type = 'application/octet-stream'): Promise<Response> =>
  fetch(url(''), { method: 'POST', body: new Uint8Array(Buffer.from(body)), headers: { 'Content-Type': type } });
const blank = (width: number, height: number): Sharp => sharp({ create: { width, height, channels: 3, background: '#a63' } });
const png = (width: number, height: number): Promise<Buffer> => blank(width, height).png().toBuffer();
const kept = async (body: Uint8Array): Promise<{ id: string; widthPx: number; heightPx: number }> => {
  const answer = await send(body);
  expect(answer.status).toBe(201);
  return (await answer.json()) as never;
};

test('a picture is told by its bytes and comes back as it was', async () => {
  const bytes = await png(30, 20);
  const picture = await kept(bytes);
  expect(picture).toMatchObject({ mediaType: 'image/png', widthPx: 30, heightPx: 20 });
  const back = await fetch(url(`/${picture.id}`));
  expect(back.headers.get('content-type')).toBe('image/png');
  expect(back.headers.get('x-content-type-options')).toBe('nosniff');
  expect(Buffer.from(await back.arrayBuffer())).toEqual(bytes);
});

test('what is no PNG or JPEG is refused, whatever it calls itself; so is any other type of content', async () => {
  const webp = await blank(9, 9).webp().toBuffer();
  for (const body of ['<svg xmlns="http://www.w3.org/2000/svg" onload="alert(1)"/>', 'GIF89a', '', webp]) {
    const answer = await send(body);
    expect(answer.status).toBe(415);
    expect(((await answer.json()) as { detail: string }).detail).toContain('picture:');
  }
  expect((await send(await png(3, 3), 'text/plain')).status).toBe(415);
});

test('a picture that is cut off or damaged is refused: it is decoded to its last line', async () => {
  const noise = await sharp(randomBytes(300 * 200 * 3), { raw: { width: 300, height: 200, channels: 3 } });
  for (const whole of [await noise.png().toBuffer(), await noise.jpeg().toBuffer()]) {
    const answer = await send(whole.subarray(0, whole.length / 2));
    expect(answer.status).toBe(422);
    expect(((await answer.json()) as { detail: string }).detail).toContain('incomplete');
  }
  expect(await db()('pictures').count({ n: '*' })).toEqual([{ n: '0' }]);
});

test('a small file that unpacks to a huge picture is refused by its size', async () => {
  const bomb = await png(60, 60);
  // The sizes of a PNG stand at a fixed place, and its own sum over them behind.
  bomb.writeUInt32BE(12_000, 16);
  bomb.writeUInt32BE(9_000, 20);
  bomb.writeUInt32BE(crc32(bomb.subarray(12, 29)), 29);
  const answer = await send(bomb);
  expect(answer.status).toBe(422);
  expect(((await answer.json()) as { detail: string }).detail).toContain('12000 × 9000 pixels');
});

test('a large photo is made smaller, one on its side is set upright', async () => {
  const large = await kept(await blank(4_500, 1_500).jpeg().toBuffer());
  expect([large.widthPx, large.heightPx]).toEqual([MAX_PICTURE_PX, MAX_PICTURE_PX / 3]);
  const turned = await kept(await blank(80, 40).withMetadata({ orientation: 6 }).jpeg().toBuffer());
  expect([turned.widthPx, turned.heightPx]).toEqual([40, 80]);
});

test('a picture over 12 MB, an unknown one and a bad id are answered in the 4xx', async () => {
  const answer = await send(new Uint8Array(13_000_000));
  expect(answer.status).toBe(413);
  expect(((await answer.json()) as { detail: string }).detail).toContain('12 MB');
  expect((await fetch(url('/3f0c1f8e-0d7e-4a57-9d2f-6a4bb5a0c111'))).status).toBe(404);
  expect((await fetch(url('/..%2f..%2fetc'))).status).toBe(400);
});

test('all pictures together have a limit, also for many at once; taking one out makes room', async () => {
  const aMegabyte = { mediaType: 'image/png', widthPx: 9, heightPx: 9, bytes: randomBytes(1_000_000) };
  const six = Array.from({ length: 6 });
  // A connection for each of them, so that none comes too late to be in the others' way.
  await Promise.all(six.map(() => db().raw('select pg_sleep(0.1)')));
  const atOnce = await Promise.allSettled(six.map(() => keepPicture(db(), aMegabyte, { maxMb: 1 })));
  const refused = atOnce.filter((one) => one.status === 'rejected');
  expect(refused).toHaveLength(5);
  expect(refused[0]!.reason).toMatchObject({ status: 507, message: expect.stringContaining('1 of 1 MB are used') as string });
  const [{ id }] = (await db()('pictures').select('id')) as [{ id: string }];
  expect((await fetch(url(`/${id}`), { method: 'DELETE' })).status).toBe(204);
  await keepPicture(db(), aMegabyte, { maxMb: 1 });
});

test('the photo of a test piece belongs to its board: not swept, not taken out while it is shown', async () => {
  const photo = await kept(await png(8, 5));
  const [first] = aPlan().surfaces;
  const testPiece = { id: 't1', name: 'Tried', relief: first!.relief, coats: first!.coats, note: 'too loud', imageId: photo.id };
  await call('POST', '/boards', { plan: { ...aPlan('Tested'), testPieces: [testPiece] } });
  const refused = await fetch(url(`/${photo.id}`), { method: 'DELETE' });
  expect(refused.status).toBe(409);
  expect(((await refused.json()) as { detail: string }).detail).toContain('“Tested” shows it');
  await db()('pictures').where({ id: photo.id }).update({ created_at: '2026-01-01' });
  await sweepPictures(db());
  expect(await db()('pictures').where({ id: photo.id })).toHaveLength(1);
});

/** A plan with a picture under it. */
const onPicture = (imageId: string) => ({
  ...aPlan('Traced'),
  underlay: { imageId, widthPx: 8, heightPx: 8, at: { x: 0, y: 0 }, mmPerPx: 1, turnDeg: 0, opacityPct: 50 },
});

test('a picture under a board cannot be taken out; the list says where each is; those that nobody shows are swept after a week', async () => {
  const [shown, before, loose, fresh] = [
    await kept(await png(8, 8)),
    await kept(await png(8, 9)),
    await kept(await png(8, 7)),
    await kept(await png(8, 6)),
  ];
  const { id } = (await call('POST', '/boards', { plan: onPicture(before.id) })).body as { id: string };
  await call('PUT', `/boards/${id}/plan`, { revision: 1, plan: onPicture(shown.id) });
  const refused = await fetch(url(`/${shown.id}`), { method: 'DELETE' });
  expect(refused.status).toBe(409);
  expect(((await refused.json()) as { detail: string }).detail).toContain('“Traced”');

  await db()('pictures').whereNot({ id: fresh.id }).update({ created_at: '2026-01-01' });
  const { pictures } = (await (await fetch(url(''))).json()) as { pictures: { id: string; usedBy: unknown[]; isInHistory: boolean }[] };
  const of = (one: { id: string }) => pictures.find((listed) => listed.id === one.id)!;
  expect(of(shown)).toMatchObject({ usedBy: [{ id, name: 'Traced' }], isInHistory: true });
  expect(of(before)).toMatchObject({ usedBy: [], isInHistory: true });
  expect(of(loose)).toMatchObject({ usedBy: [], isInHistory: false });

  expect(await sweepPictures(db())).toBe(1);
  const left = (await db()('pictures').select('id')) as { id: string }[];
  expect(left.map((one) => one.id).sort()).toEqual([shown.id, before.id, fresh.id].sort());
});

test('a hundred pictures beside 3,000 revisions are listed without reading a revision’s plan', async () => {
  const { id } = (await call('POST', '/boards', { plan: aPlan() })).body as { id: string };
  const one = (await kept(await png(3, 3))).id;
  const underlay = { imageId: one, x: 0, y: 0, widthMm: 100, turnDeg: 0, opacity: 0.5, hidden: false };
  const plan = JSON.stringify({ ...aPlan(), underlay });
  await db().raw(
    `insert into board_revisions (board_id, revision, plan, changes) select ?, n, ?::jsonb, '[]' from generate_series(2, 3000) as n`,
    [id, plan],
  );
  await db().raw('insert into revision_pictures (board_id, revision, picture_id) select ?, n, ? from generate_series(2, 3000) as n', [
    id,
    one,
  ]);
  await db().raw(
    `insert into pictures (id, media_type, width_px, height_px, body) select gen_random_uuid(), 'image/png', 3, 3, 'x' from generate_series(1, 99)`,
  );
  const { pictures } = (await call('GET', '/pictures')).body as { pictures: { id: string; isInHistory: boolean }[] };
  expect(pictures).toHaveLength(100);
  expect(pictures.filter(({ isInHistory }) => isInHistory).map((picture) => picture.id)).toEqual([one]);
  // What it costs is counted in rows that are looked at, not in time: the revisions themselves are not among them.
  const { rows } = await db().raw<{ rows: { 'QUERY PLAN': string }[] }>(
    `explain select exists (select from revision_pictures where picture_id = pictures.id::text) from pictures`,
  );
  expect(rows.map((row) => row['QUERY PLAN']).join('\n')).not.toContain('board_revisions');
});

test('a picture that a save shows is known to its revision', async () => {
  const { id: imageId } = await kept(await png(5, 5));
  const testPieces = [{ id: 't', name: 'Tried', relief: 'earth', coats: [], note: '', imageId }];
  const { id } = (await call('POST', '/boards', { plan: { ...aPlan(), testPieces } })).body as { id: string };
  expect(await db()('revision_pictures').select('board_id', 'revision', 'picture_id')).toContainEqual({
    board_id: id,
    revision: 1,
    picture_id: imageId,
  });
});
