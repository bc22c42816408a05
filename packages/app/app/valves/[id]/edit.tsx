import type { Valve } from '@holvek/core';
import { useRouter } from 'expo-router';
import { useChangeValve } from '@/data/queries';
import { KeepValve } from '@/register/keep-valve';
import { Allowed } from '@/people/allowed';
import { RetireCard } from '@/register/retire-card';
import { useDraftOf, useValveForm } from '@/register/use-valve-form';
import { ValveFields } from '@/register/valve-fields';
import { Screen } from '@/shell/screen';
import { Muted } from '@/ui/words';
import { useVisits } from '@/data/use-visits';
import { WithValve } from '@/valve/with-valve';

/** What the register says of a valve, put right where one stands before it. */
export default function EditValveScreen() {
  return <WithValve>{(valve) => <EditValve key={valve.id} valve={valve} />}</WithValve>;
}

function EditValve({ valve }: { readonly valve: Valve }) {
  const router = useRouter();
  const change = useChangeValve();
  const start = useDraftOf(valve);
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
      <Allowed action="retire" what="To retire it or bring it back">
        <RetireCard valve={valve} />
      </Allowed>
    </Screen>
  );
}
