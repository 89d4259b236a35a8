import type { Knex } from 'knex';
import { CutSheetSchema } from '@spare-acre/core/plan/workshop';
import {
  BoardList,
  BoardParams,
  CutSheetParams,
  Edition,
  History,
  PutAwayList,
  RevisionParams,
  RevisionTitle,
  SavedPlan,
} from '@spare-acre/core/io/wire';
import { type GuardedRoutes, addressOf, currentUser, guardedRoutes } from '../access/may';
import { record } from '../access/record';
import { remembered, takeNote } from '../own/editions';
import type { CatalogueKeeper } from '../own/keeper';
import { HttpProblem, noSuchBoard, noSuchMaterial } from '../problems';
import { bytesOf, jsonBytes, smallJson } from '../reading/bodies';
import type { Readers } from '../reading/readers';
import type { SoundBoard } from '../reading/work';
import { createBoard, listPutAway, readBoard, savePlan, setPutAway } from './boards';
import { boardText, checkedList, markOf, revisionText } from './checked';
import { dropCutSheet, keepCutSheet } from './records';
import { listRevisions, nameRevision, readRevision } from './revisions';

/** A plan of 400 features with 300 corners each is under this. */
const MAX_PLAN = '4mb';
/** A sheet with as many parts as one may have. */
const MAX_SHEET = '1mb';

/** What the routes of boards work with. */
interface Served {
  readonly db: Knex;
  readonly keeper: CatalogueKeeper;
  readonly readers: Readers;
}

/** Boards, their history and what was done on them. */
export function boardRoutes(db: Knex, keeper: CatalogueKeeper, readers: Readers): GuardedRoutes {
  const api = guardedRoutes();
  for (const add of [addLists, addOne, addCutSheets, addHistory, addArchive]) add(api, { db, keeper, readers });
  return api;
}

/** All boards, and new ones. */
function addLists(api: GuardedRoutes, { db, readers }: Served): void {
  const created = async (board: SoundBoard, by: string | null): Promise<string> =>
    boardText(db, readers, await createBoard(db, board, markOf(1), by));
  api.get('/boards', 'look', async (_req, res) => {
    const listed = await checkedList(db, readers);
    res.json(
      BoardList.parse({
        boards: listed
          .filter(({ faults }) => faults === null)
          .map(({ id, name, revision, savedAt, card, doneTasks, cutSheets }) => ({
            id,
            name,
            revision,
            savedAt,
            summary: card,
            doneTasks,
            cutSheets,
          })),
        unreadable: listed.flatMap(({ id, name, faults }) => (faults === null ? [] : [{ id, name, issues: faults }])),
      }),
    );
  });

  api.get('/boards/put-away', 'look', async (_req, res) => {
    res.json(PutAwayList.parse({ boards: await listPutAway(db) }));
  });

  api.post('/boards', 'build', ...jsonBytes(MAX_PLAN), async (req, res) => {
    const board = await readers.read('newBoard', bytesOf(req.body));
    res
      .status(201)
      .type('json')
      .send(await created(board, currentUser(res)));
  });

  /** The body is the board file itself, as it was exported. */
  api.post('/boards/import', 'build', ...jsonBytes(MAX_PLAN), async (req, res) => {
    const board = await readers.read('boardFile', bytesOf(req.body));
    res
      .status(201)
      .type('json')
      .send(await created(board, currentUser(res)));
  });
}

/** A board as it is, and saved. */
function addOne(api: GuardedRoutes, { db, readers }: Served): void {
  api.get('/boards/:boardId', 'look', async (req, res) => {
    const { boardId } = BoardParams.parse(req.params);
    res.type('json').send(await boardText(db, readers, (await readBoard(db, boardId)) ?? missing()));
  });

  api.put('/boards/:boardId/plan', 'build', ...jsonBytes(MAX_PLAN), async (req, res) => {
    const { boardId } = BoardParams.parse(req.params);
    const save = await readers.read('save', bytesOf(req.body));
    const saved = await savePlan(db, boardId, save, markOf(save.revision + 1), currentUser(res));
    if (saved.ok) return void res.json(SavedPlan.parse(saved.value));
    if (saved.problem.code === 'board/missing') throw noSuchBoard();
    const { stored } = saved.problem;
    throw new HttpProblem(409, 'Someone else saved this board', `The board is now at version ${stored.revision}.`, {
      storedText: await boardText(db, readers, stored),
    });
  });
}

/** Sheets that were cut for a board. */
function addCutSheets(api: GuardedRoutes, { db, keeper }: Served): void {
  api.put('/boards/:boardId/cut-sheets/:cutSheetId', 'build', ...smallJson(MAX_SHEET), async (req, res) => {
    const { boardId, cutSheetId } = CutSheetParams.parse(req.params);
    const sheet = CutSheetSchema.parse(req.body);
    if (sheet.id !== cutSheetId)
      throw new HttpProblem(400, 'The request cannot be read', `id: got “${sheet.id}”. Use “${cutSheetId}”, as in the path.`);
    const { catalogue } = await keeper.now();
    if (!catalogue.materials.some(({ id }) => id === sheet.materialId)) throw noSuchMaterial(sheet.materialId);
    if (!(await keepCutSheet(db, boardId, sheet))) missing();
    res.status(204).end();
  });

  api.delete('/boards/:boardId/cut-sheets/:cutSheetId', 'build', async (req, res) => {
    const { boardId, cutSheetId } = CutSheetParams.parse(req.params);
    await dropCutSheet(db, boardId, cutSheetId);
    res.status(204).end();
  });
}

/** What a board was, and the figures that it was reckoned with. */
function addHistory(api: GuardedRoutes, { db, keeper, readers }: Served): void {
  api.get('/boards/:boardId/history', 'look', async (req, res) => {
    const { boardId } = BoardParams.parse(req.params);
    res.json(History.parse({ revisions: (await listRevisions(db, boardId)) ?? missing() }));
  });

  api.get('/boards/:boardId/history/:revision', 'look', async (req, res) => {
    const { boardId, revision } = RevisionParams.parse(req.params);
    res.type('json').send(await revisionText(readers, (await readRevision(db, boardId, revision)) ?? missing()));
  });

  api.put('/boards/:boardId/history/:revision/title', 'build', ...smallJson('10kb'), async (req, res) => {
    const { boardId, revision } = RevisionParams.parse(req.params);
    const { title } = RevisionTitle.parse(req.body);
    if (!(await nameRevision(db, boardId, revision, title))) missing();
    res.status(204).end();
  });

  /** The figures that a board was reckoned with, where they are other by now. */
  api.get('/boards/:boardId/edition', 'look', async (req, res) => {
    const { boardId } = BoardParams.parse(req.params);
    const { catalogue } = await keeper.now();
    res.json(Edition.parse((await remembered(db, boardId, catalogue)) ?? missing()));
  });
  /** It is reckoned with the present ones from now on. */
  api.put('/boards/:boardId/edition', 'build', async (req, res) => {
    const { boardId } = BoardParams.parse(req.params);
    const { catalogue } = await keeper.now();
    res.json(Edition.parse((await takeNote(db, boardId, catalogue)) ?? missing()));
  });
}

/** A board as a file, and archived. */
function addArchive(api: GuardedRoutes, { db, readers }: Served): void {
  api.get('/boards/:boardId/export', 'look', async (req, res) => {
    const { boardId } = BoardParams.parse(req.params);
    const { name, planText, recordText } = (await readBoard(db, boardId)) ?? missing();
    const fileName =
      name
        .replace(/[^A-Za-z0-9]+/g, '-')
        .replace(/^-|-$/g, '')
        .toLowerCase() || 'plan';
    const file = await readers.read('exported', { planText, recordText });
    await record(db, 'exported', { person: currentUser(res), about: name, address: addressOf(req) });
    res.attachment(`${fileName}.spare-acre.json`).type('application/json').send(file);
  });

  api.put('/boards/:boardId/put-away', 'build', async (req, res) => {
    const { boardId } = BoardParams.parse(req.params);
    if (!(await setPutAway(db, boardId, true))) missing();
    res.status(204).end();
  });

  api.delete('/boards/:boardId/put-away', 'build', async (req, res) => {
    const { boardId } = BoardParams.parse(req.params);
    if (!(await setPutAway(db, boardId, false))) missing();
    res.status(204).end();
  });
}

function missing(): never {
  throw noSuchBoard();
}
