import { useFieldArray, type Control } from 'react-hook-form';
import type { PlaceTexts } from './place-form';
import { FormField } from '@/ui/form-field';
import { XStack, YStack } from '@/ui/kit';
import { WordButton } from '@/ui/press';
import { Strong } from '@/ui/words';

/** Who is asked or told there, one under the other. */
export function ContactRows({ control }: { readonly control: Control<PlaceTexts> }) {
  const { fields, append, remove } = useFieldArray({ control, name: 'contacts' });
  return (
    <YStack gap="$2" role="group" aria-label="Who is asked there">
      <Strong>Who is asked there</Strong>
      {fields.map(({ id }, i) => (
        <YStack key={id} gap="$2" borderLeftWidth={3} borderColor="$line" paddingLeft="$3">
          <FormField control={control} name={`contacts.${i}.name`} label={`Name, ${i + 1}`} />
          <XStack gap="$2">
            <YStack flex={1}>
              <FormField control={control} name={`contacts.${i}.role`} label="As what" />
            </YStack>
            <YStack flex={1}>
              <FormField control={control} name={`contacts.${i}.phone`} label="Telephone" />
            </YStack>
          </XStack>
          <WordButton onPress={() => remove(i)} label={`Leave out person ${i + 1}`}>
            leave out
          </WordButton>
        </YStack>
      ))}
      <WordButton onPress={() => append({ name: '', role: '', phone: '' })}>
        {fields.length === 0 ? 'name somebody' : 'somebody else too'}
      </WordButton>
    </YStack>
  );
}
