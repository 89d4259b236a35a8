import { upsertById } from '../../base/grouping';
import type { GroundKind } from '../surfaces';
import type { Coat, OwnPaint, Plan, PlanDraft, Surface, TestPiece } from '../plan';
import { edit } from './edit-definition';

type SurfaceDraft = PlanDraft['surfaces'][number];
const surfaceIn = ({ surfaces }: PlanDraft, surfaceId: string): SurfaceDraft | undefined => surfaces.find(({ id }) => id === surfaceId);
const nameIn = ({ surfaces }: Plan, surfaceId: string): string => surfaces.find(({ id }) => id === surfaceId)?.name ?? 'a surface';
const drawnCoat = (coat: Coat): SurfaceDraft['coats'][number] => ({
  ...coat,
  tint: coat.tint.map((part) => ({ ...part })),
  strewn: coat.strewn === null ? null : { ...coat.strewn },
});
const drawnLaid = (laid: Surface['laid']): SurfaceDraft['laid'] =>
  laid === null ? null : { ...laid, at: { ...laid.at }, tints: laid.tints.map((tint) => ({ ...tint })) };
const drawn = (surface: Surface): SurfaceDraft => ({ ...surface, laid: drawnLaid(surface.laid), coats: surface.coats.map(drawnCoat) });
const drawnTest = (one: TestPiece): PlanDraft['testPieces'][number] => ({ ...one, coats: one.coats.map(drawnCoat) });

/** Changes to what ground and pieces wear: surfaces, their coats, paints and test pieces. */
export const surfaceEdits = {
  'surface/add': edit<{ readonly surface: Surface }>(
    ({ surface }) => `Add ${surface.name}`,
    ({ plan }, { surface }) => {
      if (surfaceIn(plan, surface.id) === undefined) plan.surfaces.push(drawn(surface));
    },
  ),
  /** What wore it wears the usual again; a surface that a kind of ground wears stays. */
  'surface/remove': edit<{ readonly surfaceId: string }>(
    ({ surfaceId }, plan) => `Remove ${nameIn(plan, surfaceId)}`,
    ({ plan }, { surfaceId }) => {
      if (Object.values(plan.wears).includes(surfaceId)) return;
      plan.surfaces = plan.surfaces.filter(({ id }) => id !== surfaceId);
      for (const feature of plan.features) if (feature.surfaceId === surfaceId) feature.surfaceId = null;
      for (const piece of plan.pieces) {
        if (piece.surfaceId === surfaceId) piece.surfaceId = null;
        piece.faces = piece.faces.filter((face) => face.surfaceId !== surfaceId);
      }
    },
  ),
  'surface/change': edit<{
    readonly surfaceId: string;
    readonly change: Partial<Pick<Surface, 'name' | 'relief' | 'laid'>>;
    readonly what: string;
  }>(
    ({ what, surfaceId }, plan) => `${what} ${nameIn(plan, surfaceId)}`,
    ({ plan }, { surfaceId, change }) => {
      const surface = surfaceIn(plan, surfaceId);
      if (surface === undefined) return;
      const { laid, ...rest } = change;
      Object.assign(surface, rest);
      if (laid !== undefined) surface.laid = drawnLaid(laid);
    },
  ),
  'surface/wear': edit<{ readonly groundKind: GroundKind; readonly surfaceId: string }>(
    ({ surfaceId }, plan) => `Apply ${nameIn(plan, surfaceId)}`,
    ({ plan }, { groundKind, surfaceId }) => {
      if (surfaceIn(plan, surfaceId) !== undefined) plan.wears[groundKind] = surfaceId;
    },
  ),
  /** A face of a piece, or with no face named all the rest of its outside. */
  'piece/wear': edit<{ readonly pieceId: string; readonly shows: string | null; readonly surfaceId: string | null }>(
    ({ pieceId }, { pieces }) => `Change the finish of ${pieces.find(({ id }) => id === pieceId)?.name ?? 'a piece'}`,
    ({ plan }, { pieceId, shows, surfaceId }) => {
      const piece = plan.pieces.find(({ id }) => id === pieceId);
      if (piece === undefined) return;
      if (shows === null) piece.surfaceId = surfaceId;
      else piece.faces = [...piece.faces.filter((face) => face.shows !== shows), ...(surfaceId === null ? [] : [{ shows, surfaceId }])];
    },
  ),
  'coats/set': edit<{ readonly surfaceId: string; readonly coats: readonly Coat[] }>(
    ({ surfaceId }, plan) => `Change the coats of ${nameIn(plan, surfaceId)}`,
    ({ plan }, { surfaceId, coats }) => {
      const surface = surfaceIn(plan, surfaceId);
      if (surface !== undefined) surface.coats = coats.map(drawnCoat);
    },
  ),
  'coats/order': edit<{ readonly surfaceId: string; readonly coatIds: readonly string[] }>(
    ({ surfaceId }, plan) => `Sort the coats of ${nameIn(plan, surfaceId)}`,
    ({ plan }, { surfaceId, coatIds }) =>
      void surfaceIn(plan, surfaceId)?.coats.sort((a, b) => coatIds.indexOf(a.id) - coatIds.indexOf(b.id)),
  ),
  /** A coat laid on before another, or last of all. */
  'coats/insert': edit<{ readonly surfaceId: string; readonly coat: Coat; readonly beforeId: string | null }>(
    ({ surfaceId }, plan) => `Add a coat to ${nameIn(plan, surfaceId)}`,
    ({ plan }, { surfaceId, coat, beforeId }) => {
      const surface = surfaceIn(plan, surfaceId);
      if (surface === undefined) return;
      surface.coats = surface.coats.filter(({ id }) => id !== coat.id);
      const at = surface.coats.findIndex(({ id }) => id === beforeId);
      surface.coats.splice(at < 0 ? surface.coats.length : at, 0, drawnCoat(coat));
    },
  ),
  'coats/remove': edit<{ readonly surfaceId: string; readonly coatId: string }>(
    ({ surfaceId }, plan) => `Remove a coat of ${nameIn(plan, surfaceId)}`,
    ({ plan }, { surfaceId, coatId }) => {
      const surface = surfaceIn(plan, surfaceId);
      if (surface !== undefined) surface.coats = surface.coats.filter(({ id }) => id !== coatId);
    },
  ),
  'coat/change': edit<{
    readonly surfaceId: string;
    readonly coatId: string;
    readonly change: Partial<Omit<Coat, 'id'>>;
    readonly what: string;
  }>(
    ({ what, surfaceId }, plan) => `${what}, ${nameIn(plan, surfaceId)}`,
    ({ plan }, { surfaceId, coatId, change }) => {
      const coat = surfaceIn(plan, surfaceId)?.coats.find(({ id }) => id === coatId);
      if (coat !== undefined) Object.assign(coat, drawnCoat({ ...(coat as Coat), ...change }));
    },
  ),
  'paint/keep': edit<{ readonly paint: OwnPaint }>(
    ({ paint }) => `Save the paint ${paint.name}`,
    ({ plan }, { paint }) => void (plan.paints = upsertById(plan.paints, { ...paint })),
  ),
  /** Coats that were tinted with it go without. */
  'paint/remove': edit<{ readonly paintId: string }>('Archive a paint', ({ plan }, { paintId }) => {
    plan.paints = plan.paints.filter(({ id }) => id !== paintId);
    const lists = [...plan.surfaces, ...plan.pieces, ...plan.testPieces].map(({ coats }) => coats);
    for (const coats of lists) for (const coat of coats) coat.tint = coat.tint.filter((part) => part.paintId !== paintId);
    for (const { laid } of plan.surfaces) if (laid !== null) laid.tints = laid.tints.filter((part) => part.paintId !== paintId);
  }),
  'test-piece/keep': edit<{ readonly testPiece: TestPiece }>(
    ({ testPiece }) => `Save the test piece ${testPiece.name}`,
    ({ plan }, { testPiece }) => void (plan.testPieces = upsertById(plan.testPieces, drawnTest(testPiece))),
  ),
  'test-piece/remove': edit<{ readonly testPieceId: string }>(
    'Delete a test piece',
    ({ plan }, { testPieceId }) => void (plan.testPieces = plan.testPieces.filter(({ id }) => id !== testPieceId)),
  ),
};
