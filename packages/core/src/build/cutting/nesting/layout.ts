/** What is cut off each edge of a sheet before anything is measured from it; nothing off an edge that is straight already. */
export interface Trim {
  readonly leftMm: number;
  readonly topMm: number;
  readonly rightMm: number;
  readonly bottomMm: number;
}
export const evenTrim = (mm: number): Trim => ({ leftMm: mm, topMm: mm, rightMm: mm, bottomMm: mm });
export const NO_TRIM = evenTrim(0);

/** A sheet that parts may be laid on: new ones of a size without end, or one offcut from the rack. */
export interface Stock {
  readonly widthMm: number;
  readonly depthMm: number;
  readonly trim: Trim;
  /** null for new sheets. */
  readonly offcutId: string | null;
  readonly priceMinor: number;
}
/** What is fewest first: money or sheets. */
export type Aim = 'cheapest' | 'fewest';

/** A rectangle to be placed. Sizes in mm, without kerf. */
export interface Blank {
  readonly id: string;
  readonly widthMm: number;
  readonly depthMm: number;
  readonly mayTurn: boolean;
}
/** One sheet as it is cut: its size, what is trimmed off its edges, and what the blade takes between parts. */
export interface SheetRule {
  readonly widthMm: number;
  readonly depthMm: number;
  readonly trim: Trim;
  readonly kerfMm: number;
}
/** Where a part lies: its corner nearest the sheet's left top corner, and its size as it lies. */
export interface Placement {
  readonly blankId: string;
  readonly xMm: number;
  readonly yMm: number;
  readonly widthMm: number;
  readonly depthMm: number;
  readonly turned: boolean;
  /** Turned by a further half, as only free placement does: the box stays the same. */
  readonly half: boolean;
  /** Put there by hand; stays whatever is searched. */
  readonly pinned: boolean;
}
export interface PlacedSheet {
  readonly stock: Stock;
  readonly placements: readonly Placement[];
  /** The largest rectangle left over. */
  readonly rest: { readonly xMm: number; readonly yMm: number; readonly widthMm: number; readonly depthMm: number };
  /** On a sheet that is cut already, as the plan remembers it; no search has it in hand. */
  readonly cut?: { readonly id: string; readonly number: number };
}
export interface Layout {
  readonly sheets: readonly PlacedSheet[];
  /** Blanks that fit no sheet however turned. */
  readonly tooLarge: readonly string[];
}
/** What is to be laid out on what. */
export interface LayoutTask {
  readonly blanks: readonly Blank[];
  readonly stock: readonly Stock[];
  readonly kerfMm: number;
  readonly aim: Aim;
  /** Sheets with parts that stay where they are. */
  readonly pinned: readonly { readonly stock: Stock; readonly placements: readonly Placement[] }[];
}

/** The rule one sheet is cut by. */
export const ruleOf = ({ widthMm, depthMm, trim }: Stock, kerfMm: number): SheetRule => ({ widthMm, depthMm, trim, kerfMm });

/** The last line of a sheet that parts may reach to the right and at the bottom, mm from its left and top edges. */
export const endsOf = ({ widthMm, depthMm, trim }: Pick<Stock, 'widthMm' | 'depthMm' | 'trim'>): { rightMm: number; bottomMm: number } => ({
  rightMm: widthMm - trim.rightMm,
  bottomMm: depthMm - trim.bottomMm,
});
