import 'fake-indexeddb/auto';
import {
  checkWith,
  deviceSigner,
  makeDeviceKey,
  proofDigest,
  signInSchema,
  type Person,
  type Session,
} from '@holvek/core';
import { QueryClientProvider } from '@tanstack/react-query';
import { act, cleanup, fireEvent, render, screen, waitFor } from '@testing-library/react';
import { webcrypto } from 'node:crypto';
import type { ReactElement } from 'react';
import { PersonSheet } from './person-sheet';
import { rememberHere, signIn, signOut } from './session';
import { WhoIsHere } from './who-is-here';
import { queryClient } from '@/data/queries';
import { handsHere } from '@/data/store';
import { changePreferences, preferences } from '@/prefs/preferences';
import { config } from '@/theme/tamagui.config';
import { TamaguiProvider } from '@/ui/kit';

jest.mock('expo-router', () => ({ useRouter: () => ({}) }));
// The page of a test has no WebCrypto of its own.
const mockKey = jest.fn();
jest.mock('@/data/device-key', () => ({ deviceKey: () => mockKey() as unknown }));
// What a try costs is proved in the core.
jest.mock('@holvek/core', () => ({
  ...jest.requireActual<object>('@holvek/core'),
  pinDigest: async (_: unknown, secret: string, { salt }: { salt: string }) => `${secret}${salt}`,
}));
const subtle = webcrypto.subtle as never;
Object.defineProperty(globalThis.crypto, 'subtle', { value: subtle, configurable: true });
beforeAll(async () =>
  mockKey.mockResolvedValue(await deviceSigner(subtle, await makeDeviceKey(subtle))),
);

const tomas: Person = {
  id: 'p-1',
  name: 'Tomas Brandt',
  short: 'tomas',
  role: 'technician',
  licences: [],
};
type Sent = { readonly path: string; readonly method: string; readonly body: object };
type Answer = { readonly status?: number; readonly body: object };

/** The server as these tests need it: what it says to each request, and what it was sent. */
function served(answers: (sent: Sent) => Answer | undefined): Sent[] {
  const all: Sent[] = [];
  global.fetch = jest.fn(async (path: string, init?: { method?: string; body?: string }) => {
    const body = JSON.parse(init?.body ?? '{}') as object;
    const sent = { path: path.replace('/api', ''), method: init?.method ?? 'GET', body };
    all.push(sent);
    const answer = answers(sent);
    if (!answer) throw new TypeError('no network');
    const { status = 200 } = answer;
    const text = JSON.stringify(answer.body);
    return { ok: status < 400, status, text: async () => text, headers: new Headers() };
  }) as never;
  return all;
}
const show = async (element: ReactElement) => {
  render(
    <TamaguiProvider config={config} defaultTheme="light">
      <QueryClientProvider client={queryClient}>{element}</QueryClientProvider>
    </TamaguiProvider>,
  );
  await act(async () => undefined);
};
const page = (
  <WhoIsHere>
    <p>the work</p>
  </WhoIsHere>
);
const type = (label: string, value: string) =>
  act(async () => void fireEvent.change(screen.getByLabelText(label), { target: { value } }));
const press = (name: string | RegExp) =>
  act(async () => void fireEvent.click(screen.getByRole('button', { name })));
const nobody: Session = { has_owner: true, challenge: 'sign this' };
const onSession =
  (answer: Answer) =>
  ({ path }: Sent): Answer =>
    path === '/session' ? answer : { body: [] };

beforeEach(async () => {
  for (const { name } of await handsHere.people()) await handsHere.forget(name);
  queryClient.clear();
  changePreferences({ technician: '', role: 'viewer', hand: 'session' });
});
afterEach(cleanup);

describe('who is here', () => {
  test('nobody works without a name; who signs in does, in his role', async () => {
    const sent = served(({ path, method }) => {
      if (path !== '/session') return { body: [] };
      return { body: method === 'POST' ? { ...nobody, person: tomas } : nobody };
    });
    await show(page);
    expect(await screen.findByRole('heading', { name: 'Who is here?' })).toBeTruthy();
    expect(screen.queryByText('the work')).toBeNull();
    await type('Short name', 'tomas');
    await type('PIN or password', '593712');
    // Not to be read over a shoulder.
    expect(screen.getByLabelText('PIN or password').getAttribute('type')).toBe('password');
    expect(screen.getByLabelText('Short name').getAttribute('type')).not.toBe('password');
    await press('Sign in');
    expect(await screen.findByText('the work')).toBeTruthy();
    const said = sent.find(({ method }) => method === 'POST')!.body;
    expect(said).toMatchObject({ short: 'tomas', secret: '593712' });
    const { device, proof } = signInSchema.parse(said);
    expect(device).toMatch(/^[0-9a-f-]{36}$/u);
    expect(proof?.challenge).toBe('sign this');
    const check = checkWith(subtle);
    expect(await check(proof!.key, proofDigest('sign this', device), proof!.signature)).toBe(true);
    expect(preferences()).toMatchObject({ technician: 'Tomas Brandt', role: 'technician' });
  });

  test('on a phone that has no room left somebody signs in all the same', async () => {
    const full = new DOMException('no room', 'QuotaExceededError');
    const keeping = jest.spyOn(handsHere, 'remember').mockRejectedValue(full);
    const renewing = jest.spyOn(handsHere, 'renew').mockRejectedValue(full);
    served(({ path, method }) => {
      if (path !== '/session') return { body: [] };
      return { body: method === 'POST' ? { ...nobody, person: tomas } : nobody };
    });
    await expect(signIn({ short: 'tomas', secret: '593712' })).resolves.toBeUndefined();
    served(onSession({ body: { ...nobody, person: tomas } }));
    await show(page);
    await act(() => queryClient.refetchQueries({ queryKey: ['session'] }));
    expect(await screen.findByText('the work')).toBeTruthy();
    expect(keeping).toHaveBeenCalledTimes(1);
    expect(renewing).toHaveBeenCalledWith(tomas);
    expect(queryClient.getQueryState(['session'])!.error).toBeNull();
    keeping.mockRestore();
    renewing.mockRestore();
  });

  test('a wrong PIN is said, and how long one has to wait', async () => {
    let answer: Answer = { status: 401, body: { error: { code: 'person.wrong_secret' } } };
    served(({ path, method }) =>
      path === '/session' && method === 'POST' ? answer : { body: nobody },
    );
    await show(page);
    await screen.findByRole('heading', { name: 'Who is here?' });
    await type('Short name', 'tomas');
    await type('PIN or password', 'wrong!');
    await press('Sign in');
    expect((await screen.findByRole('alert')).textContent).toBe('Name or PIN is not right.');
    const detail = { seconds: 30 };
    answer = { status: 429, body: { error: { code: 'person.try_later', detail } } };
    await press('Sign in');
    await waitFor(() => expect(screen.getByRole('alert').textContent).toContain('30 s'));
    expect(screen.queryByText('the work')).toBeNull();
  });

  test('without a network the one who was here goes on, and nobody else begins', async () => {
    served(() => undefined);
    await show(page);
    expect(await screen.findByText('The server cannot be reached')).toBeTruthy();
    cleanup();
    queryClient.clear();
    changePreferences({ technician: 'Tomas Brandt' });
    await show(page);
    expect(await screen.findByText('the work')).toBeTruthy();
  });

  test('one whose session has run out is asked, and may go on: what he enters waits', async () => {
    changePreferences({ technician: 'Tomas Brandt', role: 'technician' });
    served(onSession({ body: nobody }));
    await show(page);
    expect(await screen.findByRole('heading', { name: 'Who is here?' })).toBeTruthy();
    await press(/^Work on without signing in/u);
    expect(screen.getByText('the work')).toBeTruthy();
    expect(preferences().technician).toBe('Tomas Brandt');
  });

  test('a new house asks for the code of its first owner', async () => {
    const sent = served(({ path }) =>
      path === '/first-owner'
        ? { body: { has_owner: true, person: { ...tomas, role: 'owner' } } }
        : { body: { has_owner: false } },
    );
    await show(page);
    expect(await screen.findByRole('heading', { name: 'A new house' })).toBeTruthy();
    await type('Code of the first owner', 'ABCD-2345-WXYZ');
    await type('Your name', 'Tomas Brandt');
    await type('Short name', 'tomas');
    await type('PIN or password', '111111');
    await press('Open the house');
    // One sign again and again is no secret: nothing is sent.
    expect(sent.some(({ path }) => path === '/first-owner')).toBe(false);
    await type('PIN or password', '593712');
    await press('Open the house');
    expect(await screen.findByText('the work')).toBeTruthy();
    expect(preferences().role).toBe('owner');
  });

  describe('several hands on one phone, without a network', () => {
    const ines: Person = {
      ...tomas,
      id: 'p-2',
      name: 'Ines Falk',
      short: 'ines',
      role: 'supervisor',
    };
    /** Who the server says is signed in; there is no network while it is undefined. */
    let house: Session | undefined;
    let sent: Sent[];
    const begin = async (person: Person | undefined) => {
      house = { ...nobody, ...(person ? { person } : {}) };
      sent = served(({ path, method, body }) => {
        if (!house) return undefined;
        if (path !== '/session') return { body: [] };
        if (method !== 'POST') return { body: house };
        const { short } = body as { readonly short: string };
        house = { ...nobody, person: short === 'ines' ? ines : tomas };
        return { body: house };
      });
      await rememberHere(tomas, '593712');
      await rememberHere(ines, '820164');
      await show(page);
    };
    const comeIn = async (name: string, pin: string) => {
      await act(async () => void fireEvent.click(await screen.findByRole('radio', { name })));
      await type('PIN or password', pin);
      await press('Sign in');
    };
    const online = () => act(async () => void window.dispatchEvent(new Event('online')));

    test('it is locked, opens to another by his own PIN, and the server is told once it is there', async () => {
      await begin(tomas);
      expect(await screen.findByText('the work')).toBeTruthy();
      house = undefined;
      await act(() => signOut());
      expect(screen.queryByText('the work')).toBeNull();
      await comeIn('Ines Falk', '593712');
      expect((await screen.findByRole('alert')).textContent).toBe('Name or PIN is not right.');
      await type('PIN or password', '820164');
      await act(async () => {
        fireEvent.keyDown(screen.getByLabelText('PIN or password'), { key: 'Enter' });
      });
      expect(await screen.findByText('the work')).toBeTruthy();
      expect(preferences()).toMatchObject({
        technician: 'Ines Falk',
        role: 'supervisor',
        hand: 'here',
      });
      // The server still has the session of the one before.
      house = { ...nobody, person: tomas };
      await online();
      await waitFor(() => expect(preferences().hand).toBe('session'));
      const said = sent.find(({ method }) => method === 'POST');
      expect(said?.body).toMatchObject({ short: 'ines', secret: '820164' });
      expect(preferences().technician).toBe('Ines Falk');
      expect(screen.getByText('the work')).toBeTruthy();
    });

    test('what the server does not take any more is asked for again; the work goes on under the own name', async () => {
      await begin(undefined);
      house = undefined;
      await online();
      await comeIn('Ines Falk', '820164');
      expect(await screen.findByText('the work')).toBeTruthy();
      served(({ path, method }) => {
        if (path !== '/session') return { body: [] };
        return method === 'POST'
          ? { status: 401, body: { error: { code: 'person.wrong_secret' } } }
          : { body: { ...nobody, person: tomas } };
      });
      await online();
      expect(await screen.findByRole('heading', { name: 'Who is here?' })).toBeTruthy();
      await press(/^Work on without signing in/u);
      expect(preferences()).toMatchObject({ technician: 'Ines Falk', hand: 'here' });
    });

    test('locked, it opens to nobody by a session that still lives, and ends that once it can', async () => {
      await begin(tomas);
      expect(await screen.findByText('the work')).toBeTruthy();
      house = undefined;
      await act(() => signOut());
      house = { ...nobody, person: tomas };
      const before = sent.length;
      await online();
      await waitFor(() => expect(sent.length).toBeGreaterThan(before));
      await waitFor(() => expect(preferences().hand).toBe('session'));
      expect(sent.at(-1)).toMatchObject({ path: '/session', method: 'DELETE' });
      await waitFor(() => expect(queryClient.isFetching()).toBe(0));
      expect(screen.getByRole('heading', { name: 'Who is here?' })).toBeTruthy();
      expect(screen.queryByText('the work')).toBeNull();
      expect(preferences().technician).toBe('');
    });

    test('whose session was ended from elsewhere comes in by the server alone', async () => {
      await begin(tomas);
      expect(await screen.findByText('the work')).toBeTruthy();
      house = nobody;
      await online();
      expect(await screen.findByRole('heading', { name: 'Who is here?' })).toBeTruthy();
      house = undefined;
      await act(() => signOut());
      await type('Short name', 'tomas');
      await type('PIN or password', '593712');
      await press('Sign in');
      expect((await screen.findByRole('alert')).textContent).toContain('does not know this name');
      await comeIn('Ines Falk', '820164');
      expect(await screen.findByText('the work')).toBeTruthy();
    });
  });

  test('signed out, the phone knows nobody', async () => {
    changePreferences({ technician: 'Tomas Brandt', role: 'owner' });
    const sent = served(() => ({ body: nobody }));
    await signOut();
    expect(sent.at(-1)).toMatchObject({ path: '/session', method: 'DELETE' });
    expect(preferences()).toMatchObject({ technician: '', role: 'viewer' });
  });
});

describe('a person of the house', () => {
  test('is added with a first PIN', async () => {
    const sent = served(() => ({ body: tomas }));
    const onClose = jest.fn();
    await show(<PersonSheet person={undefined} onClose={onClose} />);
    await type('Name', 'Tomas Brandt');
    await type('Short name', 'tomas');
    await type('First PIN', '593712');
    await press('add gas fitting');
    await type('Gas fitting, number', 'LH 7');
    await type('Gas fitting, valid until', 'soon');
    await press('Keep');
    expect(await screen.findByText(/^Each wants its number/u)).toBeTruthy();
    expect(sent.some(({ method }) => method === 'PUT')).toBe(false);
    await type('Gas fitting, valid until', '2029-06-30');
    await press('Keep');
    await waitFor(() => expect(onClose).toHaveBeenCalled());
    const put = sent.find(({ method }) => method === 'PUT')!;
    const { person, secret } = put.body as { person: Person; secret: string };
    expect(person).toMatchObject({ name: 'Tomas Brandt', short: 'tomas', role: 'technician' });
    expect(person.licences).toEqual([{ kind: 'gas', number: 'LH 7', valid_until: '2029-06-30' }]);
    expect(put.path).toBe(`/people/${person.id}`);
    expect(secret).toBe('593712');
  });

  test('leaves with a day, keeps name and licences, and is brought back without it', async () => {
    const sent = served(() => ({ body: tomas }));
    const licences = [{ kind: 'gas' as const, number: '7', valid_until: '2029-01-01' }];
    await show(<PersonSheet person={{ ...tomas, licences }} onClose={jest.fn()} />);
    await press('has left the house');
    await waitFor(() => expect(sent.some(({ method }) => method === 'PUT')).toBe(true));
    const { person } = sent.find(({ method }) => method === 'PUT')!.body as { person: Person };
    expect(person).toMatchObject({ ...tomas, licences });
    expect(person.left_on).toMatch(/^\d{4}-\d{2}-\d{2}$/u);
    cleanup();
    const again = served(() => ({ body: tomas }));
    await show(<PersonSheet person={person} onClose={jest.fn()} />);
    await press('Bring back');
    await waitFor(() => expect(again.some(({ method }) => method === 'PUT')).toBe(true));
    expect(again.find(({ method }) => method === 'PUT')!.body).toEqual({
      person: { ...tomas, licences },
    });
  });
});
