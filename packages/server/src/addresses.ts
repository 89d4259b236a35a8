import { networkInterfaces } from 'node:os';

/** Whether only this machine itself can ask at an address. */
export const isLoopback = (address: string): boolean => address === '::1' || address.startsWith('127.');

/** Under which hosts a server that listens at an address is reached, written as in a URL; of all addresses those of the network. */
export function hostsOf(listen: string): readonly string[] {
  if (listen !== '0.0.0.0' && listen !== '::') return [listen.includes(':') ? `[${listen}]` : listen];
  return Object.values(networkInterfaces()).flatMap((one = []) =>
    one.filter(({ family, internal }) => family === 'IPv4' && !internal).map(({ address }) => address),
  );
}
