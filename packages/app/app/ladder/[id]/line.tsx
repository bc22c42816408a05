import { solveLadder } from '@holvek/core';
import { useLocalSearchParams } from 'expo-router';
import { useSystems } from '@/data/queries';
import { LineRehearsal } from '@/ladder/line-rehearsal';
import { Screen } from '@/shell/screen';
import { Loading, Trouble } from '@/ui/states';

/** The valves of one system on one simulated line. */
export default function LineScreen() {
  const { id } = useLocalSearchParams<{ id: string }>();
  const system = useSystems().data?.find((each) => each.id === id);
  if (!system) return <Loading what="Fetching the system" />;
  const solved = solveLadder(system);
  return (
    <Screen title={system.name} under="One line, all its valves: practice" back>
      {solved.ok ? (
        <LineRehearsal system={system} ladder={solved.value} />
      ) : (
        <Trouble title="No line to rehearse" say="The rules of this system have no answer yet." />
      )}
    </Screen>
  );
}
