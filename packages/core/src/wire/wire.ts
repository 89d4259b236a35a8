import { z } from 'zod';
import { CatalogueSchema } from '../catalogue/schema';
import { Id } from '../fields';
import { PlanSchema } from '../plan/schema';
import { RecordSchema } from '../shop';

/** What goes over the wire, for both ends. */

export const BoardId = z.uuid('expected the id of a board');
/** As large as the database's integer. */
export const Revision = z.number().int().min(1).max(2_147_483_647);

/** Names that a save may bring, and letters that each may have. */
export const MAX_CHANGES = 60;
export const MAX_CHANGE_LETTERS = 160;

export const BoardParams = z.strictObject({ boardId: BoardId });
export const RevisionParams = z.strictObject({ boardId: BoardId, revision: z.coerce.number().pipe(Revision) });

/** A plan as it arrives; its shape is checked against the catalogue too, so the envelope only says where it is. */
export const CreateBoard = z.strictObject({ plan: z.unknown(), record: RecordSchema.optional() });
export const CutSheetParams = z.strictObject({ boardId: BoardId, cutSheetId: Id });
/** What was done since a revision, each by its name. */
const Changes = z.array(z.string().max(MAX_CHANGE_LETTERS)).max(MAX_CHANGES);
export const SavePlan = z.strictObject({ revision: Revision, plan: z.unknown(), changes: Changes.default([]) });

const Issue = z.strictObject({ path: z.string(), message: z.string() });

export const BoardCard = z.strictObject({
  id: BoardId,
  revision: Revision,
  savedAt: z.iso.datetime(),
  plan: PlanSchema,
  record: RecordSchema,
});
/** A board whose stored plan no longer is one: named and kept, so that the others can still be listed. */
export const UnreadableBoard = z.strictObject({ id: BoardId, name: z.string(), issues: z.array(Issue) });
export const BoardList = z.strictObject({ boards: z.array(BoardCard), unreadable: z.array(UnreadableBoard) });
/** Boards put away, by name and when: seen to be brought back. */
export const PutAwayList = z.strictObject({
  boards: z.array(z.strictObject({ id: BoardId, name: z.string(), putAwayAt: z.iso.datetime() })),
});
export const SavedPlan = z.strictObject({ revision: Revision, savedAt: z.iso.datetime() });
export const History = z.strictObject({
  revisions: z.array(z.strictObject({ revision: Revision, savedAt: z.iso.datetime(), changes: z.array(z.string()) })),
});
export const CatalogueAnswer = z.strictObject({ catalogue: CatalogueSchema });
/** A picture as it was kept; its bytes are at `/api/pictures/{id}`. */
export const Picture = z.strictObject({
  id: z.uuid(),
  mediaType: z.string(),
  widthPx: z.number().int().min(1),
  heightPx: z.number().int().min(1),
});
export const PictureParams = z.strictObject({ pictureId: z.uuid('expected the id of a picture') });
const offcutSize = z.number().min(1).max(5_000);
/** A piece for the rack, and where it came from: a sheet that a board has cut, or nowhere this program knows of. */
export const NewOffcut = z.strictObject({
  materialId: z
    .string()
    .regex(/^[a-z0-9]+(-[a-z0-9]+)*$/, 'expected the id of a material')
    .max(60),
  thicknessMm: z.number().min(0.1).max(200),
  widthMm: offcutSize,
  depthMm: offcutSize,
  from: z
    .strictObject({
      boardId: BoardId,
      /** As the board's plan knows it. */
      cutSheetId: z.string().regex(/^[A-Za-z0-9_-]{1,40}$/, 'expected the id of a cut sheet'),
      piece: z.number().int().min(1).max(20),
    })
    .nullable(),
});
/** A piece in the rack; `usedBy` is the board that has cut it up. */
export const RackOffcut = NewOffcut.extend({ id: z.uuid(), usedBy: z.uuid().nullable() });
export const Rack = z.strictObject({ offcuts: z.array(RackOffcut) });
export const OffcutParams = z.strictObject({ offcutId: z.uuid('expected the id of an offcut') });
export const Health = z.strictObject({ ok: z.literal(true), database: z.literal('up') });

/** Every error the server answers with. @source RFC 9457 */
export const ProblemDetails = z.object({
  type: z.string(),
  title: z.string(),
  status: z.number().int(),
  detail: z.string(),
  issues: z.array(Issue).optional(),
  /** On a stale save: what is stored now. */
  stored: BoardCard.optional(),
});

export type BoardCard = z.infer<typeof BoardCard>;
export type UnreadableBoard = z.infer<typeof UnreadableBoard>;
export type NewOffcut = z.infer<typeof NewOffcut>;
export type RackOffcut = z.infer<typeof RackOffcut>;
export type ProblemDetails = z.infer<typeof ProblemDetails>;
