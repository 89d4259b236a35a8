import { dequal } from 'dequal';
import type { BoardRecord, CutSheet } from '@spare-acre/core/plan/workshop';

/** A sheet ticked off, or a tick taken back: each is told by itself, since another device may tick others meanwhile. */
export type SheetEvent = { readonly kind: 'keep'; readonly sheet: CutSheet } | { readonly kind: 'drop'; readonly sheetId: string };

/** What of the cut sheets is still to be told. @param told as the server has them; @param now as this page has them */
export function sheetEvents(
  { cutSheets: told }: Pick<BoardRecord, 'cutSheets'>,
  { cutSheets: now }: Pick<BoardRecord, 'cutSheets'>,
): readonly SheetEvent[] {
  if (told === now) return [];
  const known = new Map(told.map((sheet) => [sheet.id, sheet]));
  const left = new Set(now.map(({ id }) => id));
  return [
    ...now.filter((sheet) => !dequal(known.get(sheet.id), sheet)).map((sheet) => ({ kind: 'keep', sheet }) as const),
    ...told.filter(({ id }) => !left.has(id)).map(({ id }) => ({ kind: 'drop', sheetId: id }) as const),
  ];
}
