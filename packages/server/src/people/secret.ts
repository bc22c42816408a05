import { randomBytes, scrypt, timingSafeEqual, type ScryptOptions } from 'node:crypto';

/** 32 MB and about a tenth of a second for each try: what a guess costs. */
const COST = { N: 2 ** 15, r: 8, p: 1, maxmem: 64 * 1024 * 1024 } as const satisfies ScryptOptions;
const LENGTH = 32;

const stretched = (secret: string, salt: Buffer, { N, r, p }: ScryptOptions): Promise<Buffer> =>
  new Promise((done, failed) => {
    scrypt(
      secret.normalize('NFKC'),
      salt,
      LENGTH,
      { N, r, p, maxmem: COST.maxmem },
      (error, key) => {
        if (error) failed(error);
        else done(key);
      },
    );
  });

/** A secret as it is kept: scrypt (RFC 7914) with its cost and its salt. */
export async function keptSecret(secret: string): Promise<string> {
  const salt = randomBytes(16);
  const key = await stretched(secret, salt, COST);
  const { N, r, p } = COST;
  return ['scrypt', N, r, p, salt.toString('base64url'), key.toString('base64url')].join('$');
}

/** Nobody's: a name that does not exist takes as long to refuse as a wrong secret. */
let nobody: Promise<string> | undefined;

/** Whether this is the secret that is kept; never, where none is. */
export async function isSecret(secret: string, kept: string | undefined): Promise<boolean> {
  nobody ??= keptSecret(randomBytes(16).toString('hex'));
  const [, N, r, p, salt, key] = (kept ?? (await nobody)).split('$');
  const cost = { N: Number(N), r: Number(r), p: Number(p) };
  const tried = await stretched(secret, Buffer.from(salt!, 'base64url'), cost);
  return timingSafeEqual(tried, Buffer.from(key!, 'base64url')) && kept !== undefined;
}
