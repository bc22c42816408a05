import { Controller, type Control, type FieldValues, type Path } from 'react-hook-form';
import { Field } from './field';

type Props<T extends FieldValues> = {
  readonly control: Control<T>;
  readonly name: Path<T>;
  readonly label: string;
  readonly hint?: string;
  readonly maxLength?: number;
  readonly numeric?: boolean;
  readonly unit?: string | undefined;
  /** Not to be read over a shoulder. */
  readonly isSecret?: boolean;
  /** The return key ends the form here. */
  readonly onSubmit?: () => void;
};

/** A text of a form, with what is wrong with it. */
export const FormField = <T extends FieldValues>({
  control,
  name,
  label,
  maxLength = 2000,
  isSecret = false,
  numeric = false,
  hint,
  unit,
  onSubmit,
}: Props<T>) => (
  <Controller
    name={name}
    control={control}
    render={({ field, fieldState }) => (
      <Field
        label={label}
        value={String(field.value)}
        onChangeText={field.onChange}
        error={fieldState.error?.message}
        maxLength={maxLength}
        numeric={numeric}
        {...(hint === undefined ? {} : { hint })}
        {...(unit === undefined ? {} : { unit })}
        isSecret={isSecret}
        {...(onSubmit ? { onSubmitEditing: onSubmit } : {})}
      />
    )}
  />
);
