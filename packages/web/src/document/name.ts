/** A short name no one else has: for features, tabs and the like. */
export const shortId = (): string => crypto.randomUUID().replaceAll('-', '').slice(0, 12);
