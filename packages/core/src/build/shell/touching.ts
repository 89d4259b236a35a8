import { type Region, areaMm2, intersection, regionBox } from '../../base/geometry';
import { memoize } from '../../base/memory';
import { type Axes, type Flat, axesIn, flatMm2, flatsOf, regionIn } from './flats';
import { placesOf } from './mesh';
import { hullOf } from './measure';
import { type Patch, TOUCHES_MM } from './patch';
import type { Body } from './resolve';
import { type Round, roundsOf } from './rounds';
import { edgesOn, roundsTouching, strippedOn } from './round-touching';
import { type Vec, times } from './space';

/** Two bodies that touch, whichever way. */
export interface Contact {
  readonly bodyIds: readonly [string, string];
  readonly mm2: number;
  readonly longMm: number;
}

/** Faces whose planes may be one are found by a name that both have, whichever of them asks. */
const STEP_MM = 0.5;
const nameOf = ([x, y, z]: Vec, step: number): string => `${[x, y, z].map((one) => Math.round(one * 50 + 0.13)).join(' ')} ${step}`;
/** Less than this is a corner, not a face. */
const LEAST_MM2 = 0.01;

/** Every place where bodies of an assembly touch one another: flat on flat, flat on round, round on round. */
export const touchingOf = memoize((bodies: readonly Body[]): readonly Patch[] => {
  const rounds = bodies.flatMap((body) => roundsOf(body));
  return [
    ...flatPatches(bodies),
    ...rounds.flatMap((round, i) => [...roundPatches(round, bodies), ...roundsTouching(round, rounds.slice(i + 1))]),
  ];
});

function* flatPatches(bodies: readonly Body[]): Generator<Patch> {
  const before = new Map<string, Flat[]>();
  for (const body of bodies) {
    const own = flatsOf(body);
    // Only flats of bodies before this one, so that each pair is looked at once.
    for (const flat of own) yield* metBy(flat, before);
    for (const flat of own) {
      const name = nameOf(flat.plane.normal, Math.round(flat.plane.atMm / STEP_MM));
      const named = before.get(name);
      if (named === undefined) before.set(name, [flat]);
      else named.push(flat);
    }
  }
}
function* metBy(flat: Flat, known: ReadonlyMap<string, readonly Flat[]>): Generator<Patch> {
  const { normal, atMm } = flat.plane;
  const facing = times(normal, -1);
  const step = Math.round(-atMm / STEP_MM);
  const near = [step - 1, step, step + 1]
    .flatMap((one) => known.get(nameOf(facing, one)) ?? [])
    .filter(({ plane }) => Math.abs(plane.atMm + atMm) < TOUCHES_MM);
  if (near.length === 0) return;
  const axes = axesIn(flat.plane);
  for (const other of near) {
    const shared = sharedBy(flat.rings, other.rings, axes);
    if (shared === null) continue;
    const isHollow = flat.solid !== undefined || other.solid !== undefined;
    const touching = isHollow ? sharedBy(flat.solid ?? flat.rings, other.solid ?? other.rings, axes) : shared;
    if (touching === null) continue;
    yield { flats: [flat, other], rounds: [], mm2: areaMm2(touching), coversMm2: areaMm2(shared), longMm: reachMm(touching) };
  }
}
function sharedBy(a: Flat['rings'], b: Flat['rings'], axes: Axes): Region | null {
  const [one, other] = [regionIn(a, axes), regionIn(b, axes)];
  const [boxA, boxB] = [regionBox(one), regionBox(other)];
  if (boxA.left >= boxB.right || boxB.left >= boxA.right || boxA.top >= boxB.bottom || boxB.top >= boxA.bottom) return null;
  const shared = intersection(one, other);
  return areaMm2(shared) < LEAST_MM2 ? null : shared;
}
function roundPatches(round: Round, bodies: readonly Body[]): Patch[] {
  return bodies
    .filter(({ id }) => id !== round.bodyId)
    .flatMap((body) => flatsOf(body))
    .flatMap((flat): Patch[] => {
      const edgeMm2 = edgesOn(round, flat);
      if (edgeMm2 > LEAST_MM2)
        return [{ flats: [flat], rounds: [round], mm2: edgeMm2, coversMm2: edgeMm2, longMm: edgeMm2 / thinMm(flat) }];
      const strip = strippedOn(round, flat);
      if (strip === null) return [];
      const shared = sharedBy(flat.rings, [strip], axesIn(flat.plane));
      if (shared === null) return [];
      const mm2 = areaMm2(shared);
      return [{ flats: [flat], rounds: [round], mm2, coversMm2: mm2, longMm: reachMm(shared) }];
    });
}
/** The short way across what is narrow. */
const thinMm = (flat: Flat): number => {
  const long = reachMm(regionIn(flat.rings, axesIn(flat.plane)));
  return Math.max(1e-3, flatMm2(flat) / long);
};
/** From end to end of each of its pieces, added up. */
function reachMm({ rings }: Region): number {
  return rings.reduce((sum, ring) => {
    const hull = hullOf(ring);
    let most = 0;
    for (const a of hull) for (const b of hull) most = Math.max(most, Math.hypot(a.x - b.x, a.y - b.y));
    return sum + most;
  }, 0);
}

/** Pairs of bodies that touch, in the order in which they are first met. */
export const contactsOf = memoize((bodies: readonly Body[]): readonly Contact[] => {
  const found = new Map<string, Contact>();
  for (const { flats, rounds, mm2, longMm } of touchingOf(bodies)) {
    const [a, b] = [...flats, ...rounds].map(({ bodyId }) => bodyId) as [string, string];
    const name = a < b ? `${a}\n${b}` : `${b}\n${a}`;
    const known = found.get(name);
    found.set(name, { bodyIds: known?.bodyIds ?? [a, b], mm2: (known?.mm2 ?? 0) + mm2, longMm: (known?.longMm ?? 0) + longMm });
  }
  return [...found.values()];
});

/** What of the skins of bodies nobody sees. */
export interface Cover {
  /** Of a flat, mm²: where it lies on another body, and all of it where it is what the bodies stand on. */
  readonly ofFlat: (flat: Flat) => number;
  /** Of the round skin of a body, mm². */
  readonly ofRound: (bodyId: string) => number;
}
export function coverOf(bodies: readonly Body[]): Cover {
  const floorMm = bodies.reduce((low, body) => placesOf(body).reduce((least, [, , z]) => Math.min(least, z), low), Infinity);
  const [onFlat, onRound] = [new Map<Flat, number>(), new Map<string, number>()];
  for (const { flats, rounds, coversMm2, mm2 } of touchingOf(bodies)) {
    for (const flat of flats) onFlat.set(flat, (onFlat.get(flat) ?? 0) + coversMm2);
    for (const { bodyId } of rounds) onRound.set(bodyId, (onRound.get(bodyId) ?? 0) + mm2);
  }
  return {
    ofFlat: (flat) => {
      const stands = flat.plane.normal[2] < -0.99 && flat.rings[0]!.every(([, , z]) => z < floorMm + TOUCHES_MM);
      // Others may lie over one another.
      return stands ? flatMm2(flat) : Math.min(flatMm2(flat), onFlat.get(flat) ?? 0);
    },
    ofRound: (bodyId) => onRound.get(bodyId) ?? 0,
  };
}
