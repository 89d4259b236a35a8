import { X509Certificate } from 'node:crypto';
import { readFileSync } from 'node:fs';

/** What TLS is served with. */
export interface Certificate {
  readonly cert: string;
  readonly key: string;
}

/** The certificate of an authority of our own. */
export interface Authority {
  readonly pem: string;
  /** As phones and Windows want it. */
  readonly der: Buffer;
  readonly fingerprint: string;
}
/** @throws Error naming the file that is not what it should be */
export function readAuthority(file: string): Authority {
  const pem = readFile('TLS_AUTHORITY', file);
  const certificate = new X509Certificate(pem);
  return { pem, der: certificate.raw, fingerprint: certificate.fingerprint256 };
}

/** @throws Error naming the file that is not what it should be */
export function readCertificate(certFile: string, keyFile: string): Certificate {
  const cert = readFile('--cert', certFile);
  const key = readFile('--key', keyFile);
  try {
    new X509Certificate(cert);
    return { cert, key };
  } catch {
    throw new Error(`--cert: ${certFile} is not a certificate in PEM format`);
  }
}

function readFile(flag: string, file: string): string {
  try {
    return readFileSync(file, 'utf8');
  } catch {
    throw new Error(`${flag}: ${file} cannot be read`);
  }
}
