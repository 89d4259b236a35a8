import { type Result, ok } from '@spare-acre/core/base/result';
import {
  type FormatProblem,
  type HeightmapUse,
  type ImportedDrawing,
  contoursOfHeightmap,
  readDxf,
  readHeightmap,
  readSvg,
} from '@spare-acre/core/io/formats';
import type { Contours } from '@spare-acre/core/plan/shapes';

export const drawing = (name: string, text: string): Result<ImportedDrawing, FormatProblem> =>
  name.toLowerCase().endsWith('.dxf') ? readDxf(text, name) : readSvg(text, name);

/** Whether a picture can be read as heights, and why not. */
export function heights(name: string, bytes: Uint8Array): Result<null, FormatProblem> {
  const read = readHeightmap(bytes, name);
  return read.ok ? ok(null) : read;
}

export function hill(name: string, bytes: Uint8Array, use: HeightmapUse): Result<Contours, FormatProblem> {
  const read = readHeightmap(bytes, name);
  return read.ok ? contoursOfHeightmap(read.value, use, name) : read;
}
