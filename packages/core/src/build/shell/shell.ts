import type { Point, Ring } from '../../base/geometry';
import type { Vec } from './space';

/**
 * How a face ends along one edge. Families name the joint; what it makes of length and bevel follows from the two faces and their thicknesses.
 * `over` and `against` name another face, or a bar, of the same assembly.
 */
export type EdgeJoint =
  /** Cut square where it was drawn, or so far beyond it. */
  | { readonly joint: 'free'; readonly beyondMm?: number }
  /** Both faces cut along the plane that halves the corner. */
  | { readonly joint: 'mitre'; readonly to: string }
  /** Butt that covers: runs over the other to its far side, or so far beyond. `square` is cut square there; else flush with the other. */
  | { readonly joint: 'over'; readonly to: string; readonly beyondMm?: number; readonly square?: true }
  /** Ends in line with the far side of another that it need not touch, or so far past it. */
  | { readonly joint: 'past'; readonly to: string; readonly beyondMm?: number }
  /** Cut along a plane through where it was drawn. */
  | { readonly joint: 'plane'; readonly normal: Vec }
  /** Butt that is covered: stops at the near side of the other, or so far before it. */
  | { readonly joint: 'against'; readonly to: string; readonly gapMm?: number }
  /** One part with the other, bent along the edge: a V cut out, or a score whose far side opens or closes. */
  | { readonly joint: 'fold'; readonly to: string; readonly by: 'v-cut' | 'score' };

/** A hole through a face, in the face's own axes: x along its first edge, y from there into the face. */
export interface Opening {
  readonly id: string;
  readonly name: string;
  readonly kind: 'door' | 'window' | 'gate' | 'slit' | 'hole';
  readonly ring: Ring;
  /** The edge it is open to, as a door is to the ground. */
  readonly onto?: number;
  /** It widens towards the far side by this angle on every side. */
  readonly splayDeg?: number;
  /** Its reveal shows the core and is lined. */
  readonly isLined?: boolean;
}

/** A flat face of a shell, on the surface whose size was asked for. */
export interface Face {
  readonly id: string;
  readonly name: string;
  /** Which of the piece's stocks it is cut from. */
  readonly role: string;
  /** In space, counter-clockwise as seen from outside. */
  readonly corners: readonly Vec[];
  /** One joint an edge: the first is from the first corner to the second. */
  readonly edges: readonly EdgeJoint[];
  readonly openings?: readonly Opening[];
  /** The side its thickness lies on: outside where the inside was asked for. */
  readonly grows: 'out' | 'in';
  /** Shifted along its thickness to lie on the far side of another. */
  readonly lies?: { readonly on: string };
  /** What shows on its far side and on its drawn side, for cladding and coats. */
  readonly shows?: { readonly far?: string; readonly drawn?: string };
  /** Lines scored in its far side: courses, planks. In its own axes. */
  readonly scores?: readonly (readonly [Point, Point])[];
}

/** A bar of stock sold by length: its section is the stock's, its place the family's. */
export interface Bar {
  readonly id: string;
  readonly name: string;
  readonly role: string;
  readonly from: Vec;
  readonly to: Vec;
  /** The way its width lies, about square to its run; its height lies square to both. */
  readonly across: Vec;
  /** Where the drawn line runs in its section, of its width and its height: −1 at one side, 0 in the middle, 1 at the other. */
  readonly runs?: readonly [acrossTo: -1 | 0 | 1, upTo: -1 | 0 | 1];
  readonly ends?: readonly [EdgeJoint, EdgeJoint];
  /** Shifted square to its run, one way after the other, until it touches the first of some others. */
  readonly touches?: readonly { readonly bodies: readonly string[]; readonly along: Vec }[];
}

/** Bars alike with equal gaps: between two bodies, or round an axis. The gap asked for is kept or a little more, what is left over is shared out. */
export interface Row {
  readonly id: string;
  readonly name: string;
  /** The first of them; where it stands along the row is reckoned. */
  readonly bar: Omit<Bar, 'id' | 'name'>;
  /** How many; or as many as leave this gap at least. */
  readonly count: number | { readonly gapMm: number };
  /** Two bodies, or two places. */
  readonly between?: { readonly along: Vec } & ({ readonly bodies: readonly [string, string] } | { readonly places: readonly [Vec, Vec] });
  /** Round an upright line, whole circle: each turned with its place. */
  readonly round?: { readonly centre: Vec; readonly radiusMm: number };
}

/** A sheet bent once about a line: a round tower's wall, a barrel roof, the deck of an arched bridge. */
export interface Bend {
  readonly id: string;
  readonly name: string;
  readonly role: string;
  /** A place on the line it is bent about, at its lower end, and the line's direction. */
  readonly centre: Vec;
  readonly axis: Vec;
  /** Where it begins, from the axis outwards; it turns counter-clockwise about the axis from there. */
  readonly start: Vec;
  readonly radiusMm: number;
  readonly turnDeg: number;
  /** Outline unrolled on the drawn side: x along the bend from the start, y along the axis. A full turn closes on itself. */
  readonly outline: Ring;
  readonly openings?: readonly Opening[];
  readonly grows: 'out' | 'in';
  readonly shows?: { readonly far?: string; readonly drawn?: string };
}

/** Things that are put together as one. */
export interface Assembly {
  readonly id: string;
  readonly name: string;
  /** How many of it a set has. */
  readonly count: number;
  readonly faces: readonly Face[];
  readonly bars?: readonly (Bar | Row)[];
  readonly bends?: readonly Bend[];
}

/** A stock as a shell needs it: how thick, and how wide where it is sold by length. */
export interface StockSize {
  readonly thicknessMm: number;
  /** Null for sheets. */
  readonly widthMm: number | null;
  readonly isRound: boolean;
  /** Width of the hole along a tube; 0 or left out for what is solid. */
  readonly boreMm?: number;
}
export type StockSizes = Readonly<Record<string, StockSize>>;
