import type { z } from 'zod';
import type { Point, Ring } from '../../base/geometry';
import type { DeepReadonly } from '../../base/readonly';
import type { Result } from '../../base/result';
import type { Catalogue } from '../../catalogue';
import type { AskedField } from '../../plan/fields';
import type { Assembly, Vec } from '../shell';
import type { LooseStuff } from './making/loose';

/** What the sizes of a piece follow from: the figures that will use it. */
export interface PieceScale {
  readonly figureMm: number;
  /** Across the base of one figure. */
  readonly baseMm: number;
  /** Model to life: 0.016 for 28 mm figures. */
  readonly ratio: number;
}

/** The scale of a board. */
export const pieceScale = (figureMm: number, baseMm: number, { bench }: Catalogue): PieceScale => ({
  figureMm,
  baseMm,
  ratio: figureMm / bench.personMm.value,
});

/** How a setting is asked for, and whether it has a say with the others as they are. */
export type PieceField = AskedField & {
  readonly when?: (settings: never) => boolean;
  /** The same piece, made another way: what each takes is shown side by side. */
  readonly isWay?: true;
  /** A number goes up and down by this. */
  readonly step?: number;
  /** Words are corners: they can be taken from a drawing of this sort. */
  readonly drawn?: 'outline' | 'line';
};

/** Something a piece is made of: sheets of it, or lengths. */
export interface StockRole {
  readonly role: string;
  readonly name: string;
  readonly sold: 'sheet' | 'length';
  /** The section of what is sold by length. */
  readonly section?: 'strip' | 'rod' | 'tube';
  /** Its sections go within those of another: rails within posts. */
  readonly within?: string;
  /** Which of the catalogue's usual stocks a new piece takes for it. */
  readonly usual: string;
}

/** A stock that is glued up: as thick as its layers together. */
export interface Laminate {
  readonly role: string;
  /** Roles of its layers, one after the other. */
  readonly layers: readonly string[];
  /** Glued as long strips, and its parts cut from those when they are dry; the setting to blame where a strip would be too long. */
  readonly stripField?: string;
}

/** A clear size that was asked for: nothing between its two ends, something right behind each of them. */
export interface ClearSpan {
  readonly name: string;
  readonly objectId: string;
  readonly from: Vec;
  readonly to: Vec;
}
/** A level that bases stand on. */
export interface StandingLevel {
  readonly name: string;
  readonly objectId: string;
  readonly atMm: number;
  readonly ring: Ring;
  /** Clear height over it; null in the open. */
  readonly headroomMm: number | null;
  /** The setting that raises what is over it. */
  readonly raisedBy?: string;
  /** What would let the cover over it lift off. */
  readonly openedBy?: { readonly change: Readonly<Record<string, number | boolean>>; readonly label: string };
  /** A step up to it, and the setting that makes it as high. */
  readonly climb?: { readonly mm: number; readonly by: string };
}
/** A way in or out. */
export interface WayIn {
  readonly name: string;
  readonly objectId: string;
  readonly widthMm: number;
  readonly heightMm: number;
  /** The settings that make it wider and higher. */
  readonly madeBy?: { readonly width: string; readonly height: string };
  /** Steps that lead up to the threshold, where it is known, and what would take one away. */
  readonly risers?: number;
  readonly loweredBy?: { readonly change: Readonly<Record<string, number | boolean>>; readonly label: string };
  /** Middle of the threshold, and the way out of it. */
  readonly at: Vec;
  readonly out: Vec;
}
/** One step of the assembly, with what it puts in its place. */
export interface OrderStep {
  readonly does: 'dry-fit' | 'glue' | 'pin' | 'fill' | 'paint' | 'weigh' | 'place';
  readonly says: string;
  readonly bodyIds: readonly string[];
}
/** Something that hangs between places: cut to its length and bent along them, no body of its own. */
export interface Strung {
  readonly id: string;
  readonly name: string;
  readonly role: string;
  readonly objectId: string;
  readonly lengthMm: number;
  readonly places: readonly Vec[];
  /** It goes through what hides it. */
  readonly isInside?: boolean;
}
/** Loose stuff it takes, by what it is used for; of one object. */
export interface Filling {
  readonly usual: string;
  readonly objectId: string;
  readonly ml: number;
}
/** Surfaces that are clad, by the word faces show. */
export interface CladZone {
  readonly shows: string;
  readonly name: string;
}

/** Everything a family makes of its settings. Sizes are those asked for; thickness, bevel and allowance are the shell's matter. */
export interface PieceShape {
  /** Each is put together by itself; a set has several, each so many times. */
  readonly objects: readonly Assembly[];
  readonly clear: readonly ClearSpan[];
  readonly levels: readonly StandingLevel[];
  readonly waysIn: readonly WayIn[];
  /** For walking over, not into: any top of it is a level. */
  readonly isWalkedOver?: true;
  readonly order: readonly OrderStep[];
  readonly strung?: readonly Strung[];
  readonly fills?: readonly Filling[];
  /** The same where it lies, as far as it has a shape. */
  readonly loose?: readonly LooseStuff[];
  /** What reveals of lined openings are lined with. */
  readonly liningRole?: string;
  /** What comes off: bodies lifted away together. */
  readonly liftsOff?: readonly { readonly name: string; readonly bodyIds: readonly string[] }[];
  /** What lies on what, touching each of them. */
  readonly rests?: readonly { readonly bodyId: string; readonly on: readonly string[] }[];
  /** Cut roughly, so much too large all round and not marked, then trimmed along what they lie on. */
  readonly oversize?: readonly { readonly bodyId: string; readonly overMm: number }[];
  readonly facts?: readonly PieceFact[];
  readonly handles?: readonly Handle[];
}
export interface PieceFact {
  readonly label: string;
  readonly value: number;
  readonly unit: 'mm' | '°' | '1' | 'mm²' | 'ml';
}
/** A setting that can be dragged on the plan or an elevation: where, and which way it grows. */
export interface Handle {
  readonly key: string;
  readonly label: string;
  readonly objectId: string;
  readonly at: Vec;
  /** Moving so far along this changes the setting by one. */
  readonly along: Vec;
  readonly perUnitMm: number;
  readonly step: number;
}

/** A setting that cannot be, told at its field with what would do. */
export interface FieldProblem {
  readonly code: 'piece/field';
  readonly field: string;
  readonly says: string;
}

/**
 * Everything one family of pieces is. What differs from family to family stands in its own file of `families/`; no other file knows a family by name.
 */
export interface PieceFamilyOf<S> {
  readonly name: string;
  /** In one line, for the gallery. */
  readonly says: string;
  readonly fields: readonly PieceField[];
  readonly roles: readonly StockRole[];
  readonly clads: readonly CladZone[];
  /** Sensible first values at a scale. */
  readonly fresh: (scale: PieceScale) => S;
  readonly shape: (settings: S, scale: PieceScale) => Result<PieceShape, FieldProblem>;
  /** Stocks glued up of others before anything is cut of them. */
  readonly laminates?: (settings: S) => readonly Laminate[];
  readonly counts?: Counting<S>;
}
/** Of how many a set consists, for a place it is to be laid out on. */
export interface Counting<S> {
  readonly says: string;
  readonly fields: readonly PieceField[];
  /** What is asked, for a table; or for a usual one where there is none. */
  readonly fresh: (table: { readonly widthMm: number; readonly depthMm: number }) => Readonly<Record<string, number>>;
  readonly counted: (settings: S, asked: Readonly<Record<string, number>>) => Result<Partial<S>, FieldProblem>;
}
export interface PieceFamilyDefinition<F extends string, S extends z.ZodType> {
  readonly family: F;
  readonly settings: S;
  readonly of: PieceFamilyOf<DeepReadonly<z.infer<S>>>;
}

/** Defines a family of pieces. @param settings what it asks for, in the words of the craft; @param of all that is its own */
export const pieceFamily = <F extends string, S extends z.ZodType>(
  family: F,
  settings: S,
  of: PieceFamilyOf<DeepReadonly<z.infer<NoInfer<S>>>>,
): PieceFamilyDefinition<F, S> => ({ family, settings, of });

export const refused = (field: string, says: string): { readonly ok: false; readonly problem: FieldProblem } => ({
  ok: false,
  problem: { code: 'piece/field', field, says },
});
export const rectangleRing = (left: number, low: number, right: number, high: number): readonly Point[] => [
  { x: left, y: low },
  { x: right, y: low },
  { x: right, y: high },
  { x: left, y: high },
];
