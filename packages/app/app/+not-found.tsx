import { useRouter } from 'expo-router';
import { Screen } from '@/shell/screen';
import { Card } from '@/ui/card';
import { BigButton } from '@/ui/press';
import { Words } from '@/ui/words';

/** An address that leads nowhere: said, with the way on. */
export default function NotFound() {
  const router = useRouter();
  return (
    <Screen title="Not here">
      <Card>
        <Words>Nothing stands at this address. What was recorded is safe on this phone.</Words>
        <BigButton onPress={() => router.replace('/')}>To the round</BigButton>
      </Card>
    </Screen>
  );
}
