import { type Ground, type Tile, type TileLand, isBowl } from '../../../terrain/ground';
import { type BoardStack, type RaisedStack, type ZoneFacing, goesThrough } from '../../stack';
import { type Box, areaMm2, boxRegion, clippedTo, unite, without } from '../../../base/geometry';
import { listedBy } from '../../../base/grouping';
import { memoize } from '../../../base/memory';
import { type Catalogue, materialBy } from '../../../catalogue';
import { bowlShare } from '../../../plan/features';
import type { Plan, Split } from '../../../plan';
import type { BaseLayer } from '../../stack/joint';
import { GROUND_KIND_NAMES } from '../../../plan/surfaces';
import { cutOut, inPieces } from './cut-out';
import type { Hollow, Part, PartList } from './part';

/** What the parts of a board are cut for. */
export interface PartInputs {
  readonly ground: Pick<Ground, 'tiles' | 'onTile'>;
  readonly stack: Pick<BoardStack, 'base' | 'ground' | 'raised' | 'facings'>;
  readonly rim: Plan['table']['rim'];
  readonly battens: Plan['stack']['battens'];
  readonly crossGrain: boolean;
  /** How much larger all but the lowest layer are cut, where they are trimmed flush later. */
  readonly oversizeMm: number;
  readonly catalogue: Catalogue;
}

/** What is cut for each tile, layer by layer, with pits that go through a layer left out of it; nothing is split yet. */
export function partsOf(inputs: PartInputs): PartList {
  const { ground, stack, rim, battens, crossGrain, oversizeMm, catalogue } = inputs;
  const groundMm = stack.ground.value;
  const raisedBy = new Map(stack.raised.map((raised) => [raised.land, raised]));
  const tiles = ground.tiles.map((tile) => {
    const here = ground.onTile.get(tile.id)!;
    const holes = here.filter(({ land }) => land.role === 'hole');
    const whole = [
      ...baseParts(tile, { base: stack.base, groundMm, oversizeMm, catalogue, holes }),
      ...stripParts(tile, rim, battens),
      ...here.flatMap((tileLand) => {
        const raised = raisedBy.get(tileLand.land);
        return raised === undefined ? [] : raisedParts(tileLand, tile, raised, crossGrain, catalogue);
      }),
      ...stack.facings.flatMap((facing) => facingParts(tile, { facing, here, catalogue })),
    ];
    return { parts: whole, hollows: holes.flatMap((hole) => hollowIn(hole, stack.base, groundMm)) };
  });
  return { parts: tiles.flatMap(({ parts }) => parts), hollows: tiles.flatMap(({ hollows }) => hollows) };
}
const split = memoize(inPieces);
/** Parts with those that are split in their pieces. */
export function asSplit(parts: readonly Part[], splits: readonly Split[]): readonly Part[] {
  if (splits.length === 0) return parts;
  const own = listedBy(splits, ({ wholeId }) => wholeId);
  return parts.flatMap((part) => (own.has(part.wholeId) ? split(part, own.get(part.wholeId)!) : [part]));
}

/** Grain that matters to a part: only where the material has one and the plan says which way it runs. */
const grainOf = (materialId: string, grain: 'x' | 'y' | null, catalogue: Catalogue): 'x' | 'y' | null =>
  materialBy(catalogue, materialId).hasGrain ? grain : null;

interface BaseInputs {
  readonly base: readonly BaseLayer[];
  readonly groundMm: number;
  readonly oversizeMm: number;
  readonly catalogue: Catalogue;
  readonly holes: readonly TileLand[];
}
const baseParts = memoize((tile: Tile, { base, groundMm, oversizeMm, catalogue, holes }: BaseInputs): readonly Part[] => {
  const guide = boxRegion(tile.cutBox);
  return base.flatMap((layer, level) => {
    // The lowest layer guides the blade.
    const overMm = level > 0 ? oversizeMm : 0;
    const gone = holes.filter(({ land }) => layer.kind === 'ground' && !isBowl(land) && goesThrough(-land.levelMm, layer, groundMm));
    const region = without(
      boxRegion(widened(tile.cutBox, overMm)),
      gone.map(({ body }) => body),
    );
    return cutOut(
      region,
      `${tile.id}-${layer.id}`,
      {
        name: `${tile.id} ${layerName(layer, base)}`,
        workpieceId: tile.id,
        featureId: null,
        stage: 'base',
        materialId: layer.materialId,
        thicknessMm: layer.thicknessMm,
        level,
        grain: grainOf(layer.materialId, layer.grain, catalogue),
      },
      overMm === 0 ? null : guide,
    );
  });
});
const widened = ({ left, top, right, bottom }: Box, byMm: number): Box => ({
  left: left - byMm,
  top: top - byMm,
  right: right + byMm,
  bottom: bottom + byMm,
});

/** `ground`, or `ground, layer 2` where there are several. */
function layerName(layer: BaseLayer, base: readonly BaseLayer[]): string {
  if (layer.kind === 'substrate') return 'substrate';
  const ground = base.filter(({ kind }) => kind === 'ground');
  return ground.length === 1 ? 'ground' : `ground, layer ${ground.indexOf(layer) + 1}`;
}

interface OnEdge {
  readonly materialId: string;
  readonly thicknessMm: number;
  readonly heightMm: number;
}
/** Strips on edge: four round a tile, two over its whole width and two between them; battens under it along its longer side. */
const stripParts = memoize((tile: Tile, rim: PartInputs['rim'], battens: PartInputs['battens']): readonly Part[] => {
  const { left, top, right, bottom } = tile.cutBox;
  const strip = (id: string, name: string, longMm: number, { materialId, thicknessMm, heightMm }: OnEdge): Part[] =>
    cutOut(boxRegion({ left: 0, top: 0, right: longMm, bottom: heightMm }), `${tile.id}-${id}`, {
      name: `${tile.id} ${name}`,
      workpieceId: tile.id,
      featureId: null,
      stage: 'rim',
      materialId,
      thicknessMm,
      level: 0,
      grain: null,
    }).map((part) => ({ ...part, at: null }));
  const [widthMm, depthMm] = [right - left + 2 * (rim?.thicknessMm ?? 0), bottom - top];
  const rims = rim === null ? [] : [widthMm, widthMm, depthMm, depthMm].flatMap((mm, i) => strip(`rim-${i}`, `rim ${i + 1}`, mm, rim));
  if (battens === null) return rims;
  const longMm = Math.max(right - left, bottom - top);
  return [...rims, ...Array.from({ length: battens.count }, (_, i) => strip(`batten-${i}`, `batten ${i + 1}`, longMm, battens)).flat()];
});

/** Coverings, as far as their kind of surface shows on a tile. */
interface FacingInputs {
  readonly facing: ZoneFacing;
  readonly here: readonly TileLand[];
  readonly catalogue: Catalogue;
}
function facingParts(tile: Tile, { facing: { zone, layers }, here, catalogue }: FacingInputs): readonly Part[] {
  const shown = here.filter(({ land }) => (zone === 'open' ? land.zone !== null : land.zone === zone)).map(({ shows }) => shows);
  const region = zone === 'open' ? without(boxRegion(tile.cutBox), shown) : clippedTo(unite(shown), tile.cutBox);
  return layers.flatMap((layer, level) =>
    cutOut(region, `${tile.id}-${zone}-${layer.id}`, {
      name: `${tile.id} ${GROUND_KIND_NAMES[zone].toLowerCase()}, ${materialBy(catalogue, layer.materialId).name.toLowerCase()}`,
      workpieceId: tile.id,
      featureId: null,
      stage: 'facing',
      materialId: layer.materialId,
      thicknessMm: layer.thicknessMm,
      level,
      grain: grainOf(layer.materialId, layer.grain, catalogue),
    }),
  );
}

const raisedParts = memoize(
  (
    { body, land }: TileLand,
    tile: Tile,
    { buildUp, materialId }: RaisedStack,
    crossGrain: boolean,
    catalogue: Catalogue,
  ): readonly Part[] => {
    if (buildUp === null) return [];
    const region = clippedTo(body, tile.cutBox);
    const several = buildUp.thicknessesMm.length > 1;
    return buildUp.thicknessesMm.flatMap((thicknessMm, i) =>
      cutOut(region, `${tile.id}-${land.id}-${i}`, {
        name: `${tile.id} ${land.name}${several ? `, layer ${i + 1}` : ''}`,
        workpieceId: tile.id,
        featureId: land.feature.id,
        stage: 'raised',
        materialId,
        thicknessMm,
        level: i,
        // A single layer has nothing to cross.
        grain: grainOf(materialId, crossGrain && several ? (i % 2 === 0 ? 'x' : 'y') : null, catalogue),
      }),
    );
  },
);

/** What a pit takes out of the one layer its floor lies in; a bowl is carved through all it reaches. */
const hollowIn = memoize(({ land, body, tileId }: TileLand, base: readonly BaseLayer[], groundMm: number): readonly Hollow[] => {
  const depthMm = -land.levelMm;
  const mm2 = areaMm2(body);
  const own = { workpieceId: tileId, featureId: land.feature.id, areaMm2: mm2 };
  if (isBowl(land)) return [{ ...own, volumeMm3: mm2 * depthMm * bowlShare(land.feature.shape, depthMm, depthMm) }];
  const floorMm = groundMm - depthMm;
  const layer = base.find(({ kind, bottomMm, topMm }) => kind === 'ground' && floorMm > bottomMm && floorMm < topMm);
  if (layer === undefined || goesThrough(depthMm, layer, groundMm)) return [];
  return [{ ...own, volumeMm3: mm2 * (layer.topMm - floorMm) }];
});
