import { isIP } from 'node:net';
import { toString } from 'qrcode';

/** The first of a server's names by which another machine can reach it. */
export const reachableName = (names: readonly string[]): string | undefined =>
  names.find((name) => isIP(name) === 4 && !name.startsWith('127.')) ??
  names.find((name) => name !== 'localhost' && !name.startsWith('127.') && name !== '[::1]');

/** How a phone comes to trust this server: words, and the same as a code to scan. */
export async function invitation(names: readonly string[], port: string): Promise<string> {
  const name = reachableName(names) ?? '<address>';
  const address = `https://${name}:${port}/authority.crt`;
  const words =
    `  Phones trust it once they have taken ${address}\n` +
    '  (scan it, install it as a certificate authority, then open the same address without the ending).';
  if (name === '<address>') return words;
  return `${words}\n${await toString(address, { type: 'terminal', small: true })}`;
}
