import { mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { isIP } from 'node:net';
import { dirname, join } from 'node:path';
import { generate } from 'selfsigned';

const DAY_MS = 86_400_000;
/** Days: the authority is trusted by hand once; browsers take no server's certificate that is older. */
const AUTHORITY_DAYS = 3650;
const SERVER_DAYS = 397;

/** What a server that speaks TLS shows, PEM; `authority` where it is one of its own. */
export type Credentials = {
  readonly cert: string;
  readonly key: string;
  readonly authority?: string;
};

/** Addresses that only this machine itself can reach: a browser trusts them without TLS. */
export const isLoopback = (host: string): boolean =>
  host === 'localhost' || host === '::1' || /^127(?:\.\d{1,3}){3}$/u.test(host);

/**
 * The certificate to serve with: the files that were given, else one of its own for its names, signed by
 * an authority that is made once beside the database and that phones are told to trust once.
 *
 * @param names  by which it is called; addresses in brackets or plain
 */
export async function credentialsFor(
  databaseFile: string,
  names: readonly string[],
  given: { readonly cert?: string | undefined; readonly key?: string | undefined } = {},
): Promise<Credentials> {
  if (given.cert !== undefined && given.key !== undefined)
    return { cert: readFileSync(given.cert, 'utf8'), key: readFileSync(given.key, 'utf8') };
  const authority = await authorityOf(join(dirname(databaseFile), 'keys', 'authority.json'));
  const own = await generate([{ name: 'commonName', value: 'Holvek' }], {
    ...certificate(SERVER_DAYS),
    ca: { key: authority.key, cert: authority.cert },
    extensions: [
      { name: 'basicConstraints', cA: false, critical: true },
      { name: 'keyUsage', digitalSignature: true, critical: true },
      { name: 'extKeyUsage', serverAuth: true },
      { name: 'subjectAltName', altNames: names.map(altName) },
    ],
  });
  return {
    cert: `${own.cert.trim()}\n${authority.cert}`,
    key: own.private,
    authority: authority.cert,
  };
}

const certificate = (days: number) => ({
  keyType: 'ec' as const,
  curve: 'P-256' as const,
  algorithm: 'sha256',
  // An hour early: the clock of a phone is not that of the server.
  notBeforeDate: new Date(Date.now() - 3_600_000),
  notAfterDate: new Date(Date.now() + days * DAY_MS),
});

function altName(name: string) {
  const plain = name.replace(/^\[|\]$/gu, '');
  return isIP(plain) > 0 ? ({ type: 7, ip: plain } as const) : ({ type: 2, value: plain } as const);
}

type Authority = { readonly cert: string; readonly key: string };

/** Made once; a phone that trusts it trusts every certificate of this house that comes after. */
async function authorityOf(file: string): Promise<Authority> {
  try {
    return JSON.parse(readFileSync(file, 'utf8')) as Authority;
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code !== 'ENOENT')
      throw new Error(`${file} cannot be read: put the right one back, it is not replaced`, {
        cause: error,
      });
  }
  const made = await generate([{ name: 'commonName', value: 'Holvek authority of this house' }], {
    ...certificate(AUTHORITY_DAYS),
    extensions: [
      { name: 'basicConstraints', cA: true, critical: true },
      { name: 'keyUsage', keyCertSign: true, cRLSign: true, critical: true },
    ],
  });
  const authority = { cert: made.cert, key: made.private };
  mkdirSync(dirname(file), { recursive: true, mode: 0o700 });
  writeFileSync(file, JSON.stringify(authority), { mode: 0o600, flag: 'wx' });
  return authority;
}
