import { createGlobalState, useStorage } from '@vueuse/core';

/** Lessons under way in this browser: their tile, the day it was begun, and which comes next. */
export interface Lessons {
  readonly boardId: string;
  readonly startsOn: string;
  readonly at: number;
}

export const useLessons = createGlobalState(() =>
  useStorage<Lessons | null>('spare-acre/lessons', null, undefined, {
    serializer: { read: (text) => JSON.parse(text) as Lessons | null, write: JSON.stringify },
  }),
);
