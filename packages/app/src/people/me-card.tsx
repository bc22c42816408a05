import { useMutation } from '@tanstack/react-query';
import { useRouter, type Href } from 'expo-router';
import { LeaveLarkhollow } from './larkhollow-card';
import { roleWords } from './people-words';
import { Refused } from './refused';
import { signOut } from './session';
import { usePreferences } from '@/prefs/preferences';
import { Card, Row } from '@/ui/card';
import { BigButton, WordButton } from '@/ui/press';
import { Heading } from '@/ui/words';

/** Who is signed in on this phone. */
export function MeCard() {
  const { technician, role } = usePreferences();
  const router = useRouter();
  const leave = useMutation({ mutationFn: signOut });
  return (
    <Card>
      <Heading>Who is here</Heading>
      <Row label={technician} isLast>{`${role} · ${roleWords[role]}`}</Row>
      <Refused error={leave.error} />
      <WordButton onPress={() => router.push('/people' as Href)}>people, phones, my PIN</WordButton>
      <LeaveLarkhollow />
      <BigButton kind="outline" disabled={leave.isPending} onPress={() => leave.mutate()}>
        Sign out
      </BigButton>
    </Card>
  );
}
