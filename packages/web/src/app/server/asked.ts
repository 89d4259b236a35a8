import { Reach, Session, type SignIn } from '@spare-acre/core/io/wire';
import type { z } from 'zod';
import { call } from '../../stores/device/client';

/** What only the sheets about the server ask for, and so is not fetched with the page. */
export const fetchReach = (): Promise<Reach> => call(Reach, 'GET', '/reach');
export const fetchSession = (): Promise<Session> => call(Session, 'GET', '/session');
export const signIn = (who: z.infer<typeof SignIn>): Promise<Session> => call(Session, 'POST', '/session', who);
export const signOut = (): Promise<null> => call(null, 'DELETE', '/session');
