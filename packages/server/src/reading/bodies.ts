import { type RequestHandler, raw } from 'express';
import { HttpProblem } from '../problems';
import { parseJson } from './json';

/** JSON as its bytes, for a thread to read. @param limit such as `4mb` */
export const jsonBytes = (limit: string): RequestHandler[] => [
  onlyOf('application/json', 'body'),
  raw({ limit, type: 'application/json' }),
];

/** JSON parsed here: for what is small. */
export const smallJson = (limit: string): RequestHandler[] => [
  ...jsonBytes(limit),
  (req, _res, next) => {
    req.body = parseJson(bytesOf(req.body));
    next();
  },
];

/** A picture as its bytes, whatever they turn out to be. */
export const pictureBytes = (limit: string): RequestHandler[] => [
  onlyOf('application/octet-stream', 'picture'),
  raw({ limit, type: 'application/octet-stream' }),
];

/** The bytes that a body parser left; none where none came. */
export const bytesOf = (body: unknown): Uint8Array => (Buffer.isBuffer(body) ? body : new Uint8Array());

/** Refuses other types of content: those that any page may send anywhere, without being asked, among them. */
function onlyOf(type: string, what: string): RequestHandler {
  return (req, _res, next) => {
    if (req.is(type) !== type) {
      const got = req.get('content-type')?.slice(0, 80) ?? 'no content type';
      throw new HttpProblem(415, 'Wrong content type', `${what}: got ${got}. Enter ${type}.`);
    }
    next();
  };
}
