import { readFileSync } from 'node:fs';
import { basename } from 'node:path';
import { parseArgs } from 'node:util';
import { startBridge } from '../packages/server/src/bridge/bridge';
import { serialPort, simulatedPort } from '../packages/server/src/bridge/port';

const usage = `npm run bridge -- PORT…  [--for ADDRESS]… [--host ADDRESS] [--listen 8145] [--cert FILE --key FILE]

PORT      a serial port of this machine (/dev/ttyUSB0, COM3), or “simulated”: a gauge that is not there
--for     where the pages come from that may listen (https://holvek.lan:8150), besides those of this machine
--host    where it listens; 127.0.0.1 where it is not said: this machine alone
--listen  its own port
--cert    and --key: files of a certificate, where phones are to reach it from secure pages`;

const SIMULATED = 'simulated';

/** Hands serial ports to pages that cannot open one, until it is ended. */
async function main(): Promise<void> {
  const { values, positionals } = parseArgs({
    allowPositionals: true,
    options: {
      for: { type: 'string', multiple: true, default: [] },
      host: { type: 'string', default: '127.0.0.1' },
      listen: { type: 'string', default: '8145' },
      cert: { type: 'string' },
      key: { type: 'string' },
    },
  });
  const { cert, key, host, listen } = values;
  if (positionals.length === 0 || (cert === undefined) !== (key === undefined)) return refuse();
  const ports = new Map(
    positionals.map((path) =>
      path === SIMULATED ? [path, simulatedPort()] : [basename(path), serialPort(path)],
    ),
  );
  const origins = values.for.map((address) => new URL(address).origin);
  const tls =
    cert !== undefined && key !== undefined
      ? { tls: { cert: readFileSync(cert), key: readFileSync(key) } }
      : {};
  const { address, close } = await startBridge({
    ports,
    origins,
    host,
    port: Number(listen),
    ...tls,
  });
  console.log('A bridge to');
  for (const name of ports.keys()) console.log(`  ${address}/${name}`);
  const end = () => void close().then(() => process.exit());
  process.on('SIGINT', end);
  process.on('SIGTERM', end);
}

function refuse(): void {
  console.error(usage);
  process.exitCode = 2;
}

main().catch((error: unknown) => {
  console.error(error instanceof Error ? error.message : error);
  process.exitCode = 1;
});
