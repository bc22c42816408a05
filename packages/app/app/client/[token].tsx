import { useLocalSearchParams } from 'expo-router';
import { ClientPage } from '@/client/client-page';

/** What a client was handed, at an address of his own: nobody signs in here. */
export default function ClientScreen() {
  const { token } = useLocalSearchParams<{ token: string }>();
  return <ClientPage token={token} />;
}
