import { Picture, PictureList } from '@spare-acre/core/io/wire';
import type { z } from 'zod';
import { call } from '../device/client';

/** Requests about pictures, apart from those that every page makes. */
export type Kept = z.infer<typeof PictureList>;
export type ListedPicture = Kept['pictures'][number];

/** Sends a picture as it is; the server looks at its bytes. */
export const keepPicture = (file: Blob): Promise<z.infer<typeof Picture>> => call(Picture, 'POST', '/pictures', file);
export const fetchPictures = (): Promise<Kept> => call(PictureList, 'GET', '/pictures');
export const removePicture = (id: string): Promise<null> => call(null, 'DELETE', `/pictures/${encodeURIComponent(id)}`);
