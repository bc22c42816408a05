import {
  draftLike,
  familyName,
  MOST_ALIKE,
  newDraft,
  tagsFrom,
  type Family,
  type Valve,
  type ValveDraft,
} from '@holvek/core';
import { useLocalSearchParams, useRouter } from 'expo-router';
import { useEffect, useState } from 'react';
import { useChangeValve, useValves } from '@/data/queries';
import { newId } from '@/data/new-id';
import { begunDraft, keepBegun } from '@/register/begun-draft';
import { FamilyPicker } from '@/register/family-picker';
import { KeepValve } from '@/register/keep-valve';
import { useValveForm } from '@/register/use-valve-form';
import { useWriting } from '@/units/use-writing';
import { ValveFields } from '@/register/valve-fields';
import { Screen } from '@/shell/screen';
import { Field } from '@/ui/field';
import { plainNumber } from '@/ui/plain-number';
import { WordButton } from '@/ui/press';
import { Loading } from '@/ui/states';

/** A valve that the register does not have yet: which kind it is, then what its plate says. */
export default function NewValveScreen() {
  const { like } = useLocalSearchParams<{ like?: string }>();
  const valves = useValves();
  const writing = useWriting();
  const [start, setStart] = useState(begunDraft);
  const model = valves.data?.find(({ id }) => id === like);
  if (like && valves.isPending) return <Loading what="Fetching the valve" />;
  if (model) return <NewValve key={model.id} start={draftLike(model, writing)} />;
  const beginAnew = () => {
    keepBegun(undefined);
    setStart(undefined);
  };
  if (start) return <NewValve start={start} onAnew={beginAnew} />;
  return (
    <Screen title="New valve" under="Which kind is it?" back>
      <FamilyPicker onPick={(family: Family) => setStart(newDraft(family))} />
    </Screen>
  );
}

function NewValve({
  start,
  onAnew,
}: {
  readonly start: ValveDraft;
  /** Another kind, from the beginning; given where what is written is kept until it is a valve. */
  readonly onAnew?: () => void;
}) {
  const router = useRouter();
  const change = useChangeValve();
  const known = useValves().data ?? [];
  const [id] = useState(newId);
  const [count, setCount] = useState('1');
  const form = useValveForm({ id, start });
  const [trouble, setTrouble] = useState<string>();
  const isBegun = onAnew !== undefined;
  useEffect(() => {
    if (isBegun && !change.isSuccess) keepBegun(form.draft);
  });
  const keep = async () => {
    const { valve } = form.now;
    if (!valve) return;
    const alike = alikeOf(valve, plainNumber(count));
    const taken = alike?.find((one) =>
      known.some(({ id: other, tag }) => tag === one.tag && other !== one.id),
    );
    setTrouble(
      alike
        ? taken && `${taken.tag} is in the register already.`
        : 'Its tag ends in no number to count on from.',
    );
    if (!alike || taken) return;
    for (const each of alike) await change.mutateAsync(each);
    if (isBegun) keepBegun(undefined);
    router.replace(`/valves/${valve.id}`);
  };
  return (
    <Screen
      title={familyName[start.shape.family]}
      under="A new valve, from its plate"
      back
      footer={
        <KeepValve
          form={form}
          error={change.error}
          isBusy={change.isPending}
          onKeep={() => void keep().catch(() => undefined)}
        >
          Keep this valve
        </KeepValve>
      }
    >
      {onAnew ? <WordButton onPress={onAnew}>begin anew, with another kind</WordButton> : null}
      <ValveFields form={form} />
      <Field
        label={`How many alike, up to ${MOST_ALIKE}`}
        value={count}
        onChangeText={setCount}
        numeric
        error={trouble}
        hint="Their tags count on from the first one's number."
      />
    </Screen>
  );
}

/**
 * The valve and those like it; undefined where their tags cannot be counted on, or nobody knows how many. Asked
 * again after a failure half-way, they are the same ones.
 */
function alikeOf(valve: Valve, count: number): readonly Valve[] | undefined {
  const tags = count >= 1 ? tagsFrom(valve.tag, Math.round(count)) : undefined;
  return tags?.map((tag, i) => ({
    ...valve,
    tag,
    id: i === 0 ? valve.id : `${valve.id}-${i + 1}`,
  }));
}
