// @ts-check
/** A certificate of our own making: made once, kept, known by its fingerprint. */
import { X509Certificate } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, renameSync, rmSync, writeFileSync } from 'node:fs';
import { hostname, networkInterfaces } from 'node:os';
import { join } from 'node:path';
import { generate } from 'selfsigned';

const YEARS = 5;
/** One that ends within so many days is made anew. */
const RENEW_DAYS = 14;

/** @param {string} folder @returns {Promise<{ cert: string, key: string }>} its files */
export async function ownCertificate(folder) {
  const files = { cert: join(folder, 'cert.pem'), key: join(folder, 'key.pem') };
  if (existsSync(files.cert)) {
    const endsAt = Date.parse(new X509Certificate(readFileSync(files.cert)).validTo);
    if (endsAt - Date.now() > RENEW_DAYS * 86_400_000) return files;
  }
  const addresses = Object.values(networkInterfaces()).flatMap((one = []) => one.map(({ address }) => address));
  const notAfterDate = new Date();
  notAfterDate.setFullYear(notAfterDate.getFullYear() + YEARS);
  const made = await generate([{ name: 'commonName', value: hostname() }], {
    keyType: 'ec',
    algorithm: 'sha256',
    notAfterDate,
    extensions: [
      {
        name: 'subjectAltName',
        altNames: [
          ...['localhost', hostname(), `${hostname()}.local`].map((value) => /** @type {const} */ ({ type: 2, value })),
          ...addresses.map((ip) => /** @type {const} */ ({ type: 7, ip })),
        ],
      },
    ],
  });
  const making = `${folder}.making-${process.pid}`;
  mkdirSync(making, { mode: 0o700 });
  writeFileSync(join(making, 'cert.pem'), made.cert, { mode: 0o600 });
  writeFileSync(join(making, 'key.pem'), made.private, { mode: 0o600 });
  rmSync(folder, { recursive: true, force: true });
  renameSync(making, folder);
  return files;
}

/** @param {string} folder */
export const fingerprintOf = (folder) => new X509Certificate(readFileSync(join(folder, 'cert.pem'))).fingerprint256;
