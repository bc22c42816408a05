import { useLocalSearchParams } from 'expo-router';
import { useEffect, useState } from 'react';
import { pullRun, useShelf, useShelfLoaded } from '@/data/store';
import { RunScreen } from '@/run/run-screen';
import { UnitsOfValve, useNamedValve } from '@/units/units-of-valve';
import { Screen } from '@/shell/screen';
import { Loading, Trouble } from '@/ui/states';

/** A run by its id: from this phone, or fetched once from the server. */
export default function RunRoute() {
  const { id } = useLocalSearchParams<{ id: string }>();
  const isLoaded = useShelfLoaded();
  const entry = useShelf().get(id);
  const named = useNamedValve();
  const [isMissing, setMissing] = useState(false);
  useEffect(() => {
    if (!isLoaded || entry) return;
    pullRun(id).catch(() => setMissing(true));
  }, [entry, id, isLoaded]);
  if (entry) {
    const { valve_id: valveId, plate } = entry.run.started;
    return (
      <UnitsOfValve valve={named(valveId, plate.family)}>
        <RunScreen key={id} run={entry.run} events={entry.events} />
      </UnitsOfValve>
    );
  }
  if (!isMissing) return <Loading what="Opening the run" />;
  return (
    <Screen title="Run" back>
      <Trouble
        title="This run is not here"
        say="It is not on this phone, and the server does not know it or cannot be reached."
        onRetry={() => setMissing(false)}
      />
    </Screen>
  );
}
