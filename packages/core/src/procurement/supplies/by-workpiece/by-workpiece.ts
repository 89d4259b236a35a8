import { listedBy } from '../../../base/grouping';
import { type Figure, type Unit, given, calculate, total } from '../../../base/units';
import { type Catalogue, adhesiveBy, joinBy } from '../../../catalogue';
import type { CoatNeed, PieceSurface, SealNeed } from '../../../finishing/coats';
import type { CutJob } from '../../../build/cutting/job';
import { kindOf } from '../../../plan/features';
import { type Ground, type SurfaceAreas, type Zones, tileShare } from '../../../terrain/ground';
import { partsOf } from '../../../finishing/mixes/ingredients';
import type { FixedPiece, MadePiece } from '../../../build/pieces';
import type { Plan } from '../../../plan';
import { shapePoints } from '../../../plan/shapes';
import { jointShares } from '../../../build/stack';
import { glueMass } from '../../../build/stack/adhesives';
import type { Joint } from '../../../build/stack/joint';
import { fixingsOn } from '../../../terrain/tiling';
import type { Supplies, Supply } from '../supplies';

/** What one workpiece takes of one thing. */
export interface WorkpieceNeed {
  readonly supplyId: string;
  readonly group: Supply['group'];
  readonly name: string;
  readonly need: Figure;
  /** Its share of the money that goes in. */
  readonly used: Figure<'money'>;
}
/** What goes into one tile, one piece with all its copies, or the board as a whole. */
export interface WorkpieceNeeds {
  /** Null for what belongs to no tile and no piece. */
  readonly workpieceId: string | null;
  readonly name: string;
  readonly rows: readonly WorkpieceNeed[];
  readonly used: Figure<'money'>;
}

interface Inputs {
  readonly plan: Pick<Plan, 'table' | 'features' | 'pieces'>;
  readonly supplies: Supplies;
  readonly jobs: readonly CutJob[];
  readonly ground: Ground;
  readonly zones: Zones;
  readonly areas: SurfaceAreas;
  readonly joints: readonly Joint[];
  readonly groundCoats: readonly CoatNeed[];
  readonly pieceCoats: readonly CoatNeed[];
  readonly sealing: SealNeed | null;
  readonly made: readonly MadePiece[];
  readonly pieceSurfaces: readonly PieceSurface[];
  readonly fixed: readonly FixedPiece[];
  readonly catalogue: Catalogue;
}

/** How much of a supply goes where: in whatever it is weighed, only the shares count. */
class Weights {
  private readonly bySupply = new Map<string, Map<string, number>>();
  add(supplyId: string, workpieceId: string, weight: number): void {
    const own = this.bySupply.get(supplyId) ?? new Map<string, number>();
    own.set(workpieceId, (own.get(workpieceId) ?? 0) + weight);
    this.bySupply.set(supplyId, own);
  }
  /** @returns shares that add up to 1; none where nobody weighed it */
  shares(supplyId: string): readonly (readonly [workpieceId: string, share: number])[] {
    const own = [...(this.bySupply.get(supplyId) ?? [])].filter(([, weight]) => weight > 0);
    const all = own.reduce((sum, [, weight]) => sum + weight, 0);
    return own.map(([id, weight]) => [id, weight / all]);
  }
}

/** What is bought, shared out over what it goes into: parts by their area, glue by the faces, coats by the surface. Shares of one supply add up to all of it. */
export function needsByWorkpiece(inputs: Inputs): readonly WorkpieceNeeds[] {
  const { supplies, ground, plan } = inputs;
  const weights = new Weights();
  weighSheets(weights, inputs);
  weighGlue(weights, inputs);
  weighCoats(weights, inputs);
  weighPieces(weights, inputs);
  weighFittings(weights, inputs);
  const found = supplies.rows.flatMap((row): readonly { readonly workpieceId: string | null; readonly need: WorkpieceNeed }[] => {
    const shares = weights.shares(row.id);
    if (shares.length === 0) return [{ workpieceId: null, need: whole(row) }];
    return shares.map(([workpieceId, share]) => ({ workpieceId, need: shareOf(row, workpieceId, share) }));
  });
  const byPlace = listedBy(found, ({ workpieceId }) => workpieceId);
  const names = new Map<string | null, string>([
    ...ground.tiles.map(({ id }) => [id, `Tile ${id}`] as const),
    ...plan.pieces.map(({ id, name }) => [id, name] as const),
    [null, 'The board as a whole'],
  ]);
  return [...names].flatMap(([workpieceId, name]) => {
    const rows = byPlace.get(workpieceId)?.map(({ need }) => need) ?? [];
    if (rows.length === 0) return [];
    const used = total(
      `${name}, used`,
      'money',
      rows.map((row) => row.used),
    );
    return [{ workpieceId, name, rows, used }];
  });
}

const whole = ({ id, group, name, need, used }: Supply): WorkpieceNeed => ({ supplyId: id, group, name, need, used });
function shareOf({ id, group, name, need, used }: Supply, workpieceId: string, share: number): WorkpieceNeed {
  const part = given(`${name}, share of ${workpieceId}`, share, '1', 'drawing', 'by the share used there');
  return {
    supplyId: id,
    group,
    name,
    need: calculate<Unit>(`${name}, into ${workpieceId}`, need.unit, need, '×', part),
    used: calculate(`${name}, into ${workpieceId}: cost`, 'money', used, '×', part),
  };
}

/** Money for sheets goes with the parts, and what a shop asks for cutting with their edges. */
function weighSheets(weights: Weights, { jobs }: Inputs): void {
  for (const { key, parts } of jobs)
    for (const { workpieceId, areaMm2, cutMm } of parts) {
      weights.add(key, workpieceId, areaMm2);
      weights.add('shop-cuts', workpieceId, cutMm);
    }
}

function weighGlue(weights: Weights, { joints, ground, zones, made, fixed, catalogue }: Inputs): void {
  const shares = jointShares({ joints, zones, ground });
  for (const joint of joints) {
    const mass = glueMass(joint.label, adhesiveBy(catalogue, joint.adhesiveId), joint.area, joint.spread, catalogue).value;
    for (const { id } of ground.tiles) weights.add(joint.adhesiveId, id, mass * shares(joint, id));
  }
  for (const { piece, facts, clads } of madeHere(made)) {
    weights.add(piece.glueId, piece.id, facts?.glue.value ?? 0);
    for (const { way } of clads) if (way.glue !== null) weights.add(way.glue.adhesiveId, piece.id, way.glue.mass.value);
  }
  for (const { pieceId, adhesiveId, glue } of fixed) weights.add(adhesiveId, pieceId, glue.value);
}

/** Coats of the ground by how much of their surface lies on a tile, those of pieces with the piece; what they are mixed of likewise. */
function weighCoats(weights: Weights, { groundCoats, pieceCoats, sealing, areas, ground, pieceSurfaces, catalogue }: Inputs): void {
  const onTiles = listedBy([...areas.onTile.values()].flat(), ({ surfaceId }) => surfaceId);
  const pieceOf = new Map(pieceSurfaces.map(({ surfaceId, pieceId }) => [surfaceId, pieceId]));
  const weigh = ({ coating, volume, amount }: Pick<CoatNeed, 'coating' | 'volume' | 'amount'>, to: string, share: number): void => {
    if (coating.recipe === null || volume.value <= 0) return weights.add(coating.id, to, amount.value * share);
    for (const { stuffId, volume: own } of partsOf(coating, volume, catalogue)) {
      const { adhesiveId, densityGPerMl } = catalogue.stuffs.find(({ id }) => id === stuffId)!;
      // What is mixed in as well as spread is one tub, weighed in grams.
      if (adhesiveId === undefined) weights.add(`stuff ${stuffId}`, to, own.value * share);
      else weights.add(adhesiveId, to, own.value * densityGPerMl.value * share);
    }
  };
  for (const need of groundCoats) {
    const tiles = onTiles.get(need.surfaceId) ?? [];
    const all = tiles.reduce((sum, { coatedMm2 }) => sum + coatedMm2, 0);
    for (const { tileId, coatedMm2 } of tiles) if (all > 0) weigh(need, tileId, coatedMm2 / all);
  }
  for (const need of pieceCoats) weigh(need, pieceOf.get(need.surfaceId)!, 1);
  if (sealing !== null)
    for (const tile of ground.tiles) weights.add(sealing.coating.id, tile.id, sealing.volume.value * tileShare(tile, ground));
}

const madeHere = (made: readonly MadePiece[]): readonly MadePiece[] =>
  made.filter(({ piece, facts }) => facts !== null && !piece.isMadeElsewhere);

function weighPieces(weights: Weights, { made }: Inputs): void {
  for (const { piece, lengths, clads, fills, copying } of madeHere(made)) {
    for (const { lengthId, lengthMm } of lengths) weights.add(lengthId, piece.id, lengthMm);
    for (const { cladding, toBuy, way } of clads) if (way.count > 0) weights.add(cladding.id, piece.id, toBuy.value);
    for (const { fill, volume } of fills) weights.add(fill.id, piece.id, volume.value);
    if (copying?.way == null) continue;
    const { casting, mould, cast } = copying.way;
    weights.add(`casting ${casting.mould.name}`, piece.id, mould.value);
    weights.add(`casting ${casting.cast.name}`, piece.id, cast.value);
  }
}

function weighFittings(weights: Weights, { plan: { table, features }, ground, catalogue }: Inputs): void {
  const { perEdge, perTile } = joinBy(catalogue, table.join.methodId);
  for (const tile of ground.tiles) weights.add('fixings', tile.id, fixingsOn(tile, table, perEdge, perTile));
  for (const feature of features)
    for (const { id, count } of kindOf(feature).bought?.(feature, catalogue) ?? []) {
      // Where its cable begins its battery box sits.
      const [from] = shapePoints(feature.shape);
      const tile = ground.tiles.find(
        ({ box }) => from !== undefined && from.x >= box.left && from.x <= box.right && from.y >= box.top && from.y <= box.bottom,
      );
      if (tile !== undefined) weights.add(id, tile.id, count);
    }
}
