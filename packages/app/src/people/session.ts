import { useQuery } from '@tanstack/react-query';
import { api, Refusal, Unreachable } from '@/data/api';
import { deviceId } from '@/data/device-id';
import { deviceKey } from '@/data/device-key';
import { queryClient } from '@/data/queries';
import { deviceDb, handsHere, outbox, pullOpenRuns } from '@/data/store';
import { changePreferences, preferences } from '@/prefs/preferences';
import { proofDigest, type FirstOwner, type Person, type Session, type SignIn } from '@holvek/core';

const KEY = ['session'];
const HANDS = ['hands-here'];
const TRY_AGAIN_MS = 30_000;

type Said<T> = Omit<T, 'device' | 'called' | 'proof'>;

/** What was typed by one who came in without a network: said to the server once there is one. */
let typedHere: Said<SignIn> | undefined;

/** A phone that has no room for it knows him by the network alone: he is signed in all the same. */
const noRoom = (): void => undefined;

const work = ({ name, role }: Pick<Person, 'name' | 'role'>, hand: 'session' | 'here'): void =>
  changePreferences({ technician: name, role, hand });

/** Whoever the server says is signed in works on this phone from now on, with a network or without. */
function take(session: Session): Session {
  if (session.person) work(session.person, 'session');
  return session;
}

/**
 * Who the server says is here. A session that was opened with another key than this phone has (its storage
 * was cleared since) could sign nothing: it counts as none. So does that of one who has locked the phone,
 * or given it to another, while there was no network.
 */
async function asked(): Promise<Session> {
  const { person, ...house } = await api.session();
  const own = await deviceKey(await deviceDb);
  const isOwn = house.key === undefined || house.key === own?.name;
  const { hand, technician } = preferences();
  if (!person || !isOwn) {
    // Ended from elsewhere, or run out: the phone alone opens to this name no more.
    if (hand === 'session' && technician !== '') await handsHere.forget(technician);
    return (await saidAgain()) ?? house;
  }
  if (hand === 'nobody') return left();
  if (hand === 'here' && person.name !== technician) return (await saidAgain()) ?? house;
  // A licence that was given since holds without a network too, and one that was taken does not.
  const isNew = await handsHere.renew(person).catch(noRoom);
  if (isNew) void queryClient.invalidateQueries({ queryKey: HANDS });
  return take({ ...house, person });
}

/** What was locked without a network is signed out now, once what waited has been sent. */
async function left(): Promise<Session> {
  await outbox.flush();
  const session = withoutPerson(await api.signOut());
  changePreferences({ hand: 'session' });
  return session;
}

/** Says to the server what was typed without it; nothing where that is not known any more, or not right. */
async function saidAgain(): Promise<Session | undefined> {
  const said = typedHere;
  typedHere = undefined;
  if (!said) return undefined;
  try {
    const session = take(await openedBy(said));
    if (session.person) await rememberHere(session.person, said.secret);
    return session;
  } catch (error) {
    if (error instanceof Refusal) return undefined;
    typedHere = said;
    throw error;
  }
}

/** A page that was opened without a network asks as soon as there is one. */
globalThis.addEventListener('online', () => void queryClient.invalidateQueries({ queryKey: KEY }));

/** Asked again now and then while the server cannot be reached. */
export const useSession = () =>
  useQuery({
    queryKey: KEY,
    queryFn: asked,
    retry: false,
    // Who is here without a network is this phone’s own to say, not an answer of before.
    meta: { isOnlyShown: true },
    refetchInterval: ({ state }) => (state.status === 'error' ? TRY_AGAIN_MS : false),
  });

/** Whom this phone knows again without a network. */
export const useHandsHere = () => useQuery({ queryKey: HANDS, queryFn: () => handsHere.people() });

/** A secret that the server has taken is known on this phone from now on. */
export async function rememberHere(person: Person, secret: string): Promise<void> {
  await handsHere.remember(person, secret).catch(noRoom);
  await queryClient.invalidateQueries({ queryKey: HANDS });
}

/** The server no longer knows who this is: it is asked, and the page says so. */
queryClient.getQueryCache().subscribe(({ query, type }) => {
  const { error } = query.state as { readonly error: unknown };
  if (type !== 'updated' || query.queryKey[0] === KEY[0]) return;
  if (error instanceof Refusal && error.status === 401)
    void queryClient.invalidateQueries({ queryKey: KEY });
});

/** What this device is called, and the proof of its key, where it has one. */
async function proved(): Promise<Pick<SignIn, 'device' | 'proof'>> {
  const device = await deviceId(await deviceDb);
  const signer = await deviceKey(await deviceDb);
  const { challenge } = await api.session();
  if (!signer || challenge === undefined) return { device };
  const signature = await signer.sign(proofDigest(challenge, device));
  return { device, proof: { key: signer.publicKey, signature, challenge } };
}

/** This device as it goes into a session, so that its entries are known as its own. */
const here = async () => ({
  ...(await proved()),
  called: `${navigator.platform || 'a device'}, ${window.innerWidth}×${window.innerHeight}`.slice(
    0,
    80,
  ),
});

async function enter(session: Session, secret: string): Promise<void> {
  typedHere = undefined;
  queryClient.setQueryData(KEY, take(session));
  // What was refused to nobody is fetched for somebody, and what waited is sent.
  await queryClient.invalidateQueries({ predicate: ({ queryKey }) => queryKey[0] !== KEY[0] });
  void outbox.flush().then(pullOpenRuns);
  if (session.person) await rememberHere(session.person, secret);
}

const openedBy = async (said: Said<SignIn>): Promise<Session> =>
  api.signIn({ ...said, ...(await here()) });

/**
 * By the server where there is one; without a network by what this phone knows of whoever has signed in on
 * it before.
 */
export async function signIn(said: Said<SignIn>): Promise<void> {
  const opened = await openedBy(said).catch((error: unknown) => {
    if (error instanceof Unreachable) return undefined;
    throw error;
  });
  if (opened) return enter(opened, said.secret);
  const person = await handsHere.unlock(said.short.trim().toLowerCase(), said.secret);
  typedHere = said;
  work(person, 'here');
  // What the server said of another is no answer any more: it is asked anew.
  void queryClient.resetQueries({ queryKey: KEY });
}

export async function becomeOwner(said: Said<FirstOwner>): Promise<void> {
  await enter(await api.becomeOwner({ ...said, ...(await here()) }), said.secret);
}

/**
 * What has not been sent stays on this phone, under the name of who entered it. Without a network the phone
 * is locked, and its session is nobody's until somebody has signed in.
 */
export async function signOut(): Promise<void> {
  typedHere = undefined;
  await outbox.flush();
  const session = await api.signOut().catch((error: unknown) => {
    if (error instanceof Unreachable) return undefined;
    throw error;
  });
  changePreferences({ technician: '', role: 'viewer', hand: session ? 'session' : 'nobody' });
  const known = queryClient.getQueryData<Session>(KEY);
  if (session) queryClient.setQueryData(KEY, session);
  else if (known) queryClient.setQueryData(KEY, withoutPerson(known));
}

const withoutPerson = ({ person: _, key: _own, ...house }: Session): Session => house;
