import { z } from 'zod';
import { CatalogueSchema } from '../catalogue/schema';
import { Id, said, text } from '../fields';
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
/** A board in the list: its plan is asked for by itself. */
export const BoardEntry = z.strictObject({ id: BoardId, name: z.string(), revision: Revision, savedAt: z.iso.datetime() });
/** A board whose stored plan no longer is one: named and kept, so that the others can still be listed. */
export const UnreadableBoard = z.strictObject({ id: BoardId, name: z.string(), issues: z.array(Issue) });
export const BoardList = z.strictObject({ boards: z.array(BoardEntry), unreadable: z.array(UnreadableBoard) });
/** Boards put away, by name and when: seen to be brought back. */
export const PutAwayList = z.strictObject({
  boards: z.array(z.strictObject({ id: BoardId, name: z.string(), putAwayAt: z.iso.datetime() })),
});
export const SavedPlan = z.strictObject({ revision: Revision, savedAt: z.iso.datetime() });
export const History = z.strictObject({
  revisions: z.array(
    z.strictObject({
      revision: Revision,
      savedAt: z.iso.datetime(),
      changes: z.array(z.string()),
      /** Who saved it, where people sign in. */
      by: z.string().nullable(),
      /** What the builder called it: a version with a name is never thinned out. */
      title: z.string().nullable(),
    }),
  ),
});
/** A name for a revision; null takes it away. */
export const RevisionTitle = z.strictObject({ title: text(80).nullable() });
export const CatalogueAnswer = z.strictObject({ catalogue: CatalogueSchema });
/** A file as it may be sent: a photo straight from a phone. */
export const MAX_PICTURE_MB = 12;
/** All pictures of all boards together. */
export const MAX_PICTURES_MB = 300;
/** A larger picture is made smaller: this many pixels along its longer side are finer than a table is drawn. */
export const MAX_PICTURE_PX = 3_000;
/** A picture as it was kept; its bytes are at `/api/pictures/{id}`. */
export const Picture = z.strictObject({
  id: z.uuid(),
  mediaType: z.string(),
  widthPx: z.number().int().min(1),
  heightPx: z.number().int().min(1),
});
/** Every picture there is, the newest first, each with the boards that show it today; one in no list may still stand in an earlier version. */
export const PictureList = z.strictObject({
  pictures: z.array(
    Picture.extend({
      bytes: z.number().int(),
      keptAt: z.iso.datetime(),
      usedBy: z.array(z.strictObject({ id: BoardId, name: z.string() })),
      isInHistory: z.boolean(),
    }),
  ),
  bytes: z.number().int(),
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

const person = text(40);
export const SignIn = z.strictObject({
  person,
  passphrase: z
    .string({ error: ({ input }) => (input === undefined ? 'is missing' : `got ${said(typeof input)}; a text would do`) })
    .max(200),
});
/** Who is asking: on this machine alone nobody signs in. */
export const Session = z.strictObject({ signIn: z.enum(['none', 'wanted', 'done']), person: z.string().nullable() });
/** Where this server can be reached from: beyond this machine only where it was started so. */
export const Reach = z.strictObject({
  addresses: z.array(z.url()),
  /** SHA-256 of the certificate, as browsers show it; null without one of our own making. */
  fingerprint: z.string().nullable(),
});

/** What a page that has a board open is told of others. */
export const LiveEvent = z.discriminatedUnion('kind', [
  /** The board as it stands: told at first, and after every save, tick or other change of it. */
  z.strictObject({ kind: z.literal('at'), revision: Revision, by: z.string().nullable(), what: z.enum(['plan', 'record', 'now']) }),
  /** Who else has it open. */
  z.strictObject({
    kind: z.literal('here'),
    others: z.array(z.strictObject({ person: z.string().nullable(), device: z.enum(['desk', 'phone']) })),
  }),
  /** The board was put away. */
  z.strictObject({ kind: z.literal('away') }),
]);
export const LiveQuery = z.strictObject({ tab: Id });

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
export type BoardEntry = z.infer<typeof BoardEntry>;
export type UnreadableBoard = z.infer<typeof UnreadableBoard>;
export type NewOffcut = z.infer<typeof NewOffcut>;
export type RackOffcut = z.infer<typeof RackOffcut>;
export type LiveEvent = z.infer<typeof LiveEvent>;
export type Reach = z.infer<typeof Reach>;
export type Session = z.infer<typeof Session>;
export type ProblemDetails = z.infer<typeof ProblemDetails>;
