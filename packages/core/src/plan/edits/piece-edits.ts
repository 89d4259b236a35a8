import type { Piece, Plan, PlanDraft } from '../plan';
import { edit } from './edit-definition';

const nameIn = ({ pieces }: Plan, pieceId: string): string => pieces.find(({ id }) => id === pieceId)?.name ?? 'a piece';
const pieceIn = ({ pieces }: PlanDraft, pieceId: string): PlanDraft['pieces'][number] | undefined =>
  pieces.find(({ id }) => id === pieceId);
const drawn = (piece: Piece): PlanDraft['pieces'][number] => ({
  ...piece,
  settings: { ...piece.settings },
  sheets: piece.sheets.map((sheet) => ({ ...sheet })),
  lengths: piece.lengths.map((length) => ({ ...length })),
  cladding: piece.cladding.map((clad) => ({ ...clad })),
  coats: piece.coats.map((coat) => ({
    ...coat,
    tint: coat.tint.map((part) => ({ ...part })),
    strewn: coat.strewn === null ? null : { ...coat.strewn },
  })),
  faces: piece.faces.map((face) => ({ ...face })),
});

/** Changes to the pieces that stand on the table or beside it. */
export const pieceEdits = {
  'pieces/add': edit<{ readonly pieces: readonly Piece[]; readonly why: string }>(
    ({ why }) => why,
    ({ plan }, { pieces }) => void plan.pieces.push(...pieces.map(drawn)),
  ),
  /** Plots they stood on are kept, and empty. */
  'pieces/remove': edit<{ readonly pieceIds: readonly string[] }>(
    ({ pieceIds }, plan) => `Remove ${pieceIds.length === 1 ? nameIn(plan, pieceIds[0]!) : `${pieceIds.length} pieces`}`,
    ({ plan }, { pieceIds }) => {
      plan.pieces = plan.pieces.filter(({ id }) => !pieceIds.includes(id));
      for (const feature of plan.features)
        if ('pieceId' in feature && feature.pieceId !== null && pieceIds.includes(feature.pieceId)) feature.pieceId = null;
    },
  ),
  /** What its family asks for, by its own names; the family says what they may be. */
  'piece/set': edit<{ readonly pieceId: string; readonly change: Piece['settings']; readonly what: string }>(
    ({ pieceId, what }, plan) => `${what} ${nameIn(plan, pieceId)}`,
    ({ plan }, { pieceId, change }) => {
      const piece = pieceIn(plan, pieceId);
      if (piece !== undefined) Object.assign(piece.settings, change);
    },
  ),
  'piece/change': edit<{
    readonly pieceId: string;
    readonly change: Partial<Pick<Piece, 'name' | 'count' | 'glueId' | 'coats' | 'castingId' | 'isMadeElsewhere' | 'isFixed'>>;
    readonly what: string;
  }>(
    ({ pieceId, what }, plan) => `${what} ${nameIn(plan, pieceId)}`,
    ({ plan }, { pieceId, change }) => {
      const piece = pieceIn(plan, pieceId);
      if (piece !== undefined) Object.assign(piece, change);
    },
  ),
  'piece/sheet': edit<{ readonly pieceId: string } & Piece['sheets'][number]>(
    ({ pieceId }, plan) => `Change the sheets of ${nameIn(plan, pieceId)}`,
    ({ plan }, { pieceId, role, materialId, thicknessMm }) => {
      const piece = pieceIn(plan, pieceId);
      if (piece !== undefined) piece.sheets = [...piece.sheets.filter((one) => one.role !== role), { role, materialId, thicknessMm }];
    },
  ),
  /** Clads a surface, or leaves it bare. */
  'piece/clad': edit<{
    readonly pieceId: string;
    readonly shows: string;
    readonly what: string;
    readonly clad: Omit<Piece['cladding'][number], 'shows'> | null;
  }>(
    ({ pieceId, what, clad }, plan) => `${clad === null ? 'Leave bare' : 'Clad'} ${what} of ${nameIn(plan, pieceId)}`,
    ({ plan }, { pieceId, shows, clad }) => {
      const piece = pieceIn(plan, pieceId);
      if (piece === undefined) return;
      piece.cladding = [...piece.cladding.filter((one) => one.shows !== shows), ...(clad === null ? [] : [{ shows, ...clad }])];
    },
  ),
  'piece/length': edit<{ readonly pieceId: string } & Piece['lengths'][number]>(
    ({ pieceId }, plan) => `Change the strips of ${nameIn(plan, pieceId)}`,
    ({ plan }, { pieceId, role, lengthId }) => {
      const piece = pieceIn(plan, pieceId);
      if (piece !== undefined) piece.lengths = [...piece.lengths.filter((one) => one.role !== role), { role, lengthId }];
    },
  ),
};
