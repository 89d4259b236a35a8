import { z } from 'zod';
import { Id, freeText, text } from '../../plan/fields';
import type { BoardSummary } from '../../plan/summary';
import { PlanSchema } from '../../plan/schema';
import { RecordSchema } from '../../plan/workshop';

/** What goes over the wire of boards, for both ends. */

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
const Changes = z.array(freeText(MAX_CHANGE_LETTERS)).max(MAX_CHANGES);
export const SavePlan = z.strictObject({ revision: Revision, plan: z.unknown(), changes: Changes.default([]) });

const Issue = z.strictObject({ path: z.string(), message: z.string() });

export const BoardCard = z.strictObject({
  id: BoardId,
  revision: Revision,
  savedAt: z.iso.datetime(),
  plan: PlanSchema,
  record: RecordSchema,
});
/** A board in the list, made and checked by the server: its plan is asked for by itself. */
const Summary = z.custom<BoardSummary>((given) => typeof given === 'object' && given !== null && 'areas' in given);
export const BoardEntry = z.strictObject({
  id: BoardId,
  name: z.string(),
  revision: Revision,
  savedAt: z.iso.datetime(),
  /** What its card shows of its plan. */
  summary: Summary,
  /** Tasks and sheets ticked off. */
  doneTasks: z.number().int(),
  cutSheets: z.number().int(),
});
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
/** The catalogue was checked when the server loaded it, and no page brings its whole schema along to do it again. */
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
export type BoardEntry = z.infer<typeof BoardEntry>;
export type UnreadableBoard = z.infer<typeof UnreadableBoard>;
export type ProblemDetails = z.infer<typeof ProblemDetails>;
