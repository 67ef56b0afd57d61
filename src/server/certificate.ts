/** A certificate of the shop's own, made once and kept beside its data, so that tablets reach it over https. */
import { X509Certificate } from 'node:crypto';
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { privateFolder } from '@/store/privateFiles';
import { ownAddresses, ownName } from './hosts';

export interface Certificate {
  cert: string;
  key: string;
}

const DAYS = 825;

/** What a browser shows of a certificate, to compare. */
export const fingerprintOf = (cert: string): string => new X509Certificate(cert).fingerprint256;

const isFor = (cert: string, names: readonly string[]): boolean => {
  const found = new X509Certificate(cert);
  return (
    Date.parse(found.validTo) > Date.now() + 24 * 3_600_000 &&
    names.every((name) => (/^[\d.]+$|:/.test(name) ? found.checkIP(name) : found.checkHost(name)) !== undefined)
  );
};

/**
 * The certificate in a folder, made where there is none for these names, or its time is up.
 *
 * @param names that it is asked for by, besides those of this machine
 */
export async function ownCertificate(folder: string, names: readonly string[]): Promise<Certificate> {
  const [certFile, keyFile] = [join(folder, 'shop-certificate.crt'), join(folder, 'shop-certificate.key')];
  const addresses = ownAddresses().map((address) => address.replace(/[[\]]/g, ''));
  const all = [
    ...new Set(['localhost', '127.0.0.1', ownName(), ...addresses, ...names.map((n) => n.replace(/:\d+$/, ''))]),
  ];
  if (existsSync(certFile) && existsSync(keyFile)) {
    const kept = { cert: readFileSync(certFile, 'utf8'), key: readFileSync(keyFile, 'utf8') };
    if (isFor(kept.cert, all)) return kept;
  }
  // loaded where it is wanted: it is a tenth of the start
  const { generate } = await import('selfsigned');
  const made = await generate([{ name: 'commonName', value: 'Spatium, this shop' }], {
    algorithm: 'sha256',
    keyType: 'ec',
    notAfterDate: new Date(Date.now() + DAYS * 24 * 3_600_000),
    extensions: [
      { name: 'basicConstraints', cA: true, critical: true },
      { name: 'keyUsage', digitalSignature: true, keyCertSign: true, critical: true },
      { name: 'extKeyUsage', serverAuth: true },
      {
        name: 'subjectAltName',
        altNames: all.map((name) =>
          /^[\d.]+$|:/.test(name) ? { type: 7 as const, ip: name } : { type: 2 as const, value: name },
        ),
      },
    ],
  });
  privateFolder(folder);
  writeFileSync(keyFile, made.private, { mode: 0o600 });
  writeFileSync(certFile, made.cert);
  return { cert: made.cert, key: made.private };
}
