import { cutawayKinds } from '@holvek/core';
import { useLocalSearchParams } from 'expo-router';
import { HowPage } from '@/how/how-page';
import { Screen } from '@/shell/screen';
import { Trouble } from '@/ui/states';

/** How a valve works, by its address: `/how/direct`, `/how/pilot`, `/how/relief`. */
export default function HowScreen() {
  const { kind } = useLocalSearchParams<{ kind: string }>();
  const known = cutawayKinds.find((each) => each === kind);
  if (known) return <HowPage key={known} kind={known} />;
  return (
    <Screen title="How it works" back>
      <Trouble title="No such valve" say="There is no cutaway by that address." />
    </Screen>
  );
}
