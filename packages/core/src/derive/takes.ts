import { type Catalogue, adhesiveBy } from '../catalogue';
import type { CoatNeed } from '../coats';
import { areaMm2, clippedTo, isEmpty } from '../geometry';
import { type FeatureGround, type Ground, type Zones, isSunk } from '../ground';
import { lightFigures } from '../lights';
import type { Feature, Plan } from '../plan';
import { type BoardStack, type Joint, glueMass } from '../stack';
import { type Figure, type Unit, given, inMetres, inMillilitres, inSquareMetres, reckon, total } from '../units';

/** The figures of one feature, each opening to its working, in the order they are shown. */
export interface FeatureTakes {
  readonly featureId: string;
  readonly tiles: readonly string[];
  readonly figures: readonly Figure[];
}

/** What each feature measures and takes. */
export function featureTakes(
  plan: Plan,
  ground: Ground,
  zones: Zones,
  stack: BoardStack,
  coats: readonly CoatNeed[],
  catalogue: Catalogue,
): readonly FeatureTakes[] {
  const measured = listedBy(ground.features, ({ featureId }) => featureId);
  const onTiles = listedBy(ground.tileLands, ({ land }) => land.feature.id);
  const joints = listedBy(stack.joints, ({ featureId }) => featureId);
  return plan.features.map((feature) => {
    const own = measured.get(feature.id) ?? [];
    const tiles = (onTiles.get(feature.id) ?? []).map(({ tileId }) => tileId);
    const marked = own.every(({ zone }) => zone === null) ? tilesUnder(feature, ground) : [];
    return {
      featureId: feature.id,
      tiles: [...new Set([...tiles, ...marked])],
      figures: [
        ...surfaces(feature, own),
        ...depths(feature, stack),
        ...stuffs(feature, own, joints.get(feature.id) ?? [], plan, zones, coats, catalogue),
        ...extras(feature, ground, stack, catalogue),
      ],
    };
  });
}

/** Things by what they belong to: 200 features looking through every list were a twentieth of a derive. */
function listedBy<T, K>(all: readonly T[], keyOf: (one: T) => K): Map<K, T[]> {
  const lists = new Map<K, T[]>();
  for (const one of all) {
    const list = lists.get(keyOf(one));
    if (list === undefined) lists.set(keyOf(one), [one]);
    else list.push(one);
  }
  return lists;
}

/** Tiles under what shows no surface of its own. */
function tilesUnder(feature: Feature, ground: Ground): string[] {
  const wholes = ground.lands.filter((land) => land.feature === feature && !isEmpty(land.whole)).map(({ whole }) => whole);
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
  if (sides.length > 0) figures.push(summed(isSunk(feature) ? 'Banks' : 'Upright faces', 'mm²', sides));
  return figures;
}

function depths(feature: Feature, stack: BoardStack): Figure[] {
  if (!isSunk(feature)) return [];
  return [reckon('Floor left under it', 'mm', stack.ground, '−', given(`${feature.name}, depth`, feature.depthMm, 'mm', 'plan'))];
}

function stuffs(
  feature: Feature,
  own: readonly FeatureGround[],
  joints: readonly Joint[],
  plan: Plan,
  zones: Zones,
  coats: readonly CoatNeed[],
  catalogue: Catalogue,
): Figure[] {
  const figures: Figure[] = [];
  if (joints.length > 0) {
    const faces = total(
      'Glued faces',
      'mm²',
      joints.map(({ area }) => area),
    );
    const { glueId, spread } = plan.stack.raised;
    figures.push(glueMass('Adhesive', adhesiveBy(catalogue, glueId), faces, spread, catalogue));
  }
  for (const [label, family] of [
    ['Texture', 'texture'],
    ['Paint', 'paint'],
  ] as const) {
    const shares = own.flatMap((measured) =>
      coats
        .filter(({ zone, stuff }) => zone === measured.zone && stuff.spread.by !== 'depth' && stuff.family === family)
        .map((need) => shareOf(need, measured)),
    );
    if (shares.length > 0) figures.push(total(label, 'ml', shares));
  }
  const basin = zones.byKind.water.basins.find(({ featureId }) => featureId === feature.id);
  const pours = coats.filter(({ zone, stuff }) => zone === 'water' && stuff.spread.by === 'depth');
  if (basin !== undefined) figures.push(...pours.map((need) => pourShare(need, basin.room)));
  return figures;
}

/** What only its kind of feature has: rows to plant, groove and resistor of small lights. */
function extras(feature: Feature, ground: Ground, stack: BoardStack, catalogue: Catalogue): Figure[] {
  if (feature.kind === 'light') return lightFigures(feature, stack.ground, catalogue);
  if (feature.kind !== 'field') return [];
  const measured = ground.features.find(({ featureId }) => featureId === feature.id)!;
  const rows = reckon('Rows, end to end', 'mm', measured.surface, '÷', given(`${feature.name}, between rows`, feature.rowMm, 'mm', 'plan'));
  return [inMetres(relabelled('Rows to plant', rows))].map((figure) => relabelled('Rows to plant', figure));
}

/** A coat's volume on one land: the kind's volume by its share of the surface. */
function shareOf(need: CoatNeed, measured: FeatureGround): Figure<'ml'> {
  const { name: where, surface, sides } = measured;
  const area = inSquareMetres(sides.value > 0 ? reckon(`${where}, all to coat`, 'mm²', surface, '+', sides) : surface);
  const name = `${need.stuff.name}, ${need.method.name}, ${where}`;
  return reckon(`${name}, here`, 'ml', need.volume, '×', reckon(`${name}: share of all ${need.zone}`, '1', area, '÷', need.area));
}

function pourShare(need: CoatNeed, room: Figure<'mm³'>): Figure<'ml'> {
  const { value, origin } = need.stuff.lossPct;
  const loss = given(`Factor for ${value} % left in the bowl`, 1 + value / 100, '1', 'catalogue', origin);
  return reckon('To pour', 'ml', inMillilitres(room), '×', loss);
}

/** One figure under a short name, or the sum of several. */
function summed<U extends Unit>(label: string, unit: U, parts: readonly Figure<U>[]): Figure<U> {
  return parts.length === 1 ? relabelled(label, parts[0]!) : total(label, unit, parts);
}

/** The same figure under a short name for a panel; its working keeps the long names. */
const relabelled = <F extends Figure>(label: string, figure: F): F => ({ ...figure, label });
