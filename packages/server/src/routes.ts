import { Router, json, raw } from 'express';
import type { Knex } from 'knex';
import type { Catalogue } from '@spare-acre/core/catalogue';
import type { Board } from '@spare-acre/core/plan';
import { checkBoardFile } from '@spare-acre/core/plan/check';
import { CutSheetSchema } from '@spare-acre/core/shop';
import { dropCutSheet, keepCutSheet } from './records';
import {
  BoardCard,
  BoardList,
  BoardParams,
  CatalogueAnswer,
  CreateBoard,
  CutSheetParams,
  Health,
  History,
  NewOffcut,
  OffcutParams,
  Picture,
  PictureParams,
  PutAwayList,
  Rack,
  RackOffcut,
  RevisionParams,
  SavePlan,
  SavedPlan,
  type UnreadableBoard,
} from '@spare-acre/core/wire';
import {
  type StoredBoard,
  createBoard,
  listBoards,
  listPutAway,
  listRevisions,
  readBoard,
  readRevision,
  savePlan,
  setPutAway,
} from './boards';
import { keepPicture, readPicture } from './pictures';
import { addOffcut, listOffcuts, removeOffcut } from './rack';
import { HttpProblem, badPlan, boardAnswer, issuesOf, noSuchBoard, noSuchPath, staleSave } from './problems';

/** A plan of 400 features with 300 corners each is under this. */
const MAX_BODY = '4mb';
/** A photo straight from a phone. */
const MAX_PICTURE = '12mb';

/** The API under `/api`. */
export function apiRoutes(db: Knex, catalogue: Catalogue): Router {
  const api = Router();
  api.use(json({ limit: MAX_BODY, strict: false }));

  api.get('/health', async (_req, res) => {
    await db.raw('select 1');
    res.json(Health.parse({ ok: true, database: 'up' }));
  });

  api.get('/catalogue', (_req, res) => {
    res.json(CatalogueAnswer.parse({ catalogue }));
  });

  api.get('/boards', async (_req, res) => {
    res.json(BoardList.parse(listed(await listBoards(db))));
  });

  api.get('/boards/put-away', async (_req, res) => {
    res.json(PutAwayList.parse({ boards: await listPutAway(db) }));
  });

  api.post('/boards', async (req, res) => {
    const { plan, record } = CreateBoard.parse(req.body);
    // Plans of earlier versions say themselves what was cut of them.
    const file = record === undefined || typeof plan !== 'object' ? plan : { ...plan, record };
    res.status(201).json(boardAnswer(await createBoard(db, soundFile(file))));
  });

  /** The body is the board file itself, as it was exported. */
  api.post('/boards/import', async (req, res) => {
    res.status(201).json(boardAnswer(await createBoard(db, soundFile(req.body))));
  });

  api.get('/boards/:boardId', async (req, res) => {
    const { boardId } = BoardParams.parse(req.params);
    res.json(boardAnswer((await readBoard(db, boardId)) ?? missing()));
  });

  api.put('/boards/:boardId/plan', async (req, res) => {
    const { boardId } = BoardParams.parse(req.params);
    const { revision, plan, changes } = SavePlan.parse(req.body);
    const saved = await savePlan(db, boardId, revision, soundFile(plan), changes);
    if (!saved.ok) throw saved.problem.code === 'board/stale' ? staleSave(saved.problem.stored) : noSuchBoard();
    res.json(SavedPlan.parse({ revision: saved.value.revision, savedAt: saved.value.savedAt }));
  });

  api.put('/boards/:boardId/cut-sheets/:cutSheetId', async (req, res) => {
    const { boardId, cutSheetId } = CutSheetParams.parse(req.params);
    const sheet = CutSheetSchema.parse(req.body);
    if (sheet.id !== cutSheetId)
      throw new HttpProblem(400, 'The request cannot be read', `id: got “${sheet.id}”; “${cutSheetId}”, as in the path, would do.`);
    if (!catalogue.materials.some(({ id }) => id === sheet.materialId)) throw noSuchMaterial(sheet.materialId);
    if (!(await keepCutSheet(db, boardId, sheet))) missing();
    res.status(204).end();
  });

  api.delete('/boards/:boardId/cut-sheets/:cutSheetId', async (req, res) => {
    const { boardId, cutSheetId } = CutSheetParams.parse(req.params);
    await dropCutSheet(db, boardId, cutSheetId);
    res.status(204).end();
  });

  api.get('/boards/:boardId/history', async (req, res) => {
    const { boardId } = BoardParams.parse(req.params);
    res.json(History.parse({ revisions: (await listRevisions(db, boardId)) ?? missing() }));
  });

  api.get('/boards/:boardId/history/:revision', async (req, res) => {
    const { boardId, revision } = RevisionParams.parse(req.params);
    res.json(boardAnswer((await readRevision(db, boardId, revision)) ?? missing()));
  });

  api.get('/boards/:boardId/export', async (req, res) => {
    const { boardId } = BoardParams.parse(req.params);
    const { plan, record } = (await readBoard(db, boardId)) ?? missing();
    const fileName =
      nameOf(plan)
        .replace(/[^A-Za-z0-9]+/g, '-')
        .replace(/^-|-$/g, '')
        .toLowerCase() || 'plan';
    res
      .attachment(`${fileName}.spare-acre.json`)
      .type('application/json')
      .send(JSON.stringify(typeof plan === 'object' ? { ...plan, record } : plan, null, 1));
  });

  api.put('/boards/:boardId/put-away', async (req, res) => {
    const { boardId } = BoardParams.parse(req.params);
    if (!(await setPutAway(db, boardId, true))) missing();
    res.status(204).end();
  });

  api.delete('/boards/:boardId/put-away', async (req, res) => {
    const { boardId } = BoardParams.parse(req.params);
    if (!(await setPutAway(db, boardId, false))) missing();
    res.status(204).end();
  });

  api.post('/pictures', raw({ limit: MAX_PICTURE, type: () => true }), async (req, res) => {
    if (!Buffer.isBuffer(req.body)) throw new HttpProblem(415, 'Not a picture', 'picture: nothing was sent; a PNG or JPEG would do.');
    res.status(201).json(Picture.parse(await keepPicture(db, req.body)));
  });

  api.get('/pictures/:pictureId', async (req, res) => {
    const { pictureId } = PictureParams.parse(req.params);
    const picture = await readPicture(db, pictureId);
    if (picture === null) throw new HttpProblem(404, 'No such picture', 'There is no picture with that id.');
    res.set('Cache-Control', 'private, max-age=31536000, immutable').type(picture.mediaType).send(picture.body);
  });

  api.get('/rack', async (_req, res) => {
    res.json(Rack.parse({ offcuts: await listOffcuts(db) }));
  });

  api.post('/rack', async (req, res) => {
    const offcut = NewOffcut.parse(req.body);
    if (!catalogue.materials.some(({ id }) => id === offcut.materialId)) throw noSuchMaterial(offcut.materialId);
    if (offcut.from !== null && (await readBoard(db, offcut.from.boardId)) === null) missing();
    res.status(201).json(RackOffcut.parse(await addOffcut(db, offcut)));
  });

  api.delete('/rack/:offcutId', async (req, res) => {
    const { offcutId } = OffcutParams.parse(req.params);
    if (!(await removeOffcut(db, offcutId))) throw new HttpProblem(404, 'No such offcut', 'There is no offcut with that id in the rack.');
    res.status(204).end();
  });

  api.use(noSuchPath);
  return api;

  function soundFile(raw: unknown): Board {
    const checked = checkBoardFile(raw, catalogue);
    if (!checked.ok) throw badPlan(checked.problem.issues);
    return checked.value;
  }
}

/** Every board that can be read, and by name what is wrong with any other. */
function listed(stored: readonly StoredBoard[]): {
  readonly boards: readonly BoardCard[];
  readonly unreadable: readonly UnreadableBoard[];
} {
  const boards: BoardCard[] = [];
  const unreadable: UnreadableBoard[] = [];
  for (const board of stored) {
    const read = BoardCard.safeParse(board);
    if (read.success) boards.push(read.data);
    else unreadable.push({ id: board.id, name: nameOf(board.plan), issues: issuesOf(read.error) });
  }
  return { boards, unreadable };
}
function nameOf(plan: unknown): string {
  const name = (plan as { readonly name?: unknown } | null)?.name;
  return typeof name === 'string' ? name : 'no name';
}

const noSuchMaterial = (id: string): HttpProblem =>
  new HttpProblem(422, 'No such material', `materialId: the catalogue has no material “${id}”.`);

function missing(): never {
  throw noSuchBoard();
}
