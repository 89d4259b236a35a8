import { OwnList } from '@spare-acre/core/io/wire';
import type { z } from 'zod';
import { useCatalogue } from './catalogue';
import { call } from '../device/client';

/** A figure of the builder's own beside ours. */
export type OwnEntry = z.infer<typeof OwnList>['values'][number];

export const listOwn = async (): Promise<readonly OwnEntry[]> => (await call(OwnList, 'GET', '/own-values')).values;
/** Puts a figure of one's own in the place of ours, for all boards; what is open is reckoned anew. @throws ServerProblem where it can not be one */
export async function keepOwn(path: string, own: OwnEntry['own']): Promise<void> {
  await call(null, 'PUT', `/own-values/${encodeURIComponent(path)}`, own);
  await useCatalogue().renew();
}
/** Ours again. */
export async function dropOwn(path: string): Promise<void> {
  await call(null, 'DELETE', `/own-values/${encodeURIComponent(path)}`);
  await useCatalogue().renew();
}
