import type { Remote } from 'comlink';
import type { Catalogue } from '@spare-acre/core/catalogue';
import type { OwnPaint } from '@spare-acre/core/plan';
import { wrapMortal } from './mortal';
import type { Swatches } from './swatch.worker';

let remote: Remote<Swatches> | null = null;
let opened: readonly [Catalogue, readonly OwnPaint[]] | null = null;

/** The worker that makes swatches: made on first use, kept, and told when there are other paints. */
export function swatches(catalogue: Catalogue, own: readonly OwnPaint[]): Remote<Swatches> {
  remote ??= wrapMortal<Swatches>(
    new Worker(new URL('./swatch.worker.ts', import.meta.url), { type: 'module' }),
    () => ([remote, opened] = [null, null]),
  ).remote;
  if (opened === null || opened[0] !== catalogue || opened[1] !== own) {
    opened = [catalogue, own];
    void remote.open(catalogue, own).catch(() => undefined); // told by whoever asks next
  }
  return remote;
}
