import { listedBy } from '../../../base/grouping';
import { cutMm } from '../../../base/rounding';
import { type Result, fail, ok } from '../../../base/result';
import { boxRegion, innerEdgeMm, regionBox } from '../../../base/geometry';
import { type Catalogue, sheetsOf } from '../../../catalogue';
import type { Piece } from '../../../plan';
import type { Part, Segments } from '../../cutting/parts';
import type { Laminate } from '../family';
import { madeByHand } from './copies';
import type { MadeObject } from './made-object';

/** What is cut from a strip, one after the other from its squared end. */
export interface Segment {
  readonly name: string;
  readonly lengthMm: number;
  /** What is cut of it besides its two ends: openings, slants, a broken top. */
  readonly moreMm: number;
}
/** Layers glued as one long strip, from which segments are cut when it is dry. */
export interface Strip {
  readonly id: string;
  readonly name: string;
  /** Roles of its layers. */
  readonly layers: readonly string[];
  /** As it is glued: a cut after each segment, and something to square at both ends and along one edge. */
  readonly longMm: number;
  readonly wideMm: number;
  /** As high as its segments. */
  readonly highMm: number;
  readonly segments: readonly Segment[];
}

/** What one cut across takes; what is squared off each end, and off the width. @source craft.md §5: allow both */
const CUT_MM = 1;
const END_MM = 10;
const EDGE_MM = 6;

/** A segment that no strip is long enough for. */
export interface StripTooLong {
  readonly field: string;
  readonly says: string;
}

/** The strips of a piece, all copies: as few as the sheets of every layer are long enough for, equally long where the segments allow it. */
export function stripsOf(
  piece: Piece,
  objects: readonly MadeObject[],
  laminates: readonly Laminate[],
  catalogue: Catalogue,
): Result<readonly Strip[], StripTooLong> {
  const strips: Strip[] = [];
  for (const { role, layers, stripField } of laminates) {
    if (stripField === undefined) continue;
    const usableMm = Math.min(...layers.map((layer) => longestMm(piece, layer, catalogue))) - 2 * END_MM;
    const segments = objects.flatMap(({ name, sheets, count }) =>
      sheets
        .filter((flat) => flat.role === role)
        .flatMap((flat) => {
          const { right, bottom } = regionBox(flat.blank);
          const segment = {
            name: `${name}: ${flat.name.toLowerCase()}`,
            lengthMm: cutMm(right),
            highMm: cutMm(bottom),
            moreMm: innerEdgeMm(flat.blank, { left: 0, top: 0, right, bottom }),
          };
          return Array.from({ length: count * madeByHand(piece) }, () => segment);
        }),
    );
    const longest = segments.find(({ lengthMm }) => lengthMm > usableMm);
    if (longest !== undefined)
      return fail({
        field: stripField,
        says: `a strip for ${cutMm(longest.lengthMm)} mm is longer than the sheets it is glued from, less ${2 * END_MM} mm for its ends. Enter up to ${Math.floor(usableMm)} mm`,
      });
    for (const [highMm, own] of listedBy(segments, (segment) => segment.highMm)) {
      for (const cut of shared(own, usableMm)) {
        const number = strips.length + 1;
        strips.push({
          id: `strip-${number}`,
          name: `strip ${number}`,
          layers,
          longMm: cutMm(takenMm(cut) + 2 * END_MM),
          wideMm: cutMm(highMm + EDGE_MM),
          highMm,
          segments: cut.map(({ name, lengthMm, moreMm }) => ({ name, lengthMm, moreMm })),
        });
      }
    }
  }
  return ok(strips);
}
const takenMm = (segments: readonly { readonly lengthMm: number }[]): number =>
  segments.reduce((sum, { lengthMm }) => sum + lengthMm + CUT_MM, 0);

/** The longest strip that a layer can be cut as, in one piece. */
const longestMm = (piece: Piece, role: string, catalogue: Catalogue): number => {
  const { materialId, thicknessMm } = piece.sheets.find((sheet) => sheet.role === role)!;
  const sheets = sheetsOf(catalogue, materialId, thicknessMm);
  // What is not stocked in that thickness is told where sheets are bought.
  return sheets.length === 0 ? Infinity : Math.max(...sheets.map(({ widthMm, depthMm }) => Math.max(widthMm, depthMm)));
};

/** Longest first, each on the strip with the least on it so far: on as few strips as will hold them. */
function shared<S extends { readonly lengthMm: number }>(segments: readonly S[], usableMm: number): readonly (readonly S[])[] {
  const longestFirst = segments.toSorted((a, b) => b.lengthMm - a.lengthMm);
  for (let count = Math.max(1, Math.ceil(takenMm(segments) / (usableMm + CUT_MM) - 1e-9)); ; count++) {
    const strips = Array.from({ length: count }, (): S[] => []);
    for (const segment of longestFirst) strips.reduce((least, own) => (takenMm(own) < takenMm(least) ? own : least)).push(segment);
    if (count >= segments.length || strips.every((own) => takenMm(own) - CUT_MM <= usableMm)) return strips.filter((own) => own.length > 0);
  }
}

/** The layers of strips, each cut from its sheet. */
export const stripParts = (piece: Piece, strips: readonly Strip[]): readonly Part[] =>
  strips.flatMap((strip) =>
    strip.layers.map((role, i): Part => {
      const { materialId, thicknessMm } = piece.sheets.find((sheet) => sheet.role === role)!;
      const id = `${piece.id}-${strip.id}-${i + 1}`;
      const name = `${piece.name}: ${strip.name}, layer ${i + 1}`;
      const outline = boxRegion({ left: 0, top: 0, right: strip.longMm, bottom: strip.wideMm });
      const mm2 = strip.longMm * strip.wideMm;
      return {
        id,
        name,
        wholeId: id,
        wholeName: name,
        workpieceId: piece.id,
        featureId: null,
        stage: 'piece',
        materialId,
        thicknessMm,
        level: 0,
        at: null,
        grain: null,
        widthMm: strip.longMm,
        depthMm: strip.wideMm,
        outline,
        areaMm2: mm2,
        staysMm2: mm2,
        cutMm: 2 * (strip.longMm + strip.wideMm),
        ...(i === 0 ? { segments: segmentsOf(strip) } : {}),
      };
    }),
  );

const segmentsOf = ({ segments }: Strip): readonly Segments[] =>
  [...listedBy(segments, ({ name, lengthMm }) => `${name} ${lengthMm}`).values()].map((own) => ({
    name: own[0]!.name,
    count: own.length,
    lengthMm: own[0]!.lengthMm,
  }));

/** Faces that are glued between the layers of all strips. */
export const stripGluedMm2 = (strips: readonly Strip[]): number =>
  strips.reduce((sum, { longMm, wideMm, layers }) => sum + longMm * wideMm * (layers.length - 1), 0);
