import { isIPv6 } from 'node:net';
import { hostname, networkInterfaces } from 'node:os';

const LOOPBACK = ['localhost', '127.0.0.1', '[::1]'];
const EVERY_ADDRESS: ReadonlySet<string> = new Set(['0.0.0.0', '::']);

/**
 * Names by which this server may be called: those of this machine, the address it listens on (all of
 * them where it listens on all), and what the owner has allowed.
 *
 * @param allowed  further names, by commas
 */
export function ownNames(host: string, allowed = ''): readonly string[] {
  const addresses = Object.values(networkInterfaces()).flatMap((each) =>
    (each ?? []).map(({ address }) => (isIPv6(address) ? `[${address}]` : address)),
  );
  const given = allowed
    .split(',')
    .map((name) => name.trim().toLowerCase())
    .filter((name) => name !== '');
  const machine = hostname().toLowerCase();
  const everywhere = [...addresses, machine, `${machine}.local`];
  return [...LOOPBACK, ...(EVERY_ADDRESS.has(host) ? everywhere : [host.toLowerCase()]), ...given];
}
