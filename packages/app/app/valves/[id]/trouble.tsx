import { procedureOf, signsOf, type Evidence, type Valve } from '@holvek/core';
import { useRouter, type Href } from 'expo-router';
import { useState } from 'react';
import { CauseCards } from '@/step/parts/cause-cards';
import { Screen } from '@/shell/screen';
import { Choice } from '@/ui/field';
import { BigButton, WordButton } from '@/ui/press';
import { Empty } from '@/ui/states';
import { Heading, Muted } from '@/ui/words';
import { signQuestions } from '@/valve/sign-questions';
import { WithValve } from '@/valve/with-valve';

/** A valve that misbehaves, outside any run: what is seen of it, and what that may come from. */
export default function TroubleScreen() {
  return <WithValve>{(valve) => <TroubleOf key={valve.id} valve={valve} />}</WithValve>;
}

function TroubleOf({ valve }: { readonly valve: Valve }) {
  const router = useRouter();
  const [seen, setSeen] = useState<Evidence>({});
  const { causes } = procedureOf(valve.plate.family);
  const look = (key: string, value: string) => setSeen((before) => ({ ...before, [key]: value }));
  const asked = signQuestions.map(({ key, ask, words }) => ({
    key,
    ask,
    options: signsOf(causes, key).map((value) => ({ value, say: words[value] ?? value })),
  }));
  const hasSeen = Object.keys(seen).length > 0;
  return (
    <Screen
      title={`${valve.tag}: what is wrong?`}
      under={valve.name}
      back
      footer={
        <BigButton
          flex={1}
          kind="outline"
          disabled={valve.retired !== undefined}
          onPress={() => router.push(`/valves/${valve.id}/start`)}
        >
          Start setting
        </BigButton>
      }
    >
      {causes.length === 0 ? (
        <Empty title="No causes are known for it" say="Its maker's manual says what to look at." />
      ) : (
        <>
          {asked
            .filter(({ options }) => options.length > 1)
            .map(({ key, ask, options }) => (
              <Choice
                key={key}
                label={ask}
                value={seen[key] ?? ''}
                options={options}
                onChange={(value) => look(key, value)}
              />
            ))}
          <Heading>{hasSeen ? 'It may be' : 'Commonest first'}</Heading>
          <Muted>
            Each check changes the order. Nothing is recorded here; turn nothing without its
            cautions.
          </Muted>
          <CauseCards
            causes={causes}
            evidence={seen}
            answered={seen}
            onAnswer={look}
            actionOf={() => undefined}
          />
          {hasSeen ? (
            <WordButton onPress={() => setSeen({})}>forget what was answered</WordButton>
          ) : null}
        </>
      )}
      <WordButton onPress={() => router.push(`/valves/${valve.id}/repair` as Href)}>
        it was opened: note the repair
      </WordButton>
    </Screen>
  );
}
