import { useState } from 'react';
import { YStack } from '@/ui/kit';
import type { TypedOutput, usePoint } from './use-point';
import { FigureInput } from '@/ui/figure-input';
import { BigButton } from '@/ui/press';
import { Muted, Words } from '@/ui/words';

type Props = {
  readonly point: ReturnType<typeof usePoint>;
  readonly label: string;
  readonly unit: string;
  readonly kind?: Parameters<ReturnType<typeof usePoint>['read']>[1];
  /** Whether it was taken; until then no other is. */
  readonly onTake: (value: TypedOutput) => Promise<boolean>;
};

/**
 * A figure typed from a scale; Enter takes it, and the field is ready for the next. An Enter that
 * comes before the last figure is safe takes nothing, so that no point is given two figures.
 */
export function PointEntry({ point, label, unit, kind, onTake }: Props) {
  const [text, setText] = useState('');
  const [isTaking, setTaking] = useState(false);
  const read = point.read(text, kind);
  const isGood = read !== undefined && 'value' in read && !isTaking;
  const take = async () => {
    if (!isGood) return;
    setText('');
    setTaking(true);
    const isTaken = await onTake(read);
    setTaking(false);
    // What was refused stands again, unless the next is being typed already.
    if (!isTaken) setText((now) => (now === '' ? text : now));
  };
  return (
    <YStack gap="$2" flex={1}>
      <FigureInput
        label={label}
        value={text}
        onChangeText={setText}
        onSubmitEditing={() => void take()}
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
      <BigButton onPress={() => void take()} disabled={!isGood} testID="take-typed-point">
        Take it
      </BigButton>
    </YStack>
  );
}
