/** A warmer or drier place to put it, of those that there are. */
export interface Elsewhere {
  readonly placeId: string;
  readonly name: string;
}
/** What goes wrong with the evenings, as data: the words are for the checks. */
export type ScheduleIssue =
  | {
      readonly kind: 'cold';
      readonly placeId: string;
      readonly placeName: string;
      readonly what: string;
      readonly others: number;
      readonly leastC: number;
      readonly airC: number;
      /** Then it is warm enough; null for never. */
      readonly untilText: string | null;
      readonly elsewhere: Elsewhere | null;
    }
  | {
      readonly kind: 'never-dry';
      readonly placeId: string;
      readonly placeName: string;
      readonly what: string;
      readonly elsewhere: Elsewhere | null;
    }
  | { readonly kind: 'dew'; readonly placeName: string; readonly whenText: string; readonly dewC: number; readonly what: string }
  | {
      readonly kind: 'mould';
      readonly placeId: string;
      readonly placeName: string;
      readonly whenText: string;
      readonly elsewhere: Elsewhere | null;
    }
  | { readonly kind: 'nobody'; readonly what: string; readonly names: readonly string[] }
  | { readonly kind: 'no-spray'; readonly what: string; readonly placeId: string; readonly placeName: string }
  | { readonly kind: 'pins'; readonly taskIds: readonly string[]; readonly what: string }
  | { readonly kind: 'too-slow'; readonly what: string; readonly most: string }
  | { readonly kind: 'no-time'; readonly what: string; readonly why: string }
  | { readonly kind: 'full'; readonly what: string; readonly waitMin: number; readonly count: number }
  | { readonly kind: 'fans'; readonly wanted: number; readonly there: number };
