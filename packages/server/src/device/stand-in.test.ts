import {
  procedureOf,
  runEventSchema,
  startDraft,
  defaultHouseRules,
  type RunEvent,
} from '@holvek/core';
import { serve } from '@hono/node-server';
import type { AddressInfo } from 'node:net';
import { WebSocket, WebSocketServer } from 'ws';
import { createApp } from '../app';
import { cookieOf, crew, now } from '../testing/server';
import { openStore } from '../db/open';
import { demoGauges, demoValves } from '../seed/valves';
import { Lines, Pace } from './socket';
import { StandIn } from './stand-in';

/** The first event of a run on a demo valve, against its twin. */
function begun(tag: string): RunEvent[] {
  const { valve, gauges = {} } = demoValves.find((demo) => demo.valve.tag === tag)!;
  const fitted = Object.fromEntries(
    Object.entries(gauges).map(([side, own]) => [
      side,
      demoGauges(now).find((gauge) => gauge.tag === own)!,
    ]),
  );
  const started = startDraft(valve, {
    school: procedureOf(valve.plate.family).schools[0]!.id,
    gauges: fitted,
    rules: defaultHouseRules,
    sheets: [],
    twin: valve.twin!,
  });
  return [
    runEventSchema.parse({
      ...started,
      id: 'e1',
      run_id: 'run',
      author: 'Ines',
      at_ms: now,
      lamport: 1,
    }),
  ];
}

function listening() {
  const said: string[] = [];
  const device = new StandIn((text) => said.push(text));
  const hear = (text: string | object): string => {
    device.hear(typeof text === 'string' ? text : JSON.stringify(text));
    return said.at(-1)!;
  };
  return { device, said, hear };
}

describe('the stand-in of an electronic pilot', () => {
  test('answers for the run that it was told, and is silent before', () => {
    const { device, said, hear } = listening();
    device.tick(1);
    expect(said).toEqual([]);
    expect(hear('R 40006')).toBe('! no_power');
    expect(JSON.parse(hear({ id: 1, act: {} }))).toEqual({ id: 1, error: 'no_run' });
    expect(JSON.parse(hear({ id: 2, run: begun('EP-04') }))).toEqual({ id: 2, t: 0 });
    expect(hear('R 40006')).toBe('= 40006 6800');
    expect(hear('W 40006 6400')).toBe('= 40006 6400');
  });

  test('its gauges speak twice a second of its own time, faster when it is hurried', () => {
    const { device, said, hear } = listening();
    hear({ id: 1, run: begun('EP-04') });
    device.tick(0.5);
    const slow = JSON.parse(said.at(-1)!);
    expect(slow.lines.map(({ role }: { role: string }) => role)).toEqual([
      'outlet',
      'inlet',
      'travel',
    ]);
    expect(slow.lines[0].line).toMatch(/^\d+\.\d+ kPa$/);
    hear({ id: 2, hurry: 10 });
    device.tick(0.5);
    const fast = JSON.parse(said.at(-1)!);
    expect(fast.lines).toHaveLength(30);
    expect(fast.lines.at(-1).t - slow.lines.at(-1).t).toBeCloseTo(5, 6);
  });

  test('what the hand does takes effect: without supply it no longer answers', () => {
    const { hear } = listening();
    hear({ id: 1, run: begun('EP-04') });
    expect(JSON.parse(hear({ id: 2, act: { power: 'off' } }))).toMatchObject({ id: 2 });
    expect(hear('R 40006')).toBe('! no_power');
  });

  test.each([
    ['{', { id: null, error: 'unreadable' }],
    [
      { id: 1, dance: true },
      { id: null, error: 'unreadable' },
    ],
    [
      { id: 1, hurry: 1e9 },
      { id: null, error: 'unreadable' },
    ],
    [
      { id: 7, run: begun('POS-21') },
      { id: 7, error: 'not_electronic' },
    ],
    [
      { id: 8, run: begun('EP-04').map(({ id, ...rest }) => ({ ...rest, id, twin: undefined })) },
      { id: 8, error: 'run_unsound' },
    ],
  ])('%j is refused', (text, answer) => {
    expect(JSON.parse(listening().hear(text))).toEqual(answer);
  });

  test('a run that would be lived through for days is refused at once', () => {
    const [start] = begun('EP-04');
    const note = (i: number, at_ms: number) => ({
      type: 'note',
      text: 'x',
      id: `n${i}`,
      run_id: 'run',
      author: 'Ines',
      at_ms,
      lamport: 2 + i,
    });
    const slow = Array.from({ length: 100 }, (_, i) => note(i, now + (i + 1) * 3_600_000));
    const many = Array.from({ length: 2001 }, (_, i) => note(i, now));
    for (const rest of [slow, many])
      expect(JSON.parse(listening().hear({ id: 1, run: [start, ...rest] }))).toEqual({
        id: 1,
        error: 'too_long',
      });
  });

  test('while a long run is lived through, others are served and what is said waits its turn', async () => {
    const { said, device } = listening();
    const [start] = begun('EP-04');
    const slow = Array.from({ length: 48 }, (_, i) => ({
      ...{ type: 'note', text: 'x', id: `n${i}`, run_id: 'run', author: 'Ines' },
      at_ms: now + (i + 1) * 240_000,
      lamport: 2 + i,
    }));
    device.hear(JSON.stringify({ id: 1, run: [start, ...slow] }));
    for (let i = 0; i < 51; i++) device.hear('R 40006');
    expect(said).toEqual(['{"id":null,"error":"busy"}']);
    let served = 0;
    while (said.length < 2) await new Promise((next) => setImmediate(() => next((served += 1))));
    expect(served).toBeGreaterThan(5);
    expect(said).toHaveLength(52);
    expect(JSON.parse(said[1]!)).toMatchObject({ id: 1 });
    expect(said.at(-1)).toMatch(/^= 40006/u);
  });

  test('lines are counted by address and in all, and what is said by the second', () => {
    const lines = new Lines();
    const taken = (address: string, times: number) =>
      Array.from({ length: times }, () => lines.take(address)).filter(Boolean).length;
    expect(taken('a', 9)).toBe(6);
    lines.give('a');
    expect(taken('a', 2)).toBe(1);
    for (const address of 'bcdefgh') taken(address, 6);
    expect(taken('z', 1)).toBe(0);
    const pace = new Pace();
    expect(Array.from({ length: 70 }, () => pace.allows(5000)).filter(Boolean)).toHaveLength(60);
    expect(pace.allows(6000)).toBe(true);
  });

  test('over a real line: upgraded, asked, answered, and gone when the line is cut', async () => {
    const store = await openStore(':memory:');
    const sockets = new WebSocketServer({ noServer: true });
    const app = createApp(store, { fontFolder: '' });
    const server = serve({
      fetch: app.fetch,
      port: 0,
      hostname: '127.0.0.1',
      websocket: { server: sockets } as never,
    });
    await new Promise((ready) => server.once('listening', ready));
    const { port } = server.address() as AddressInfo;
    const cookie = (await cookieOf(store, crew.owner)).replace('=', `${port}=`);
    const socket = new WebSocket(`ws://127.0.0.1:${port}/api/device`, { headers: { cookie } });
    const heard: string[] = [];
    const isAnswered = new Promise<void>((answered) =>
      socket.on('message', (data) => {
        heard.push(String(data));
        if (heard.includes('= 40008 0') && heard.some((text) => text.includes('lines'))) answered();
      }),
    );
    await new Promise((open) => socket.once('open', open));
    socket.send(JSON.stringify({ id: 1, run: begun('EP-04') }));
    socket.send('R 40008');
    await isAnswered;
    expect(heard[0]).toBe('{"id":1,"t":0}');
    expect(heard[1]).toBe('= 40008 0');
    expect(heard.some((text) => text.includes('"role":"outlet"'))).toBe(true);
    const isGone = new Promise((gone) => [...sockets.clients][0]!.once('close', gone));
    socket.close();
    await isGone;
    expect(sockets.clients.size).toBe(0);
    await new Promise((closed) => server.close(closed));
    await store.close();
  }, 30_000);
});
