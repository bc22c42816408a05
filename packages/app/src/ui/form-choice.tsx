import { Controller, type Control, type FieldValues, type Path } from 'react-hook-form';
import { Choice } from './field';

type Props<T extends FieldValues> = {
  readonly control: Control<T>;
  readonly name: Path<T>;
  readonly label: string;
  readonly options: Parameters<typeof Choice<string>>[0]['options'];
};

/** One of a few, as a field of a form. */
export const FormChoice = <T extends FieldValues>({ control, name, label, options }: Props<T>) => (
  <Controller
    name={name}
    control={control}
    render={({ field }) => (
      <Choice
        label={label}
        value={String(field.value)}
        onChange={field.onChange}
        options={options}
      />
    )}
  />
);
