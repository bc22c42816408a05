/** Scheme, host and port alone: nothing else may stand in a header. */
const ADDRESS = /^wss?:\/\/[\w.[\]:-]+$/iu;

/**
 * Bridges to gauges that pages may reach, as the environment names them by commas.
 *
 * @throws where one of them is no address
 * @example bridgesIn('wss://pit.lan:8145') // → ['wss://pit.lan:8145']
 */
export function bridgesIn(named = ''): readonly string[] {
  const all = named.split(',').map((each) => each.trim());
  const addresses = all.filter((each) => each !== '');
  for (const address of addresses)
    if (!ADDRESS.test(address) || !URL.canParse(address))
      throw new Error(`BRIDGES: “${address}” is no address like wss://pit.lan:8145`);
  return addresses;
}
