import { zodResolver } from '@hookform/resolvers/zod';
import { isPractice, may, type Person } from '@holvek/core';
import { useForm, useWatch } from 'react-hook-form';
import { z } from 'zod';
import { useDesk } from '@/desk/use-desk';
import { usePeople } from '@/data/queries';
import { usePreferences } from '@/prefs/preferences';
import { FormChoice } from '@/ui/form-choice';
import { FormField } from '@/ui/form-field';
import { BigButton } from '@/ui/press';
import { useOnce } from '@/ui/use-once';
import { Strong, Words } from '@/ui/words';

const schema = z.object({ to: z.string().min(1), words: z.string().trim().max(400) });
type Texts = z.infer<typeof schema>;

/** The work goes on in another hand: to whom, what he should know, and what he takes over with it. */
export function HandOver({ onDone }: { readonly onDone: () => void }) {
  const { add, run, view } = useDesk();
  const { technician } = usePreferences();
  const hands = handsFor(usePeople().data ?? [], technician, isPractice(run.started));
  const { control, handleSubmit } = useForm<Texts>({
    resolver: zodResolver(schema),
    defaultValues: { to: '', words: '' },
  });
  const to = useWatch({ control, name: 'to' });
  const give = useOnce(
    handleSubmit(async ({ words, ...hand }) => {
      const said = words === '' ? {} : { words };
      if (await add({ type: 'handed_over', ...hand, ...said })) onDone();
    }),
  );
  if (hands.length === 0)
    return <Words>There is nobody else here who may work on it, as far as this phone knows.</Words>;
  return (
    <>
      <FormChoice
        control={control}
        name="to"
        label="To whom"
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
      <FormField
        control={control}
        name="words"
        label="What the next hand should know"
        maxLength={400}
      />
      <BigButton disabled={to === ''} onPress={() => void give()} testID="hand-over">
        {to === '' ? 'Hand it over' : `Hand it over to ${to}`}
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
