import { type Feature, type Role, type Stretch, kindOf } from '../../plan/features';
import { type Box, type Region, EMPTY, areaMm2, boxHolds, boxesOverlap, clippedTo, isEmpty, regionBox, without } from '../../base/geometry';
import { memoize, sameItems } from '../../base/memory';
import type { Table } from '../../plan';
import { shapeRegion } from '../../plan/shapes';
import type { GroundKind } from '../../plan/surfaces';
import { withJunctions } from './junctions';
import { tableBox } from './tiles';

/** A feature, or one stretch of it, settled among its neighbours: what of it is foam or hole, and what of it shows. */
export interface Land {
  /** The feature's own id, with the stretch's behind it where there are several. */
  readonly id: string;
  readonly name: string;
  readonly feature: Feature;
  readonly role: Role;
  /** The kind of ground it shows; null for what shows none of its own. */
  readonly zone: GroundKind | null;
  /** What the shape covers of the table. */
  readonly whole: Region;
  /** The foam of raised ground or the hole of sunk ground; empty for the rest. */
  readonly body: Region;
  /** The surface that shows from above and takes coats. */
  readonly shows: Region;
  /** Height of the foot over the ground: 0, or the top of the raised ground it stands on. */
  readonly baseMm: number;
  /** The land it stands on, where it does not stand on the ground. */
  readonly hostId: string | null;
  /** Height of the surface over the ground at its highest (a hole's at its deepest); 0 for what follows what it lies on. */
  readonly levelMm: number;
}

/** A stay in a place under this is the clipper's rounding. */
const INSIDE_MM2 = 1;

/** One stretch of a feature on the table before it is settled. */
interface UnsettledLand extends Pick<Land, 'id' | 'name' | 'feature' | 'role' | 'zone' | 'levelMm' | 'whole'> {
  readonly box: Box | null;
}
/** A spot in its place in the list: where two are alike, the later counts. */
interface Placed {
  readonly spot: UnsettledLand;
  readonly order: number;
}

/**
 * Settles overlaps. Sunk ground cuts through raised ground, and of two pits the later in the list counts. Of two raised
 * features the higher counts; one that lies wholly within a lower one stands on it. What lies on the ground lies on top of what is there
 * and stops at pits. The order of the list decides ties: later wins. A feature whose neighbours stay as they are keeps its very land.
 */
export function settle(table: Table, features: readonly Feature[]): readonly Land[] {
  const onTable = tableBox(table);
  const meeting: { readonly kind: string; readonly region: Region }[] = [];
  const placed = features.flatMap((feature, order) => {
    const own = shapeRegion(feature.shape);
    const junctionMm = kindOf(feature).junctionMm?.(feature);
    let region = own;
    if (junctionMm !== undefined) {
      const earlier = meeting.filter(({ kind }) => kind === feature.kind).map((other) => other.region);
      region = withJunctions({ region: own, junctionMm }, earlier);
      meeting.push({ kind: feature.kind, region: own });
    }
    return unsettledOf(feature, region, onTable).map((spot): Placed => ({ spot, order }));
  });
  return placed.map((one) => {
    const near = neighboursOf(one, placed);
    return settled(
      one.spot,
      near.map(({ spot }) => spot),
      near.map(({ order }) => order > one.order),
    );
  });
}

/** The stretches of a feature as they lie on the table. */
const unsettledOf = memoize((feature: Feature, region: Region, onTable: Box): readonly UnsettledLand[] =>
  kindOf(feature)
    .stretches(feature, region, shapeRegion)
    .map((stretch): UnsettledLand => {
      const whole = clippedTo(stretch.region, onTable);
      return { ...named(feature, stretch), whole, box: isEmpty(whole) ? null : regionBox(whole) };
    }),
);

const named = (feature: Feature, { role, groundKind, levelMm, part }: Stretch): Omit<UnsettledLand, 'whole' | 'box'> => ({
  id: part === null ? feature.id : `${feature.id}-${part.id}`,
  name: part === null ? feature.name : `${feature.name}, ${part.name}`,
  feature,
  role,
  zone: groundKind,
  levelMm,
});

/** Only what the boxes of two features let meet needs the polygon clipper: 200 features have few true neighbours. */
function neighboursOf({ spot }: Placed, all: readonly Placed[]): readonly Placed[] {
  const { box } = spot;
  const near: Placed[] = [];
  if (box === null) return near;
  for (const other of all) if (other.spot.box !== null && boxesOverlap(box, other.spot.box) && other.spot !== spot) near.push(other);
  return near;
}

/** Settles a spot among its neighbours. @param isLater of each neighbour, whether it stands later in the list */
function settled(spot: UnsettledLand, neighbours: readonly UnsettledLand[], isLater: readonly boolean[]): Land {
  const last = SETTLED.get(spot);
  if (last !== undefined && sameItems(last.neighbours, neighbours) && sameItems(last.isLater, isLater)) return last.land;
  const land = settleOne(spot, neighbours, (other) => isLater[neighbours.indexOf(other)]!);
  SETTLED.set(spot, { neighbours, isLater, land });
  return land;
}
const SETTLED = new WeakMap<
  UnsettledLand,
  { readonly neighbours: readonly UnsettledLand[]; readonly isLater: readonly boolean[]; readonly land: Land }
>();

function settleOne(spot: UnsettledLand, neighbours: readonly UnsettledLand[], later: (other: UnsettledLand) => boolean): Land {
  const { id, name, feature, role, zone, levelMm, whole } = spot;
  const kept = { id, name, feature, role, zone, whole, levelMm, baseMm: 0, hostId: null };
  const as = (wanted: Role): readonly UnsettledLand[] => neighbours.filter((other) => other.role === wanted);
  const regions = (spots: readonly UnsettledLand[]): Region[] => spots.map((other) => other.whole);
  switch (role) {
    case 'standing':
    case 'patch':
    case 'mark':
      return { ...kept, body: EMPTY, shows: EMPTY };
    case 'hole': {
      const body = without(whole, regions(as('hole').filter(later)));
      return { ...kept, body, shows: body };
    }
    case 'surface': {
      const shows = without(whole, regions([...as('hole'), ...as('surface').filter(later)]));
      return { ...kept, body: EMPTY, shows };
    }
    case 'mass': {
      const raised = as('mass');
      const over = raised.filter((other) => (other.levelMm === levelMm ? later(other) : other.levelMm > levelMm));
      const beside = over.filter((other) => !standsOn(other, spot));
      const body = without(whole, regions([...as('hole'), ...beside]));
      const shows = without(body, regions([...over, ...as('surface')]));
      const host = highest(raised.filter((other) => standsOn(spot, other)));
      return { ...kept, body, shows, baseMm: host?.levelMm ?? 0, hostId: host?.id ?? null };
    }
    default:
      throw role satisfies never;
  }
}

const highest = (spots: readonly UnsettledLand[]): UnsettledLand | null =>
  spots.reduce<UnsettledLand | null>((best, spot) => (best === null || spot.levelMm > best.levelMm ? spot : best), null);

/** Nested steps of one feature stand on one another by the way they are made; others have to be measured. */
function standsOn(upper: UnsettledLand, lower: UnsettledLand): boolean {
  if (upper.levelMm <= lower.levelMm) return false;
  if (upper.feature === lower.feature) return true;
  if (upper.box === null || lower.box === null || !boxHolds(widened(lower.box), upper.box)) return false;
  return areaMm2(without(upper.whole, [lower.whole])) < INSIDE_MM2;
}

/** A box by the reach of what {@link INSIDE_MM2} forgives: what juts out further does not stand inside. */
const widened = ({ left, top, right, bottom }: Box): Box => ({ left: left - 1, top: top - 1, right: right + 1, bottom: bottom + 1 });
