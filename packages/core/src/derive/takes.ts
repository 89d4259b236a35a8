import { type Catalogue, adhesiveBy } from '../catalogue';
import type { CoatNeed } from '../coats';
import { type FeatureGround, type Ground, type Land, isSunk } from '../ground';
import { type Plan } from '../plan';
import { type BoardStack, glueMass } from '../stack';
import { type Figure, given, inSquareMetres, reckon, total } from '../units';

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
  stack: BoardStack,
  coats: readonly CoatNeed[],
  catalogue: Catalogue,
): readonly FeatureTakes[] {
  return ground.lands.map((land, i) => {
    const measured = ground.features[i]!;
    const tiles = ground.tileLands.filter((tileLand) => tileLand.land === land).map(({ tileId }) => tileId);
    return { featureId: land.feature.id, tiles, figures: figuresOf(land, measured, plan, stack, coats, catalogue) };
  });
}

function figuresOf(
  land: Land,
  measured: FeatureGround,
  plan: Plan,
  stack: BoardStack,
  coats: readonly CoatNeed[],
  catalogue: Catalogue,
): Figure[] {
  const { feature } = land;
  const figures: Figure[] = measured.length === null ? [] : [relabelled('Length', measured.length)];
  figures.push(relabelled('Surface', measured.surface));
  if (measured.sides.value > 0) figures.push(relabelled(isSunk(feature) ? 'Banks' : 'Upright faces', measured.sides));
  if (isSunk(feature))
    figures.push(reckon('Floor left under it', 'mm', stack.ground, '−', given(`${feature.name}, depth`, feature.depthMm, 'mm', 'plan')));
  const joints = stack.joints.filter(({ featureId }) => featureId === feature.id);
  if (joints.length > 0) {
    const adhesive = adhesiveBy(catalogue, plan.stack.raised.glueId);
    figures.push(
      glueMass(
        'Adhesive',
        adhesive,
        total(
          'Glued faces',
          'mm²',
          joints.map(({ area }) => area),
        ),
        catalogue,
      ),
    );
  }
  const own = coats.filter(({ zone, stuff }) => zone === feature.kind && stuff.spread.by !== 'depth');
  const area = inSquareMetres(
    measured.sides.value > 0 ? reckon('All to coat', 'mm²', measured.surface, '+', measured.sides) : measured.surface,
  );
  for (const [label, family] of [
    ['Texture', 'texture'],
    ['Paint', 'paint'],
  ] as const) {
    const shares = own.filter(({ stuff }) => stuff.family === family).map((need) => shareOf(need, area));
    if (shares.length > 0) figures.push(total(label, 'ml', shares));
  }
  const pours = coats.filter(({ zone, stuff }) => zone === feature.kind && stuff.spread.by === 'depth');
  if (feature.kind === 'water' && pours.length > 0) figures.push(...pours.map((need) => pourShare(need, measured, feature.waterMm)));
  return figures;
}

/** A coat's volume on one feature: the kind's volume by its share of the surface. */
function shareOf(need: CoatNeed, area: Figure<'m²'>): Figure<'ml'> {
  const name = `${need.stuff.name}, ${need.method.name}`;
  return reckon(`${name}, here`, 'ml', need.volume, '×', reckon(`${name}: share of all ${need.zone}`, '1', area, '÷', need.area));
}

function pourShare(need: CoatNeed, measured: FeatureGround, waterMm: number): Figure<'ml'> {
  const room = reckon(
    `${measured.name}, room`,
    'mm³',
    measured.surface,
    '×',
    given(`${measured.name}, water depth`, waterMm, 'mm', 'plan'),
  );
  const ml = reckon(`${measured.name}, room in ml`, 'ml', room, '÷', given('mm³ in a ml', 1_000, 'mm³/ml', 'definition'));
  return reckon(
    'To pour',
    'ml',
    ml,
    '×',
    given(
      `Factor for ${need.stuff.lossPct.value} % left in the bowl`,
      1 + need.stuff.lossPct.value / 100,
      '1',
      'catalogue',
      need.stuff.lossPct.origin,
    ),
  );
}

/** The same figure under a short name for a panel; its working keeps the long names. */
const relabelled = <F extends Figure>(label: string, figure: F): F => ({ ...figure, label });
