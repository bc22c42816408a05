import { zodResolver } from '@hookform/resolvers/zod';
import {
  atPlace,
  firstSite,
  foundBeside,
  solveLadder,
  systemFrom,
  templateIds,
  templateName,
  type AtPlace,
  type System,
} from '@holvek/core';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { z } from 'zod';
import { XStack, YStack } from '@/ui/kit';
import { useChangeSystem, useHouseRules, useSites, useSystems } from '@/data/queries';
import { newId } from '@/data/new-id';
import { Screen } from '@/shell/screen';
import { SyncPill } from '@/shell/sync-pill';
import { BottomSheet } from '@/ui/bottom-sheet';
import { Pill, type Tone } from '@/ui/card';
import { FormChoice } from '@/ui/form-choice';
import { FormField } from '@/ui/form-field';
import { BigButton, Press } from '@/ui/press';
import { Empty, Loading, Trouble } from '@/ui/states';
import { Muted, Strong, Words } from '@/ui/words';

/** The systems of pressures: which are in order, which clash. */
export default function LadderScreen() {
  const systems = useSystems();
  const [isAdding, setAdding] = useState(false);
  return (
    <Screen
      title="Ladder"
      under="Which pressures, why, and in what order"
      right={<SyncPill />}
      footer={
        <BigButton flex={1} kind="outline" onPress={() => setAdding(true)}>
          New system
        </BigButton>
      }
    >
      {systems.isPending ? <Loading what="Fetching the systems" /> : null}
      {systems.isError && !systems.data ? (
        <Trouble
          title="The systems cannot be read"
          say="There is no network and nothing was kept from an earlier visit."
          onRetry={() => void systems.refetch()}
        />
      ) : null}
      {systems.data?.length === 0 ? (
        <Empty
          title="No systems"
          say="Begin one from a template: a hydraulic unit, a pump station, a header, a blower."
        />
      ) : null}
      <YStack>
        {systems.data?.map((system) => (
          <SystemLine key={system.id} system={system} />
        ))}
      </YStack>
      <BottomSheet isOpen={isAdding} title="New system" onClose={() => setAdding(false)}>
        <NewSystem onClose={() => setAdding(false)} />
      </BottomSheet>
    </Screen>
  );
}

function standing(system: System): readonly [string, Tone] {
  const solved = solveLadder(system);
  if (!solved.ok)
    return [solved.error.code === 'ladder.clash' ? 'rules clash' : 'not sound', 'stop'];
  const off = foundBeside(system, solved.value).filter(
    ({ word }) => word === 'too_high' || word === 'too_low',
  );
  const high = off.filter(({ word }) => word === 'too_high').length;
  if (off.length === 0) return ['in order', 'good'];
  return [high > 0 ? `${high} too high` : `${off.length} too low`, 'stop'];
}

function SystemLine({ system }: { readonly system: System }) {
  const router = useRouter();
  const [say, tone] = standing(system);
  return (
    <Press
      onPress={() => router.push(`/ladder/${system.id}`)}
      minHeight={68}
      justifyContent="center"
      borderBottomWidth={1}
      borderColor="$line"
    >
      <XStack justifyContent="space-between" alignItems="center" gap="$3">
        <YStack flexShrink={1}>
          <Strong fontSize="$4" lineHeight="$4">
            {system.name}
          </Strong>
          <Muted>{`${system.rungs.length} pressures, ${system.rules.length} rules`}</Muted>
        </YStack>
        <Pill tone={tone}>{say}</Pill>
      </XStack>
    </Press>
  );
}

/** What energy costs there, as far as somebody has said. */
const moneyAt = ({ price_per_kwh: price, currency }: AtPlace) => ({
  ...(price === undefined ? {} : { price_per_kwh: price }),
  ...(currency === undefined ? {} : { currency }),
});

const newSystem = z.object({
  name: z.string().trim().min(1).max(120),
  /** The house's first where the places came later than this form. */
  site: z.string(),
  template: z.enum(templateIds),
});
type NewTexts = z.infer<typeof newSystem>;

function NewSystem({ onClose }: { readonly onClose: () => void }) {
  const router = useRouter();
  const rules = useHouseRules();
  const places = useSites().data ?? [];
  const sites = places.filter(({ under, closed }) => under === undefined && !closed);
  const first = firstSite(places)?.id;
  const change = useChangeSystem();
  const { control, handleSubmit, formState } = useForm<NewTexts>({
    resolver: zodResolver(newSystem),
    defaultValues: { name: '', site: first ?? '', template: 'hydraulic' },
    mode: 'onChange',
  });
  const begin = handleSubmit(({ name, site: chosen, template }) => {
    const site = chosen === '' ? first : chosen;
    if (site === undefined) return;
    const system = systemFrom(
      template,
      rules,
      { id: newId(), name, site_id: site },
      moneyAt(atPlace(places, site)),
    );
    change.mutate(system, {
      onSuccess: () => {
        onClose();
        router.push(`/ladder/${system.id}`);
      },
    });
  });
  return (
    <>
      <FormField control={control} name="name" label="Name" maxLength={120} />
      {sites.length > 1 ? (
        <FormChoice
          control={control}
          name="site"
          label="Where it stands"
          options={sites.map(({ id, name: say }) => ({ value: id, say }))}
        />
      ) : null}
      <FormChoice
        control={control}
        name="template"
        label="Begin with"
        options={templateIds.map((value) => ({ value, say: templateName[value] }))}
      />
      {change.isError ? (
        <Words color="$vermilion" role="alert">
          The server cannot be reached. What you typed is still here.
        </Words>
      ) : null}
      <BigButton
        disabled={!formState.isValid || first === undefined || change.isPending}
        onPress={() => void begin()}
      >
        Begin
      </BigButton>
    </>
  );
}
