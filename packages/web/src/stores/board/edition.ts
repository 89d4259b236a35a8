import type { z } from 'zod';
import { Edition } from '@spare-acre/core/io/wire';
import { call } from '../device/client';

/** The figures a board was reckoned with, and since when; no catalogue where they are the present ones. */
export type Remembered = z.infer<typeof Edition>;

const at = (boardId: string): string => `/boards/${encodeURIComponent(boardId)}/edition`;
export const fetchEdition = (boardId: string): Promise<Remembered> => call(Edition, 'GET', at(boardId));
/** The board is reckoned with the present figures from now on, and tells of later changes. */
export const takeNote = (boardId: string): Promise<Remembered> => call(Edition, 'PUT', at(boardId));
