import type { Gauge } from '@holvek/core';
import { heightOf } from './height';
import { Field } from '@/ui/field';

/** A gauge as it hangs today; undefined where there is none, or its height cannot be read. */
export function hungAt(gauge: Gauge | undefined, text: string | undefined): Gauge | undefined {
  if (!gauge || text === undefined) return gauge;
  const height = heightOf(text);
  return height === undefined ? undefined : { ...gauge, height_above_tapping_m: height };
}

type HeightFieldProps = {
  readonly gauge: Gauge | undefined;
  readonly text: string | undefined;
  readonly onChange: (text: string) => void;
};

/** How high it hangs: the column up to it is added to every reading. */
export function HeightField({ gauge, text, onChange }: HeightFieldProps) {
  if (!gauge) return null;
  const shown = text ?? String(gauge.height_above_tapping_m);
  return (
    <Field
      label={`${gauge.tag} hangs above its tapping`}
      unit="m"
      value={shown}
      onChangeText={onChange}
      maxLength={12}
      hint="Below it is negative. The column up to it is added to every reading."
      error={heightOf(shown) === undefined ? 'A height in metres, please, within 100.' : undefined}
    />
  );
}
