import { useState } from 'react';
import { YStack } from 'tamagui';
import type { TypedOutput, usePoint } from './use-point';
import { TextInput } from '@/ui/field';
import { BigButton } from '@/ui/press';
import { Muted, Words } from '@/ui/words';

type Props = {
  readonly point: ReturnType<typeof usePoint>;
  readonly label: string;
  readonly unit: string;
  readonly kind?: Parameters<ReturnType<typeof usePoint>['read']>[1];
  readonly onTake: (value: TypedOutput) => void;
};

/** A figure typed from a scale; Enter takes it, and the field is ready for the next. */
export function PointEntry({ point, label, unit, kind, onTake }: Props) {
  const [text, setText] = useState('');
  const read = point.read(text, kind);
  const isGood = read !== undefined && 'value' in read;
  const take = () => {
    if (!isGood) return;
    setText('');
    onTake(read);
  };
  return (
    <YStack gap="$2" flex={1}>
      <TextInput
        aria-label={label}
        value={text}
        onChangeText={setText}
        onSubmitEditing={take}
        inputMode="decimal"
        maxLength={40}
        autoFocus
        fontFamily="$figuresStrong"
        fontSize="$6"
        textAlign="right"
        placeholder={unit}
      />
      {read && 'error' in read ? (
        <Words color="$vermilion" role="alert">
          {read.error}
        </Words>
      ) : (
        <Muted>{label}</Muted>
      )}
      <BigButton onPress={take} disabled={!isGood} testID="take-typed-point">
        Take it
      </BigButton>
    </YStack>
  );
}
