/** A short name no one else has: for features, tabs and the like. Made of what a page has that is not served under TLS, too. */
export const shortId = (): string =>
  Array.from(crypto.getRandomValues(new Uint8Array(6)), (byte) => byte.toString(16).padStart(2, '0')).join('');
