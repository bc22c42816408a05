import { canLinkRadio, openRadio } from './bluetooth';

const radio = { service: 'service', hears: 'hears', says: 'says' };
const bytes = (text: string) => new DataView(new TextEncoder().encode(text).buffer);

/** A gauge in reach, that the test speaks for. */
function inReach() {
  const written: string[] = [];
  const asked: unknown[] = [];
  const hears = Object.assign(new EventTarget(), {
    value: null as DataView | null,
    startNotifications: () => Promise.resolve(),
  });
  const says = {
    writeValueWithoutResponse: (piece: Uint8Array) =>
      Promise.resolve(void written.push(new TextDecoder().decode(piece))),
  };
  const ends = new Map<string, unknown>([
    ['hears', hears],
    ['says', says],
  ]);
  const service = {
    getCharacteristic: (name: string) =>
      ends.has(name) ? Promise.resolve(ends.get(name)) : Promise.reject(new Error(`no ${name}`)),
  };
  let isLinked = false;
  const device = Object.assign(new EventTarget(), {
    gatt: {
      connect: () => {
        isLinked = true;
        return Promise.resolve({ getPrimaryService: () => Promise.resolve(service) });
      },
      disconnect: () => {
        isLinked = false;
        device.dispatchEvent(new Event('gattserverdisconnected'));
      },
    },
  });
  const say = (text: string) => {
    hears.value = bytes(text);
    hears.dispatchEvent(new Event('characteristicvaluechanged'));
  };
  const goOut = () => device.gatt.disconnect();
  switchOn((wish) => {
    asked.push(wish);
    return Promise.resolve(device);
  });
  return { written, asked, say, goOut, isLinked: () => isLinked };
}

const switchOn = (requestDevice: (wish: unknown) => Promise<unknown>) =>
  Object.defineProperty(navigator, 'bluetooth', { value: { requestDevice }, configurable: true });
afterEach(() => Reflect.deleteProperty(navigator, 'bluetooth'));

function ears() {
  const heard: string[] = [];
  const given = {
    onText: (text: string) => void heard.push(text),
    onGone: () => void heard.push('gone'),
    onSimulated: () => undefined,
  };
  return { heard, given };
}

describe('a gauge without a cable', () => {
  test('is sought by the service of the house, heard, asked in short pieces, and let go without a word', async () => {
    const gauge = inReach();
    const { heard, given } = ears();
    const line = (await openRadio(radio)(9600, given))!;
    expect(gauge.asked).toEqual([{ filters: [{ services: ['service'] }] }]);
    gauge.say('416.');
    gauge.say('0 kPa\r\n');
    await line.send('123456789012345678901234');
    expect([heard, gauge.written]).toEqual([
      ['416.', '0 kPa\r\n'],
      ['12345678901234567890', '1234'],
    ]);
    await line.close();
    gauge.say('later');
    expect([heard.length, gauge.isLinked()]).toEqual([2, false]);
  });

  test('that speaks by itself is asked nothing', async () => {
    const gauge = inReach();
    const line = (await openRadio({ service: 'service', hears: 'hears' })(9600, ears().given))!;
    await line.send('P?');
    expect(gauge.written).toEqual([]);
  });

  test('out of reach has gone, once', async () => {
    const gauge = inReach();
    const { heard, given } = ears();
    await openRadio(radio)(9600, given);
    gauge.goOut();
    gauge.goOut();
    expect(heard).toEqual(['gone']);
  });

  test('that offers less than the house says is let go of', async () => {
    const gauge = inReach();
    const { heard, given } = ears();
    const other = { service: 'service', hears: 'elsewhere' };
    await expect(openRadio(other)(9600, given)).rejects.toThrow('no elsewhere');
    expect([gauge.isLinked(), heard]).toEqual([false, []]);
  });

  test('that nobody chose is none, and what else goes wrong is thrown', async () => {
    expect(canLinkRadio()).toBe(false);
    switchOn(() => Promise.reject(Object.assign(new Error('none'), { name: 'NotFoundError' })));
    expect(canLinkRadio()).toBe(true);
    expect(await openRadio(radio)(9600, ears().given)).toBeUndefined();
    switchOn(() => Promise.reject(new Error('switched off')));
    await expect(openRadio(radio)(9600, ears().given)).rejects.toThrow('switched off');
  });
});
