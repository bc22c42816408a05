import { isPractice, may, type Person } from '@holvek/core';
import { useState } from 'react';
import { useDesk } from '@/desk/use-desk';
import { usePeople } from '@/data/queries';
import { usePreferences } from '@/prefs/preferences';
import { Choice, Field } from '@/ui/field';
import { BigButton } from '@/ui/press';
import { Strong, Words } from '@/ui/words';

/** The work goes on in another hand: to whom, what he should know, and what he takes over with it. */
export function HandOver({ onDone }: { readonly onDone: () => void }) {
  const { add, run, view } = useDesk();
  const { technician } = usePreferences();
  const hands = handsFor(usePeople().data ?? [], technician, isPractice(run.started));
  const [to, setTo] = useState<string>();
  const [words, setWords] = useState('');
  if (hands.length === 0)
    return <Words>There is nobody else here who may work on it, as far as this phone knows.</Words>;
  const give = () =>
    to !== undefined &&
    void add({
      type: 'handed_over',
      to,
      ...(words.trim() === '' ? {} : { words: words.trim() }),
    }).then((done) => done && onDone());
  return (
    <>
      <Choice
        label="To whom"
        value={to ?? ''}
        onChange={setTo}
        options={hands.map(({ name }) => ({ value: name, say: name }))}
      />
      {view.openEnds.length > 0 ? (
        <>
          <Strong>What stands open goes with it</Strong>
          {view.openEnds.map(({ id, say }) => (
            <Words key={id}>{say}</Words>
          ))}
        </>
      ) : (
        <Words>Nothing stands open.</Words>
      )}
      <Field
        label="What the next hand should know"
        value={words}
        onChangeText={setWords}
        maxLength={400}
      />
      <BigButton disabled={to === undefined} onPress={give} testID="hand-over">
        {to === undefined ? 'Hand it over' : `Hand it over to ${to}`}
      </BigButton>
    </>
  );
}

/** Everybody else of the house who may go on with it. */
const handsFor = (people: readonly Person[], self: string, isPractised: boolean) =>
  people.filter(
    ({ name, role, left_on: left }) =>
      name !== self && left === undefined && may(role, isPractised ? 'practise' : 'work'),
  );
