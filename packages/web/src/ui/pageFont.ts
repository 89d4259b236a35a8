import font from '@fontsource/ibm-plex-sans-condensed/files/ibm-plex-sans-condensed-latin-400-normal.woff?url';

/** The font that is set into PDF pages. @throws Error where the server does not give it */
export async function pageFont(): Promise<Uint8Array> {
  const answer = await fetch(font);
  if (!answer.ok) throw new Error('The font for the pages could not be read from the server.');
  return new Uint8Array(await answer.arrayBuffer());
}
