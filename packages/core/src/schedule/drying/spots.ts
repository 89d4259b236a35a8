import { type Course, type DayOfAir, daily, dayOf, humidityAtPct, shifted, steady, withSpells } from '../air';
import { type Air, type Catalogue, type PlaceKind, airBy, estimated } from '../../catalogue';
import type { DryingSpot, Place, Plan } from '../../plan';
import { dayAfter, seasonOf } from '../../base/dates';
import { DAY_MIN, type Figure } from '../../base/units';

/** What thermo-hygrometers make of a day, by their ids. */
export type Airs = Readonly<Record<string, DayOfAir>>;

/** Where and how something dries. */
export interface DryingPlace {
  readonly place: Place;
  readonly kind: PlaceKind;
  readonly on: DryingSpot['on'];
  readonly lies: DryingSpot['lies'];
  readonly moved: Air;
  /** As much longer than that air says, there and then; null where nothing is known of it. */
  readonly slower: Figure<'1'> | null;
  /** The air it dries in: over a cold floor colder and damper than the room. */
  readonly course: Course;
}
/** Where every workpiece of a board dries. */
export interface DryingPlaces {
  readonly usual: DryingPlace;
  readonly at: (workpieceId: string) => DryingPlace;
  /** The air in a place itself, off the floor. */
  readonly rooms: ReadonlyMap<string, Course>;
}

interface SpotInputs {
  readonly places: Plan['places'];
  readonly drying: Plan['drying'];
  readonly driedAt: Plan['driedAt'];
  readonly startsOn: string;
  readonly airs: Airs;
  readonly catalogue: Catalogue;
}
/** The first day as far as the air goes: where no spell is told any day of a month is as good as another, and another first day leaves the air as it is. */
export const dayForAir = (places: Plan['places'], startsOn: string): string =>
  places.some(({ spells }) => spells.length > 0) ? startsOn : `${startsOn.slice(0, 7)}-01`;

export function dryingPlacesOf({ places, drying, driedAt, startsOn, airs, catalogue }: SpotInputs): DryingPlaces {
  const rooms = new Map(places.map((place) => [place.id, roomOf(place, startsOn, airs, catalogue)]));
  const made = new Map<string, DryingPlace>();
  const spot = ({ placeId, on, lies, airId }: DryingSpot): DryingPlace => {
    const key = [placeId, on, lies, airId].join();
    const known = made.get(key);
    if (known !== undefined) return known;
    const place = places.find(({ id }) => id === placeId) ?? places[0]!;
    const kind = kindOfPlace(place, catalogue);
    const room = rooms.get(place.id)!;
    const course = on === 'shelf' ? room : shifted(room, -kind.floorColderC.value, humidityAtPct);
    const own: DryingPlace = { place, kind, on, lies, moved: airBy(catalogue, airId), slower: slowerIn(place, kind, startsOn), course };
    made.set(key, own);
    return own;
  };
  const others = new Map(driedAt.map((own) => [own.workpieceId, own]));
  return { usual: spot(drying), at: (workpieceId) => spot(others.get(workpieceId) ?? drying), rooms };
}
export const kindOfPlace = ({ kindId }: Place, { placeKinds }: Catalogue): PlaceKind => placeKinds.find(({ id }) => id === kindId)!;

const IN = { winter: 'inWinter', spring: 'inSpring', summer: 'inSummer', autumn: 'inAutumn' } as const;
/** By the season that the place is told in, else by that of the first day. */
function slowerIn({ name, air }: Place, { slower }: PlaceKind, startsOn: string): Figure<'1'> | null {
  const season = air.by === 'season' ? air.season : seasonOf(startsOn);
  return slower === undefined ? null : estimated(`${name} in ${season}, correction from your log`, slower[IN[season]], '1');
}

function roomOf(place: Place, startsOn: string, airs: Airs, catalogue: Catalogue): Course {
  const { by, airC, humidityPct, season, sensorId } = place.air;
  const heard = by === 'sensor' && sensorId !== null ? airs[sensorId] : undefined;
  const usual =
    by === 'season'
      ? daily(dayOf(kindOfPlace(place, catalogue).seasons[season]))
      : heard === undefined
        ? steady({ airC, humidityPct })
        : daily(heard);
  const spells = place.spells.map(({ from, to, ...air }) => ({
    airC: air.airC,
    humidityPct: air.humidityPct,
    fromMin: dayAfter(startsOn, from) * DAY_MIN,
    toMin: (dayAfter(startsOn, to) + 1) * DAY_MIN,
  }));
  return withSpells(
    usual,
    spells.filter(({ toMin }) => toMin > 0),
  );
}
