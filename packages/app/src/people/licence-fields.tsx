import { licenceKinds, licenceKindSchema, type Licence } from '@holvek/core';
import { Field, FieldTrouble } from '@/ui/field';
import { YStack } from '@/ui/kit';
import { WordButton } from '@/ui/press';
import { Muted, Strong } from '@/ui/words';

type Props = {
  readonly licences: readonly Licence[];
  readonly onChange: (licences: Licence[]) => void;
  /** What is wrong with them, where something is. */
  readonly error?: string | undefined;
};

/** The licences of a person: number and last day of each, added and taken out. */
export function LicenceFields({ licences, onChange, error }: Props) {
  const put = (at: number, change: Partial<Licence>) =>
    onChange(licences.map((each, i) => (i === at ? { ...each, ...change } : each)));
  const free = licenceKindSchema.options.filter(
    (kind) => !licences.some((each) => each.kind === kind),
  );
  return (
    <YStack gap="$2" role="group" aria-label="Licences">
      <Muted>Licences</Muted>
      {licences.map(({ kind, number, valid_until }, i) => (
        <YStack key={kind} gap="$2">
          <Strong>{licenceKinds[kind]}</Strong>
          <Field
            label="Number"
            name={`${licenceKinds[kind]}, number`}
            value={number}
            onChangeText={(text) => put(i, { number: text })}
            maxLength={60}
          />
          <Field
            label="Valid until, year-month-day"
            name={`${licenceKinds[kind]}, valid until`}
            value={valid_until}
            onChangeText={(text) => put(i, { valid_until: text.trim() })}
            maxLength={10}
          />
          <WordButton onPress={() => onChange(licences.filter((each) => each.kind !== kind))}>
            {`take out ${licenceKinds[kind].toLowerCase()}`}
          </WordButton>
        </YStack>
      ))}
      {free.map((kind) => (
        <WordButton
          key={kind}
          onPress={() => onChange([...licences, { kind, number: '', valid_until: '' }])}
        >
          {`add ${licenceKinds[kind].toLowerCase()}`}
        </WordButton>
      ))}
      {error === undefined ? null : <FieldTrouble isWanted={false}>{error}</FieldTrouble>}
    </YStack>
  );
}
