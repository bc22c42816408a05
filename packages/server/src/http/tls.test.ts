import { X509Certificate } from 'node:crypto';
import { mkdtempSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { createServer, request } from 'node:https';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { credentialsFor, isLoopback } from './tls';

let folder: string;
beforeAll(() => {
  folder = mkdtempSync(join(tmpdir(), 'holvek-tls-'));
});
afterAll(() => rmSync(folder, { recursive: true }));
const data = () => join(folder, 'holvek.sqlite');

describe('a server for phones on the network', () => {
  test('shows a certificate for each of its names, by an authority that is made once', async () => {
    const first = await credentialsFor(data(), ['localhost', '10.0.0.7', '[::1]', 'pump.local']);
    const again = await credentialsFor(data(), ['10.0.0.8']);
    expect(again.authority).toBe(first.authority);
    const authority = new X509Certificate(first.authority!);
    for (const [{ cert }, names] of [
      [
        first,
        ['DNS:localhost', 'IP Address:10.0.0.7', 'IP Address:0:0:0:0:0:0:0:1', 'DNS:pump.local'],
      ],
      [again, ['IP Address:10.0.0.8']],
    ] as const) {
      const own = new X509Certificate(cert);
      expect(own.verify(authority.publicKey)).toBe(true);
      expect(own.checkIssued(authority)).toBe(true);
      expect(own.ca).toBe(false);
      expect(own.subjectAltName?.split(', ')).toEqual(names);
      const days = (Date.parse(own.validTo) - Date.now()) / 86_400_000;
      expect(days).toBeGreaterThan(390);
      expect(days).toBeLessThan(398);
    }
    expect(authority.ca).toBe(true);
    expect(statSync(join(folder, 'keys/authority.json')).mode & 0o777).toBe(0o600);
  });

  test('a phone that trusts the authority is served, and one that does not is not', async () => {
    const { cert, key, authority } = await credentialsFor(data(), ['127.0.0.1']);
    const server = createServer({ cert, key }, (_, answer) => answer.end('here'));
    await new Promise<void>((ready) => server.listen(0, '127.0.0.1', ready));
    const { port } = server.address() as AddressInfo;
    const ask = (ca?: string) =>
      new Promise<number | string>((done) => {
        request({ host: '127.0.0.1', port, agent: false, ...(ca ? { ca } : {}) }, (answer) => {
          answer.resume();
          done(answer.statusCode!);
        })
          .on('error', (error: NodeJS.ErrnoException) => done(error.code ?? 'error'))
          .end();
      });
    expect(await ask(authority)).toBe(200);
    expect(await ask()).toMatch(/SELF_SIGNED|UNABLE_TO_VERIFY/u);
    server.closeAllConnections();
    await new Promise((closed) => server.close(closed));
  });

  test('files that are given come first', async () => {
    for (const name of ['own.crt', 'own.key']) writeFileSync(join(folder, name), name);
    const given = { cert: join(folder, 'own.crt'), key: join(folder, 'own.key') };
    expect(await credentialsFor(data(), [], given)).toEqual({ cert: 'own.crt', key: 'own.key' });
  });

  test('an authority that cannot be read is not replaced', async () => {
    writeFileSync(join(folder, 'keys/authority.json'), 'half');
    await expect(credentialsFor(data(), [])).rejects.toThrow(/not replaced/u);
  });

  test.each([
    ['127.0.0.1', true],
    ['localhost', true],
    ['::1', true],
    ['0.0.0.0', false],
    ['10.0.0.7', false],
  ])('%s is for this machine alone: %s', (host, is) => {
    expect(isLoopback(host)).toBe(is);
  });
});
