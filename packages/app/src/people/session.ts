import { useQuery } from '@tanstack/react-query';
import { api, Refusal } from '@/data/api';
import { deviceId } from '@/data/device-id';
import { deviceKey } from '@/data/device-key';
import { queryClient } from '@/data/queries';
import { deviceDb, outbox, pullOpenRuns } from '@/data/store';
import { changePreferences } from '@/prefs/preferences';
import { proofDigest, type FirstOwner, type Session, type SignIn } from '@holvek/core';

const KEY = ['session'];

/** Whoever the server says is signed in works on this phone from now on, with a network or without. */
function take(session: Session): Session {
  if (session.person)
    changePreferences({ technician: session.person.name, role: session.person.role });
  return session;
}

/**
 * Who the server says is here. A session that was opened with another key than this phone has (its storage
 * was cleared since) could sign nothing: it counts as none.
 */
async function asked(): Promise<Session> {
  const { person, ...house } = await api.session();
  const own = await deviceKey(await deviceDb);
  const isOwn = house.key === undefined || house.key === own?.name;
  return take(person && isOwn ? { ...house, person } : house);
}

export const useSession = () => useQuery({ queryKey: KEY, queryFn: asked, retry: false });

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

async function enter(session: Session): Promise<void> {
  queryClient.setQueryData(KEY, take(session));
  // What was refused to nobody is fetched for somebody, and what waited is sent.
  await queryClient.invalidateQueries({ predicate: ({ queryKey }) => queryKey[0] !== KEY[0] });
  void outbox.flush().then(pullOpenRuns);
}

type Said<T> = Omit<T, 'device' | 'called' | 'proof'>;
export const signIn = async (said: Said<SignIn>): Promise<void> =>
  enter(await api.signIn({ ...said, ...(await here()) }));
export const becomeOwner = async (said: Said<FirstOwner>): Promise<void> =>
  enter(await api.becomeOwner({ ...said, ...(await here()) }));

/** What has not been sent stays on this phone, under the name of who entered it. */
export async function signOut(): Promise<void> {
  await outbox.flush();
  const session = await api.signOut();
  changePreferences({ technician: '', role: 'viewer' });
  queryClient.setQueryData(KEY, session);
}
