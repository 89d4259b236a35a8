import type { Part } from '../../build/cutting/parts';
import type { GluedDown, OnTile } from './fixed-pieces';
import { listedBy } from '../../base/grouping';
import { type BoardStack, jointShares } from '../../build/stack';
import type { Join, Material } from '../../catalogue/schema';
import { memoize } from '../../base/memory';
import { rounded } from '../../base/rounding';
import { type Catalogue, estimated, joinBy, materialBy } from '../../catalogue';
import type { CoatingNeed } from '../../finishing/coats';
import type { Ground, Tile, Zones } from '../ground';
import type { Passage, Plan, Table } from '../../plan';
import { curedGlue } from '../../build/stack/adhesives';
import { type Figure, given, massOf, calculate, total } from '../../base/units';

/** One tile as it is carried and stored. */
export interface TileBuild {
  readonly tileId: string;
  readonly mass: Figure<'g'>;
  /** Underside to the highest of what is fixed: ground, and pieces that are glued down. */
  readonly tall: Figure<'mm'>;
  readonly widthMm: number;
  readonly depthMm: number;
  /** From corner to corner: the longest thing to get round a bend in the stairs. */
  readonly carry: Figure<'mm'>;
  readonly fittings: readonly Fitting[];
}
/** Whether a tile goes through a door, or into a place, and how many of its like lie there flat. */
export interface Fitting {
  readonly passage: Passage;
  readonly fits: boolean;
  /** How many lie in it one on another; null for a door. */
  readonly stacked: number | null;
}

/** Air and paper between stored tiles, mm. */
const BETWEEN_MM = 3;

interface TileInputs {
  readonly table: Table;
  readonly layers: Plan['stack'];
  readonly ground: Ground;
  readonly zones: Zones;
  readonly stack: BoardStack;
  readonly parts: readonly Part[];
  readonly coatings: readonly CoatingNeed[];
  readonly fixed: readonly (GluedDown & OnTile)[];
  readonly catalogue: Catalogue;
}

/** What each tile weighs and measures, and where it goes. */
export function tileBuilds({
  table,
  layers,
  ground,
  zones,
  stack,
  parts,
  coatings,
  fixed: fixedAll,
  catalogue,
}: TileInputs): readonly TileBuild[] {
  const coatedMm2 = zones.byTile.reduce((sum, zone) => sum + zone.coatedMm2, 0);
  const dry = total(
    'Coats, dry, on the whole board',
    'g',
    coatings.map(({ dryMass }) => dryMass),
  );
  const cured = stack.joints.map((joint) => curedGlue(joint, catalogue));
  const join = joinBy(catalogue, table.join.methodId);
  const byTile = listedBy(parts, ({ workpieceId }) => workpieceId);
  const shares = jointShares({ joints: stack.joints, zones, ground });
  return ground.tiles.map((tile) => {
    const foam = (byTile.get(tile.id) ?? []).map((part) => massThatStays(part, materialBy(catalogue, part.materialId)));
    const own = (zones.onTile.get(tile.id) ?? []).reduce((sum, zone) => sum + zone.coatedMm2, 0);
    const share = given(`${tile.id}: share of the coated area`, coatedMm2 === 0 ? 0 : own / coatedMm2, '1', 'drawing');
    const glued = stack.joints.flatMap((joint, i) => {
      const onTile = shares(joint, tile.id);
      const here = given(`${joint.label}: share on ${tile.id}`, onTile, '1', 'drawing', 'by its area');
      return onTile === 0 ? [] : [calculate(`${joint.label}, on ${tile.id}`, 'g', cured[i]!, '×', here)];
    });
    const fixings = fixingsOn(tile, table, join.perEdge, join.perTile);
    const standing = fixedAll.filter(({ tileId }) => tileId === tile.id);
    const fitted = calculate(
      'Connectors',
      'g',
      given(`${tile.id}, fixings`, fixings, '1', 'layout'),
      '×',
      given(`${join.name}, each`, join.massG, 'g', 'catalogue'),
    );
    const mass = total(`${tile.id}, mass`, 'g', [
      ...foam,
      total(`${tile.id}, adhesives`, 'g', glued),
      calculate(`${tile.id}, coats`, 'g', dry, '×', share),
      fitted,
      ...standing.map(({ name, mass: own }) => ({ ...own, label: `${name}, glued down` })),
    ]);
    const tall = tallOf(tile, { layers, ground, stack, standing });
    const [widthMm, depthMm] = [tile.box.right - tile.box.left, tile.box.bottom - tile.box.top];
    return {
      tileId: tile.id,
      mass,
      tall,
      widthMm,
      depthMm,
      carry: given(
        `${tile.id}, corner to corner`,
        Math.hypot(widthMm, depthMm),
        'mm',
        'drawing',
        `√(${round(widthMm)}² + ${round(depthMm)}²)`,
      ),
      fittings: table.passages.map((passage) => fitting(passage, widthMm, depthMm, tall.value)),
    };
  });
}

/** Fixings on one tile: on every side that meets another tile, and what it takes whatever its sides. */
export function fixingsOn(tile: Tile, table: Pick<Table, 'columnWidthsMm' | 'rowDepthsMm'>, perEdge: number, perTile: number): number {
  const { column, row } = tile;
  const inner =
    Number(column > 0) + Number(column < table.columnWidthsMm.length - 1) + Number(row > 0) + Number(row < table.rowDepthsMm.length - 1);
  return inner * perEdge + perTile;
}

interface FixingInputs {
  readonly table: Pick<Table, 'columnWidthsMm' | 'rowDepthsMm' | 'join'>;
  readonly tiles: readonly Tile[];
  readonly catalogue: Catalogue;
}
/** What joins the tiles, and how many of it. */
export interface Fixings {
  readonly join: Join;
  readonly count: Figure<'1'>;
}

/** All fixings of the board; none where tiles lie loose. */
export function fixingsFor({ table, tiles, catalogue }: FixingInputs): Fixings | null {
  const join = joinBy(catalogue, table.join.methodId);
  const count = tiles.reduce((sum, tile) => sum + fixingsOn(tile, table, join.perEdge, join.perTile), 0);
  if (count === 0) return null;
  const note = `${join.perEdge} on each side that meets another tile, ${join.perTile} a tile`;
  return { join, count: given(join.name, count, '1', 'layout', note) };
}

const massThatStays = memoize((part: Part, material: Material): Figure<'g'> => {
  const face = given(`${part.name}, face`, part.staysMm2, 'mm²', 'drawing');
  const volume = calculate(`${part.name}, volume`, 'mm³', face, '×', given(`${part.name}, thickness`, part.thicknessMm, 'mm', 'plan'));
  return massOf(part.name, volume, estimated(`${material.name}, density`, material.densityKgPerM3, 'kg/m³'));
});

interface Built extends Pick<TileInputs, 'layers' | 'ground' | 'stack'> {
  readonly standing: readonly (GluedDown & OnTile)[];
}
function tallOf(tile: Tile, { layers, ground, stack, standing }: Built): Figure<'mm'> {
  const substrate = given('Substrate', layers.substrate?.thicknessMm ?? 0, 'mm', 'plan');
  const highest = Math.max(0, ...ground.onTile.get(tile.id)!.map(({ land }) => (land.role === 'mass' ? land.levelMm : 0)));
  // A piece stands on the ground of its plot; what is highest, foam or the top of a piece, counts.
  const footMm = ({ featureId }: GluedDown): number => ground.lands.find(({ feature }) => feature.id === featureId)?.baseMm ?? 0;
  const tops = standing.map((piece) => ({ piece, topMm: footMm(piece) + piece.high.value }));
  const top = tops.reduce<(typeof tops)[number] | null>((best, own) => (own.topMm > (best?.topMm ?? highest) ? own : best), null);
  const raised =
    top === null
      ? given(`${tile.id}: highest point above ground`, highest, 'mm', 'plan')
      : total(`${tile.id}: highest point above ground`, 'mm', [
          given(`Under ${top.piece.name}`, footMm(top.piece), 'mm', 'plan'),
          top.piece.high,
        ]);
  const { battens } = layers;
  const more = [
    ...(battens === null ? [] : [given('Battens under it', battens.heightMm, 'mm', 'plan')]),
    ...(stack.facings.length === 0
      ? []
      : [given('Thickest covering', Math.max(...stack.facings.map(({ thickMm }) => thickMm)), 'mm', 'plan')]),
  ];
  return total(`${tile.id}, height`, 'mm', [...more, substrate, stack.ground, raised]);
}

/** A slab through an opening or into a box: sizes sorted, each against its own. Tilted ways through a door are not tried. */
function fitting(passage: Passage, widthMm: number, depthMm: number, tallMm: number): Fitting {
  const slab = [widthMm, depthMm, tallMm].sort((a, b) => a - b);
  if (passage.depthMm === null) {
    const opening = [passage.widthMm, passage.heightMm].sort((a, b) => a - b);
    return { passage, fits: slab[0]! <= opening[0]! && slab[1]! <= opening[1]!, stacked: null };
  }
  const room = [passage.widthMm, passage.heightMm, passage.depthMm].sort((a, b) => a - b);
  const floor = [passage.widthMm, passage.depthMm].sort((a, b) => a - b);
  const liesFlat = Math.min(widthMm, depthMm) <= floor[0]! && Math.max(widthMm, depthMm) <= floor[1]!;
  const stacked = liesFlat ? Math.floor((passage.heightMm + BETWEEN_MM) / (tallMm + BETWEEN_MM)) : 0;
  return { passage, fits: slab.every((mm, i) => mm <= room[i]!), stacked };
}

const round = (mm: number): number => rounded(mm, 1);

/** Height of all tiles of a board stored one on another. */
export function storedHeight({ tiles: builds }: { readonly tiles: readonly TileBuild[] }): Figure<'mm'> {
  const gaps = given(
    'Air between tiles',
    BETWEEN_MM * Math.max(0, builds.length - 1),
    'mm',
    'definition',
    `${BETWEEN_MM} mm between each two`,
  );
  return total('Stacked height', 'mm', [...builds.map(({ tall }) => tall), gaps]);
}
