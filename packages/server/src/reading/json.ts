import { unstorableAt } from '@spare-acre/core/base/text';

/** Deeper than any plan goes. A parser's time and memory grow with the depth, and so does that of all who walk what it gives. */
export const MAX_DEPTH = 40;

/** Bytes that are no JSON this server takes; the message says what would do. */
export class BadJson extends Error {
  readonly status = 400;
}

/** Text that no store can hold: refused at the border, for every route alike, with the place where it stands. */
export class BadText extends Error {
  constructor(readonly path: string) {
    super('holds half of a character or a NUL. Remove it and send it again');
  }
}

const [QUOTE, BACKSLASH, OPEN_LIST, CLOSE_LIST, OPEN_OBJECT, CLOSE_OBJECT] = [...'"\\[]{}'].map((sign) => sign.charCodeAt(0));

/**
 * JSON from bytes, its depth looked at first.
 * @throws BadText for what holds text that cannot be stored
 * @throws BadJson for nothing, for what is not UTF-8 or not JSON, and for what is nested deeper than {@link MAX_DEPTH}
 */
export function parseJson(bytes: Uint8Array): unknown {
  if (bytes.length === 0) throw new BadJson('body: the request is empty. Send JSON.');
  refuseDeep(bytes);
  const data = parsed(bytes);
  const bad = unstorableAt(data);
  if (bad !== null) throw new BadText(bad.join('.') || 'body');
  return data;
}

function parsed(bytes: Uint8Array): unknown {
  try {
    return JSON.parse(new TextDecoder('utf-8', { fatal: true }).decode(bytes)) as unknown;
  } catch (error) {
    throw new BadJson(error instanceof SyntaxError ? `body: ${error.message}` : 'body: is not UTF-8 text.');
  }
}

function refuseDeep(bytes: Uint8Array): void {
  let depth = 0;
  let isText = false;
  for (let i = 0; i < bytes.length; i++) {
    const sign = bytes[i];
    if (isText) {
      if (sign === BACKSLASH) i += 1;
      else if (sign === QUOTE) isText = false;
    } else if (sign === QUOTE) isText = true;
    else if (sign === CLOSE_LIST || sign === CLOSE_OBJECT) depth -= 1;
    else if (sign === OPEN_LIST || sign === OPEN_OBJECT) {
      depth += 1;
      if (depth > MAX_DEPTH) throw new BadJson(`body: nested more than ${MAX_DEPTH} levels deep. A plan has fewer than 10 levels.`);
    }
  }
}
