/** What no store can hold: half of a surrogate pair, as where an emoji was cut in two, and the NUL character. */
const UNSTORABLE = /[\p{Cs}\0]/u;

/** Letters of a text as a person counts them: an emoji of one code point is one. */
export const lettersIn = (text: string): number => {
  let count = 0;
  for (const _letter of text) count += 1;
  return count;
};

/** A text with at most so many letters, none of them cut in two, without what no store can hold. */
export const cutText = (text: string, maxLetters: number): string =>
  [...text.replace(new RegExp(UNSTORABLE, 'gu'), '')].slice(0, maxLetters).join('');

export const isStorable = (text: string): boolean => !UNSTORABLE.test(text);

/** The way to the first text in plain data that cannot be stored, its keys among them; null where all can. */
export function unstorableAt(data: unknown): readonly string[] | null {
  if (typeof data === 'string') return isStorable(data) ? null : [];
  if (typeof data !== 'object' || data === null) return null;
  if (Array.isArray(data)) {
    // Without a list of its entries: a million numbers are gone over in a few milliseconds.
    for (let i = 0; i < data.length; i++) {
      const within = unstorableAt(data[i]);
      if (within !== null) return [String(i), ...within];
    }
    return null;
  }
  for (const [key, value] of Object.entries(data)) {
    if (!isStorable(key)) return [key];
    const within = unstorableAt(value);
    if (within !== null) return [key, ...within];
  }
  return null;
}
