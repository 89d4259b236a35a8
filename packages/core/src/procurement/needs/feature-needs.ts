import type { Basin, FeatureGround, Ground, SurfaceAreas, TileLand } from '../../terrain/ground';
import { listedBy } from '../../base/grouping';
import { type Feature, kindOf, sunkBy } from '../../plan/features';
import type { SurfaceId } from '../../plan/surfaces';
import { type Catalogue, adhesiveBy } from '../../catalogue';
import type { CoatNeed } from '../../finishing/coats';
import { areaMm2, clippedTo, isEmpty } from '../../base/geometry';
import type { Plan } from '../../plan';
import type { Joint } from '../../build/stack/joint';
import { glueMass } from '../../build/stack/adhesives';
import { type Figure, type Unit, given, inMillilitres, inSquareMetres, calculate, total } from '../../base/units';

/** The figures of one feature, each opening to its working, in the order they are shown. */
export interface FeatureNeeds {
  readonly featureId: string;
  readonly tiles: readonly string[];
  readonly figures: readonly Figure[];
}

interface NeedInputs {
  readonly features: readonly Feature[];
  readonly raised: Plan['stack']['raised'];
  readonly ground: Ground;
  readonly basins: readonly Basin[];
  readonly areas: SurfaceAreas;
  readonly groundHeight: Figure<'mm'>;
  readonly joints: readonly Joint[];
  readonly coats: readonly CoatNeed[];
  readonly catalogue: Catalogue;
}
/** What of all that has to do with one feature. */
interface Own {
  readonly measured: readonly FeatureGround[];
  readonly onTiles: readonly TileLand[];
  readonly joints: readonly Joint[];
}

/** What each feature measures and takes. */
export function featureNeeds(inputs: NeedInputs): readonly FeatureNeeds[] {
  const { features, ground, groundHeight, joints, coats, raised, catalogue } = inputs;
  const measured = listedBy(ground.features, ({ featureId }) => featureId);
  const onTiles = listedBy(ground.tileLands, ({ land }) => land.feature.id);
  const glued = listedBy(joints, ({ featureId }) => featureId);
  const basins = new Map(inputs.basins.map((basin) => [basin.featureId, basin.room]));
  const worn = wornBy(inputs.areas);
  return features.map((feature) => {
    const own = { measured: measured.get(feature.id) ?? [], onTiles: onTiles.get(feature.id) ?? [], joints: glued.get(feature.id) ?? [] };
    const marked = own.measured.every(({ zone }) => zone === null) ? tilesUnder(feature, ground) : [];
    const all = { ...own, basin: basins.get(feature.id) ?? null, worn, groundHeight, coats, raised, catalogue };
    let figures: readonly Figure[] | null = null;
    return {
      featureId: feature.id,
      tiles: [...new Set([...own.onTiles.map(({ tileId }) => tileId), ...marked])],
      /** Made when they are looked at: of 200 features the notes of one are open. */
      get figures() {
        return (figures ??= figuresOf(feature, all));
      },
    };
  });
}

/** What each land wears where no patch lies. */
const wornBy = ({ list }: SurfaceAreas): ReadonlyMap<string, SurfaceId> =>
  new Map(
    list.flatMap(({ surfaceId, stretches }) =>
      stretches.flatMap(({ land, name }) => (land === null || name !== land.name ? [] : [[land.id, surfaceId] as const])),
    ),
  );

interface FigureInputs extends Pick<Own, 'measured' | 'joints'> {
  readonly basin: Figure<'mm³'> | null;
  /** What each land wears, by its id. */
  readonly worn: ReadonlyMap<string, SurfaceId>;
  readonly groundHeight: Figure<'mm'>;
  readonly coats: readonly CoatNeed[];
  readonly raised: Plan['stack']['raised'];
  readonly catalogue: Catalogue;
}
const figuresOf = (feature: Feature, inputs: FigureInputs): readonly Figure[] => {
  const shown = inputs.measured.filter(({ zone }) => zone !== null);
  const surface = shown.length === 0 ? null : shown[0]!.surface;
  return [
    ...surfaces(feature, inputs.measured),
    ...depths(feature, inputs.groundHeight),
    ...coatings(inputs),
    ...(kindOf(feature).figures?.(feature, { surface, ground: inputs.groundHeight, catalogue: inputs.catalogue }) ?? []),
  ];
};

/** Tiles under what shows no surface of its own. */
function tilesUnder(feature: Feature, ground: Ground): string[] {
  const wholes = ground.lands.filter((land) => land.feature.id === feature.id && !isEmpty(land.whole)).map(({ whole }) => whole);
  return ground.tiles.filter(({ box }) => wholes.some((whole) => areaMm2(clippedTo(whole, box)) > 1)).map(({ id }) => id);
}

function surfaces(feature: Feature, own: readonly FeatureGround[]): Figure[] {
  const figures: Figure[] = own.flatMap(({ length }) => (length === null ? [] : [relabelled('Length', length)]));
  const shown = own.filter(({ zone }) => zone !== null);
  if (shown.length === 0) return figures;
  figures.push(
    summed(
      'Surface',
      'mm²',
      shown.map(({ surface }) => surface),
    ),
  );
  const sides = shown.map((measured) => measured.sides).filter(({ value }) => value > 0);
  if (sides.length > 0) figures.push(summed(sunkBy(feature) !== null ? 'Banks' : 'Upright faces', 'mm²', sides));
  return figures;
}

function depths(feature: Feature, groundHeight: Figure<'mm'>): Figure[] {
  const sunk = sunkBy(feature);
  if (sunk === null) return [];
  return [calculate('Floor left under it', 'mm', groundHeight, '−', given(`${feature.name}, depth`, sunk.depthMm, 'mm', 'plan'))];
}

function coatings({ measured: own, joints, basin, worn, coats, raised, catalogue }: FigureInputs): Figure[] {
  const figures: Figure[] = [];
  if (joints.length > 0) {
    const faces = total(
      'Glued faces',
      'mm²',
      joints.map(({ area }) => area),
    );
    const { glueId, spread } = raised;
    figures.push(glueMass('Adhesive', adhesiveBy(catalogue, glueId), faces, spread, catalogue));
  }
  for (const [label, family] of [
    ['Texture', 'texture'],
    ['Paint', 'paint'],
  ] as const) {
    const shares = own.flatMap((measured) =>
      coats

        .filter(
          ({ surfaceId, coating }) => surfaceId === worn.get(measured.landId) && coating.spread.by !== 'depth' && coating.family === family,
        )
        .map((need) => shareOf(need, measured)),
    );
    if (shares.length > 0) figures.push(total(label, 'ml', shares));
  }
  if (basin !== null) figures.push(...coats.filter(({ coating }) => coating.spread.by === 'depth').map((need) => pourShare(need, basin)));
  return figures;
}

/** A coat's volume on one land: the kind's volume by its share of the surface. */
function shareOf(need: CoatNeed, measured: FeatureGround): Figure<'ml'> {
  const { name: where, surface, sides } = measured;
  const area = inSquareMetres(sides.value > 0 ? calculate(`${where}, area to coat`, 'mm²', surface, '+', sides) : surface);
  const name = `${need.coating.name}, ${need.method.name}, ${where}`;
  return calculate(
    `${name}, here`,
    'ml',
    need.volume,
    '×',
    calculate(`${name}: share of all surfaces with this finish`, '1', area, '÷', need.surface),
  );
}

function pourShare(need: CoatNeed, room: Figure<'mm³'>): Figure<'ml'> {
  const { value, origin } = need.coating.lossPct;
  const loss = given(`Factor for ${value} % left in the pot`, 1 + value / 100, '1', 'catalogue', origin);
  return calculate('To pour', 'ml', inMillilitres(room), '×', loss);
}

/** One figure under a short name, or the sum of several. */
function summed<U extends Unit>(label: string, unit: U, parts: readonly Figure<U>[]): Figure<U> {
  return parts.length === 1 ? relabelled(label, parts[0]!) : total(label, unit, parts);
}

/** The same figure under a short name for a panel; its working keeps the long names. */
const relabelled = <F extends Figure>(label: string, figure: F): F => ({ ...figure, label });
