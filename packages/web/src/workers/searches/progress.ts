/** Told how far a search is; answers whether to go on. The answer travels, so a cancel gets in between two steps. */
export type OnProgress = (done: number, of: number) => boolean | Promise<boolean>;
