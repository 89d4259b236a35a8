import type { Request } from 'express';
import type { Knex } from 'knex';
import type { z } from 'zod';
import { type Catalogue, OwnValue, figuresOf, validateOverride } from '@spare-acre/core/catalogue';
import { changesBetween } from '@spare-acre/core/plan';
import { type Kind, KINDS, bareEntry, isKind, withEntry } from '@spare-acre/core/catalogue/editing';
import {
  CatalogueAnswer,
  CatalogueChanges,
  CatalogueSince,
  Customs,
  EntryBody,
  EntryParams,
  EntryPicture,
  InUse,
  OwnList,
  OwnParams,
} from '@spare-acre/core/io/wire';
import { type GuardedRoutes, guardedRoutes } from '../access/may';
import { HttpProblem } from '../problems';
import { bytesOf, jsonBytes, smallJson } from '../reading/bodies';
import type { Readers } from '../reading/readers';
import { badEntry } from './bad-entry';
import { boardsWith, dropEntry, setEntry, setInUse, setPicture } from './entries';
import { type CatalogueKeeper, type Kept, changed } from './keeper';
import { dropOwn, listOwn, setOwn } from './own-values';

/** What the routes of the catalogue work with. */
interface Served {
  readonly db: Knex;
  readonly keeper: CatalogueKeeper;
  readonly readers: Readers;
}

/** The catalogue as the builder has it, and entries and figures of their own in it. */
export function ownRoutes(db: Knex, keeper: CatalogueKeeper, readers: Readers): GuardedRoutes {
  const api = guardedRoutes();
  for (const add of [addCatalogue, addValues, addEntries, addRemoval, addUse]) add(api, { db, keeper, readers });
  return api;
}

/** All of it, and what changed in it. */
function addCatalogue(api: GuardedRoutes, { keeper }: Served): void {
  api.get('/catalogue', 'look', async (_req, res) => {
    res.json(CatalogueAnswer.parse(answerOf(await keeper.now(), keeper.ours)));
  });
  /** What changed in that answer since an edition of it: a price is some bytes, all of it a hundred thousand. */
  api.get('/catalogue/changes', 'look', async (req, res) => {
    const { since } = CatalogueSince.parse(req.query);
    const now = await keeper.now();
    const then = keeper.at(since);
    const changes = then === undefined ? null : changesBetween(answerOf(then, keeper.ours), answerOf(now, keeper.ours));
    res.json(CatalogueChanges.parse({ changes }));
  });
}

/** Figures of one's own in the place of ours. */
function addValues(api: GuardedRoutes, { db, keeper }: Served): void {
  api.get('/own-values', 'look', async (_req, res) => {
    const { catalogue } = await keeper.now();
    const figures = figuresOf(catalogue);
    const values = Object.entries(await listOwn(db)).map(([path, own]) => ({ path, own, ours: figures.get(path)?.ours ?? null }));
    res.json(OwnList.parse({ values }));
  });
  api.put('/own-values/:path', 'build', ...smallJson('1kb'), async (req, res) => {
    const { path } = OwnParams.parse(req.params);
    const own = OwnValue.parse(req.body);
    const there = figuresOf((await keeper.now()).catalogue).get(path);
    const refusal = validateOverride(path, own, there === undefined ? undefined : { ...there, ...there.ours });
    if (refusal !== null) throw new HttpProblem(422, 'Not a value of this catalogue', refusal);
    await changed(db, (trx) => setOwn(trx, path, own));
    res.status(204).end();
  });
  /** Back to ours. */
  api.delete('/own-values/:path', 'delete', async (req, res) => {
    const { path } = OwnParams.parse(req.params);
    if (!(await changed(db, (trx) => dropOwn(trx, path))))
      throw new HttpProblem(404, 'No such value', 'You have no own value at that path.');
    res.status(204).end();
  });
}

/** Entries of one's own, one by one or many at once. */
function addEntries(api: GuardedRoutes, { db, keeper, readers }: Served): void {
  /** What the catalogue that ships has at a place, to set beside the builder's own. */
  api.get('/catalogue/:kind/:id/ours', 'look', (req, res) => {
    const { kind, id } = placeOf(req);
    const entry = keeper.ours[kind].find((one) => one.id === id);
    if (entry === undefined) throw noSuchEntry(kind, id);
    res.json(EntryBody.parse({ entry }));
  });
  api.put('/catalogue/:kind/:id', 'build', ...smallJson('100kb'), async (req, res) => {
    const { kind, id } = placeOf(req);
    const body = bareEntry(EntryBody.parse(req.body).entry);
    const tried = withEntry((await keeper.now()).catalogue, { kind, id, body });
    if (!tried.ok) throw badEntry(kind, tried.issues);
    await changed(db, (trx) => setEntry(trx, { kind, id, body }));
    res.status(204).end();
  });
  /** Many at once, all or none: what a file brought. */
  api.post('/catalogue/entries', 'build', ...jsonBytes('2mb'), async (req, res) => {
    // Checked one on top of another, which takes seconds for thousands: in a thread.
    const bare = await readers.read('ownEntries', bytesOf(req.body));
    await changed(db, async (trx) => {
      for (const entry of bare) await setEntry(trx, entry);
    });
    res.status(204).end();
  });
}

function addRemoval(api: GuardedRoutes, { db, keeper }: Served): void {
  /** Back to ours, or away altogether where no board has it. */
  api.delete('/catalogue/:kind/:id', 'delete', async (req, res) => {
    const { kind, id } = placeOf(req);
    const isOurs = keeper.ours[kind].some((entry) => entry.id === id);
    const { own, catalogue } = await keeper.now();
    if (!own.entries.some((entry) => entry.kind === kind && entry.id === id)) throw noSuchEntry(kind, id);
    if (!isOurs) {
      const users = await boardsWith(db, id);
      if (users.length > 0)
        throw new HttpProblem(409, 'Still in use', `${users.join(', ')} ${users.length === 1 ? 'uses' : 'use'} it. Disable it instead.`);
      const hanging = hangingOn(catalogue, kind, id);
      if (hanging.length > 0)
        throw new HttpProblem(
          409,
          'Still in use',
          `${hanging.slice(0, 5).join(', ')} of the catalogue would be left without it. Disable it instead.`,
        );
    }
    await changed(db, (trx) => dropEntry(trx, kind, id));
    res.status(204).end();
  });
}

/** Whether an entry is offered, its picture, and how this workshop counts and talks. */
function addUse(api: GuardedRoutes, { db, keeper }: Served): void {
  api.put('/catalogue/:kind/:id/use', 'build', ...smallJson('1kb'), async (req, res) => {
    const { kind, id } = placeOf(req);
    const { isInUse } = InUse.parse(req.body);
    if (!(await keeper.now()).catalogue[kind].some((entry) => entry.id === id)) throw noSuchEntry(kind, id);
    await changed(db, (trx) => setInUse(trx, `${kind}.${id}`, isInUse));
    res.status(204).end();
  });
  api.put('/catalogue/:kind/:id/picture', 'build', ...smallJson('1kb'), async (req, res) => {
    const { kind, id } = placeOf(req);
    const { pictureId } = EntryPicture.parse(req.body);
    if (!(await keeper.now()).catalogue[kind].some((entry) => entry.id === id)) throw noSuchEntry(kind, id);
    await changed(db, (trx) => setPicture(trx, { kind, id }, pictureId));
    res.status(204).end();
  });
  /** Money, whose words, the first day of a week, and the measures of new boards. */
  api.put('/customs', 'build', ...smallJson('1kb'), async (req, res) => {
    const { currency, terms, weekStartsOn, measures } = Customs.parse(req.body);
    const change = {
      ...(currency === undefined ? {} : { currency }),
      ...(terms === undefined ? {} : { terms }),
      ...(measures === undefined ? {} : { measures }),
      ...(weekStartsOn === undefined ? {} : { week_starts_on: weekStartsOn }),
    };
    if (Object.keys(change).length > 0) await changed(db, (trx) => trx('workshop').where('id', 1).update(change));
    res.status(204).end();
  });
}

/** The catalogue as the builder has it, at one edition. */
const answerOf = (
  { edition, catalogue, own, leftOut, pictures, learnt, refused }: Kept,
  ours: Catalogue,
): z.infer<typeof CatalogueAnswer> => ({
  edition,
  catalogue,
  own: own.entries.map(({ kind, id }) => ({ kind, id, isOurs: ours[kind].some((entry) => entry.id === id) })),
  pictures: pictures.map(({ kind, id, picture_id: pictureId }) => ({ kind, id, pictureId })),
  hand: learnt.filter(({ path }) => !refused.includes(path)),
  terms: own.terms,
  leftOut,
});

function placeOf(req: Request): { readonly kind: Kind; readonly id: string } {
  const place = EntryParams.parse(req.params);
  if (!isKind(place.kind))
    throw new HttpProblem(404, 'No such kind', `“${String(place.kind)}” is not a kind of entry. Use materials, sheets, ….`);
  return place;
}
const noSuchEntry = (kind: Kind, id: string): HttpProblem =>
  new HttpProblem(404, 'No such entry', `There is no ${KINDS[kind].one} “${id}” that supports this.`);

/** Entries of a catalogue that speak of another by its id. */
function hangingOn(catalogue: Catalogue, kind: Kind, id: string): readonly string[] {
  const word = `"${id}"`;
  return (Object.keys(KINDS) as Kind[]).flatMap((other) =>
    (catalogue[other] as readonly { readonly id: string }[])
      .filter((entry) => !(other === kind && entry.id === id) && JSON.stringify(entry).includes(word))
      .map((entry) => `${KINDS[other].one} “${entry.id}”`),
  );
}
