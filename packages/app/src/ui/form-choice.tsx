import { Controller, type Control, type FieldValues, type Path } from 'react-hook-form';
import { YStack } from './kit';
import { Choice, FieldTrouble } from './field';

type Props<T extends FieldValues> = {
  readonly control: Control<T>;
  readonly name: Path<T>;
  readonly label: string;
  readonly options: Parameters<typeof Choice<string>>[0]['options'];
};

/** One of a few, as a field of a form, with what is wrong with it. */
export const FormChoice = <T extends FieldValues>({ control, name, label, options }: Props<T>) => (
  <Controller
    name={name}
    control={control}
    render={({ field, fieldState }) => (
      <YStack gap="$1">
        <Choice
          label={label}
          value={String(field.value)}
          onChange={field.onChange}
          options={options}
        />
        {fieldState.error?.message ? (
          <FieldTrouble isWanted={false}>{fieldState.error.message}</FieldTrouble>
        ) : null}
      </YStack>
    )}
  />
);
