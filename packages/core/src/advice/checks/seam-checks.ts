import { memoize } from '../../base/memory';
import type { Ground, Land, Tile, TileLand } from '../../terrain/ground';
import { listedBy } from '../../base/grouping';
import { type Feature, kindOf } from '../../plan/features';
import { tidyMm } from '../../base/rounding';
import { type Catalogue, type Join, estimated, joinBy } from '../../catalogue';
import { type Box, type Region, areaMm2, clippedTo, isEmpty, regionBox } from '../../base/geometry';
import type { Plan } from '../../plan';
import type { Crossing, Seam, EdgeStretch } from '../../terrain/tiling';
import { type Figure, given, lengthWords } from '../../base/units';
import type { QuickFix, Warning } from './warning';
import { seamMends } from './seam-fixes';

interface Inputs extends Drawn {
  readonly ground: Ground;
  readonly seams: readonly Seam[];
  readonly catalogue: Catalogue;
}
type Drawn = Pick<Plan, 'table' | 'features' | 'units'>;

/** What goes wrong where tiles meet: sides that disagree, pits too near a joint, slivers, fixings that meet a hole. @source craft.md §1 */
export function* seamWarnings(plan: Inputs): Generator<Warning> {
  const { ground, seams, catalogue } = plan;
  const clear = estimated('Minimum foam beside a seam', catalogue.bench.seamClearMm, 'mm');
  for (const seam of seams) {
    for (const crossing of seam.crossings) yield* crossingWarning(seam, crossing, { plan, ground, clear });
    yield* weakEdges(seam, ground, clear, plan.units);
  }
  yield* pocketWarnings(plan, ground, catalogue);
}

type Units = Plan['units'];

const WORDS: Readonly<Record<EdgeStretch['kind'], string>> = {
  open: 'Open ground',
  raised: 'Raised ground',
  route: 'The route',
  pit: 'The pit',
  water: 'The water',
  plot: 'The plot',
  field: 'The field',
  wall: 'The wall',
};
interface Beside {
  readonly plan: Drawn;
  readonly ground: Ground;
  /** Foam that holds beside a joint. */
  readonly clear: Figure<'mm'>;
}

function* crossingWarning(seam: Seam, crossing: Crossing, { plan, ground, clear }: Beside): Generator<Warning> {
  const { fault, first, second, kind } = crossing;
  if (fault === null) return;
  const [one, other] = [featureOf(plan, first), featureOf(plan, second)];
  const ending = one ?? other;
  // Raised ground may well end at a seam.
  if (fault === 'ends' && (ending === null || !kindOf(ending).runsOn)) return;
  // One feature that crosses both tiles cannot disagree with itself: what differs is a neighbour that covers part of it.
  if (fault !== 'ends' && one !== null && one === other) return;
  const names = [...new Set([one?.name, other?.name].filter((name) => name !== undefined))].join(' and ') || WORDS[kind];
  yield {
    id: `seam/${fault} ${crossing.id}`,
    code: `seam/${fault}`,
    severity: 'care',
    featureId: (other ?? one)?.id ?? null,
    title: `Seam ${seam.name}`,
    text: wordsFor(seam, crossing, names),
    mends: seamMends(seam, crossing, { one, other, ground, clear, units: plan.units }),
  };
}

function wordsFor({ first, second }: Seam, crossing: Crossing, names: string): Warning['text'] {
  const size = given('Apart at the seam', crossing.sizeMm, 'mm', 'drawing', 'between the two tiles’ edges');
  switch (crossing.fault) {
    case 'place':
      return [`${names} lie `, size, ` apart where ${first.id} meets ${second.id}.`];
    case 'width':
      return [`${names} differ by `, size, ` in width where ${first.id} meets ${second.id}.`];
    case 'water':
      return [`The water of ${names} stands `, size, ` apart where ${first.id} meets ${second.id}. Water cannot have a step.`];
    case 'level':
      return [`${names} differ by `, size, ` in height where ${first.id} meets ${second.id}.`];
    default:
      return [
        `${names} ends at the seam, `,
        size,
        ` of it, with no matching feature on ${crossing.first === null ? first.id : second.id}.`,
      ];
  }
}

const featureOf = (plan: Drawn, stretch: EdgeStretch | null): Feature | null =>
  plan.features.find(({ id }) => id === stretch?.featureId) ?? null;

/** Pits whose edge runs close beside a joint, and strips of a feature too narrow to hold, on either tile of a seam. */
function* weakEdges(seam: Seam, ground: Ground, clear: Figure<'mm'>, units: Units): Generator<Warning> {
  for (const tile of [seam.first, seam.second])
    for (const tileLand of ground.onTile.get(tile.id)!) {
      const near = besideSeam(seam, tile.id, tileLand);
      if (near === null) continue;
      const { land } = tileLand;
      const isThin = land.role === 'hole' && near.gapMm > 0.01 && near.gapMm < clear.value - 1e-6;
      const isSliver = land.role !== 'mark' && near.gapMm <= 0.01 && near.thickMm < clear.value - 1e-6;
      if ((!isThin && !isSliver) || areaMm2(near.piece) < 1) continue;
      if (isThin) yield pitEdge(near, clear, units);
      if (isSliver && isCutBySeam(land, tile.id, ground)) yield sliver(near, clear, units);
    }
}

/** A piece of a feature beside a seam: how far off it begins, and how far it reaches from the seam. */
interface BesideSeam {
  readonly seam: Seam;
  readonly tileId: string;
  readonly land: Land;
  readonly piece: Region;
  readonly gapMm: number;
  readonly thickMm: number;
}
function besideSeam(seam: Seam, tileId: string, { land, body, shows }: TileLand): BesideSeam | null {
  const piece = body.rings.length > 0 ? body : shows;
  if (piece.rings.length === 0 || land.feature.locked) return null;
  const { left, right, top, bottom } = regionBox(piece);
  const [low, high, seamMm] = seam.along === 'y' ? [left, right, seam.from.x] : [top, bottom, seam.from.y];
  const [near, far] = tileId === seam.first.id ? [high, low] : [low, high];
  return { seam, tileId, land, piece, gapMm: tidyMm(Math.abs(seamMm - near)), thickMm: tidyMm(Math.abs(seamMm - far)) };
}
/** Moves a feature away from its seam, or across it where `byMm` is negative. */
function movedBy({ seam, tileId, land }: BesideSeam, byMm: number, label: string): QuickFix {
  const mm = tidyMm((tileId === seam.first.id ? -1 : 1) * byMm);
  const { along } = seam;
  return { edit: { code: 'feature/move', featureId: land.feature.id, dxMm: along === 'y' ? mm : 0, dyMm: along === 'x' ? mm : 0 }, label };
}

const pitEdge = (near: BesideSeam, clear: Figure<'mm'>, units: Units): Warning => ({
  severity: 'care',
  featureId: near.land.feature.id,
  title: `Seam ${near.seam.name}`,
  id: `seam/pit-edge ${near.seam.id} ${near.tileId} ${near.land.id}`,
  code: 'seam/pit-edge',
  text: [
    `${near.land.name} leaves `,
    given('Foam beside the seam', near.gapMm, 'mm', 'drawing'),
    ` of foam beside the seam on ${near.tileId}; it breaks below `,
    clear,
    '.',
  ],
  mends: [movedBy(near, clear.value - near.gapMm, `Move it ${lengthWords(clear.value - near.gapMm, units)} away`)],
});
const sliver = (near: BesideSeam, clear: Figure<'mm'>, units: Units): Warning => ({
  severity: 'care',
  featureId: near.land.feature.id,
  title: `Seam ${near.seam.name}`,
  id: `seam/sliver ${near.seam.id} ${near.tileId} ${near.land.id}`,
  code: 'seam/sliver',
  text: [
    `${near.land.name} reaches only `,
    given('Strip on the tile', near.thickMm, 'mm', 'drawing'),
    ` onto ${near.tileId}. A strip that thin breaks when handled.`,
  ],
  mends: [
    movedBy(near, -near.thickMm, `Move it ${lengthWords(near.thickMm, units)} off ${near.tileId}`),
    movedBy(near, clear.value - near.thickMm, `Move it ${lengthWords(clear.value - near.thickMm, units)} further across`),
  ],
});

/** A feature that lies on another tile too, so that the seam is what makes the piece small. */
const isCutBySeam = (land: Land, tileId: string, ground: Ground): boolean =>
  (tilesUnder(ground.tileLands).get(land) ?? []).some((other) => other.tileId !== tileId && piecesMm2(other) > 1);
const tilesUnder = memoize((tileLands: readonly TileLand[]) => listedBy(tileLands, ({ land }) => land));
const piecesMm2 = memoize(({ body, shows }: TileLand): number => areaMm2(body.rings.length > 0 ? body : shows));

/** Pockets for fixings deeper than the rim is thick, or run into by a hole beside the edge. */
function* pocketWarnings(plan: Drawn, ground: Ground, catalogue: Catalogue): Generator<Warning> {
  const { rim, join: chosen } = plan.table;
  const join = joinBy(catalogue, chosen.methodId);
  if (join.perEdge === 0) return;
  const shallow = catalogue.joins.find((other) => other.perEdge > 0 && other.pocketDepthMm === 0);
  const without: QuickFix[] = catalogue.joins
    .filter(({ perEdge }) => perEdge === 0)
    .slice(0, 1)
    .map((other) => ({ edit: { code: 'join/method', methodId: other.id }, label: other.name }));
  const mends: QuickFix[] = [
    ...(shallow === undefined
      ? []
      : [{ edit: { code: 'join/method' as const, methodId: shallow.id }, label: `Use ${shallow.name.toLowerCase()}` }]),
    ...without,
  ];
  const shortest = Math.min(...plan.table.columnWidthsMm, ...plan.table.rowDepthsMm) / 2 - join.pocketWidthMm;
  const common = { severity: 'care', featureId: null, title: join.name } as const;
  if (chosen.offsetMm > shortest) {
    yield {
      ...common,
      id: 'join/off-edge',
      code: 'join/off-edge',
      text: [
        'sit ',
        given('From the middle of an edge', chosen.offsetMm, 'mm', 'plan'),
        ' from the middle of an edge, but the shortest edge has room for ',
        given('Room either side', shortest, 'mm', 'drawing'),
        '.',
      ],
      mends: [
        {
          edit: { code: 'join/offset', offsetMm: Math.max(10, Math.floor(shortest)) },
          label: `Set them ${lengthWords(Math.max(10, Math.floor(shortest)), plan.units)} from the middle`,
        },
        ...without,
      ],
    };
  }
  if (rim !== null && join.pocketDepthMm > rim.thicknessMm) {
    yield {
      ...common,
      id: 'join/pocket-through-rim',
      code: 'join/pocket-through-rim',
      text: [
        'need a pocket of ',
        given('Pocket', join.pocketDepthMm, 'mm', 'catalogue'),
        '; the rim is only ',
        given('Rim', rim.thicknessMm, 'mm', 'plan'),
        ' thick.',
      ],
      mends,
    };
  }
  yield* metPockets(plan, ground, join, mends);
}

/** A pit or a cable groove where a pocket is to be cut. */
function* metPockets(plan: Drawn, ground: Ground, join: Join, mends: readonly QuickFix[]): Generator<Warning> {
  const obstacles = ground.lands.filter(({ role, feature, whole }) => (role === 'hole' || kindOf(feature).isGroove) && !isEmpty(whole));
  for (const tile of ground.tiles) {
    for (const pocket of pocketsOf(tile, plan, join)) {
      const hit = obstacles.find(({ whole }) => !isEmpty(clippedTo(whole, pocket)));
      if (hit === undefined) continue;
      yield {
        id: `join/pocket-in-hole ${tile.id} ${hit.id}`,
        code: 'join/pocket-in-hole',
        severity: 'care',
        featureId: hit.feature.id,
        title: join.name,
        text: [`on ${tile.id} would run into ${hit.name}. There is no foam for their pocket.`],
        mends,
      };
      break;
    }
  }
}

/** Where fixings sit on a tile: either side of the middle of each side that meets another tile. */
function pocketsOf({ box, column, row }: Tile, { table }: Drawn, join: Join): Box[] {
  const half = join.pocketWidthMm / 2;
  const deep = Math.max(join.pocketDepthMm, 1) + (table.rim?.thicknessMm ?? 0);
  const [midX, midY] = [(box.left + box.right) / 2, (box.top + box.bottom) / 2];
  const outs = join.perEdge === 1 ? [0] : [-table.join.offsetMm, table.join.offsetMm];
  const upright = (left: number, right: number): Box[] =>
    outs.map((by) => ({ left, right, top: midY + by - half, bottom: midY + by + half }));
  const level = (top: number, bottom: number): Box[] =>
    outs.map((by) => ({ top, bottom, left: midX + by - half, right: midX + by + half }));
  return [
    ...(column > 0 ? upright(box.left, box.left + deep) : []),
    ...(column < table.columnWidthsMm.length - 1 ? upright(box.right - deep, box.right) : []),
    ...(row > 0 ? level(box.top, box.top + deep) : []),
    ...(row < table.rowDepthsMm.length - 1 ? level(box.bottom - deep, box.bottom) : []),
  ];
}
