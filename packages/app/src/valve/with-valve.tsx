import type { Valve } from '@holvek/core';
import { useLocalSearchParams } from 'expo-router';
import type { ReactNode } from 'react';
import { useValves } from '@/data/queries';
import { UnitsOfValve } from '@/units/units-of-valve';
import { Screen } from '@/shell/screen';
import { Loading, Trouble } from '@/ui/states';

/** The valve that the address names; while it is fetched, and where there is none, that is said instead. */
export function WithValve({ children }: { readonly children: (valve: Valve) => ReactNode }) {
  const { id } = useLocalSearchParams<{ id: string }>();
  const valves = useValves();
  const valve = valves.data?.find((each) => each.id === id);
  if (valves.isPending) return <Loading what="Fetching the valve" />;
  if (valve) return <UnitsOfValve valve={valve}>{children(valve)}</UnitsOfValve>;
  return (
    <Screen title="Valve" back>
      <Trouble
        title="No such valve"
        say={`There is no valve ${id} in the register.`}
        onRetry={() => void valves.refetch()}
      />
    </Screen>
  );
}
