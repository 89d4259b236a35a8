import { X509Certificate } from 'node:crypto';
import { readFileSync } from 'node:fs';

/** What TLS is served with. */
export interface Certificate {
  readonly cert: string;
  readonly key: string;
  /** SHA-256 over the certificate, in pairs, as browsers show it. */
  readonly fingerprint: string;
}

/** @throws Error naming the file that is not what it should be */
export function readCertificate(certFile: string, keyFile: string): Certificate {
  const cert = readFile('--cert', certFile);
  const key = readFile('--key', keyFile);
  try {
    return { cert, key, fingerprint: new X509Certificate(cert).fingerprint256 };
  } catch {
    throw new Error(`--cert: ${certFile} is no certificate in PEM form`);
  }
}

function readFile(flag: string, file: string): string {
  try {
    return readFileSync(file, 'utf8');
  } catch {
    throw new Error(`${flag}: ${file} cannot be read`);
  }
}
