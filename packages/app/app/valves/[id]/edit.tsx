import type { Valve, ValveDraft } from '@holvek/core';
import { useLocalSearchParams, useRouter } from 'expo-router';
import { useChangeValve, useValves } from '@/data/queries';
import { KeepValve } from '@/register/keep-valve';
import { RetireCard } from '@/register/retire-card';
import { useDraftOf, useValveForm } from '@/register/use-valve-form';
import { ValveFields } from '@/register/valve-fields';
import { Screen } from '@/shell/screen';
import { Loading, Trouble } from '@/ui/states';
import { Muted } from '@/ui/words';
import { useVisits } from '@/valve/use-visits';

/** What the register says of a valve, put right where one stands before it. */
export default function EditValveScreen() {
  const { id } = useLocalSearchParams<{ id: string }>();
  const valves = useValves();
  const valve = valves.data?.find((each) => each.id === id);
  const start = useDraftOf(valve);
  if (valves.isPending) return <Loading what="Fetching the valve" />;
  if (!valve || !start)
    return (
      <Screen title="Valve" back>
        <Trouble
          title="No such valve"
          say={`There is no valve ${id} in the register.`}
          onRetry={() => void valves.refetch()}
        />
      </Screen>
    );
  return <EditValve valve={valve} start={start} />;
}

function EditValve({ valve, start }: { readonly valve: Valve; readonly start: ValveDraft }) {
  const router = useRouter();
  const change = useChangeValve();
  const form = useValveForm({ id: valve.id, start, before: valve });
  const sheets = useVisits().get(valve.id)?.length ?? 0;
  const keep = () => {
    if (form.now.valve)
      change.mutate(form.now.valve, { onSuccess: () => router.replace(`/valves/${valve.id}`) });
  };
  return (
    <Screen
      title={valve.tag}
      under="What the register says of it"
      back
      footer={
        <KeepValve form={form} error={change.error} isBusy={change.isPending} onKeep={keep}>
          Keep the change
        </KeepValve>
      }
    >
      {sheets > 0 ? (
        <Muted>
          Sheets that are signed keep the plate that they were signed with; what you change here
          counts from the next run on.
        </Muted>
      ) : null}
      <ValveFields form={form} />
      <RetireCard valve={valve} />
    </Screen>
  );
}
