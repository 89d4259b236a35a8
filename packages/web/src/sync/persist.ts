let asked: Promise<boolean> | null = null;

/**
 * Asks the browser once to keep what this page stores, also when the device runs short of space.
 * @returns whether it promised; false where it has no such promise to give
 */
export const askToPersist = (): Promise<boolean> =>
  (asked ??= (navigator as { storage?: Partial<StorageManager> }).storage?.persist?.().catch(() => false) ?? Promise.resolve(false));
