/** A worker that takes everything and answers nothing: for tests of what happens before an answer. */
export class Reckoning {
  open = (): void => undefined;
  change = (): void => undefined;
  look = (): void => undefined;
  working = (): Promise<null> => Promise.resolve(null);
  close = (): void => undefined;
}
