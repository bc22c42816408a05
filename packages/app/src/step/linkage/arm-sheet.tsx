import { slideError, type RangeArm } from '@holvek/core';
import { useState } from 'react';
import { YStack } from '@/ui/kit';
import { useDesk } from '@/desk/use-desk';
import { BottomSheet } from '@/ui/bottom-sheet';
import { Field } from '@/ui/field';
import { BigButton } from '@/ui/press';
import { eventTrouble } from '@/words/trouble';

/** The figure at which the range arm really stands, when it is not the one that was asked for. */
export function ArmSheet({
  isOpen,
  arm,
  onSlid,
  onClose,
}: {
  readonly isOpen: boolean;
  readonly arm: RangeArm;
  /** By how much it was slid. */
  readonly onSlid: (by: number) => void;
  readonly onClose: () => void;
}) {
  const { units } = useDesk();
  const [text, setText] = useState('');
  const by = readFigure(text) - arm.at;
  const wrong = text.trim() === '' ? undefined : slideError(by, arm);
  const error =
    wrong && (Number.isNaN(by) ? 'Type a figure such as 3.4.' : eventTrouble(wrong, units));
  return (
    <BottomSheet isOpen={isOpen} title="Where does the arm stand?" onClose={onClose}>
      <YStack gap="$3">
        <Field
          label="Figure on its scale"
          value={text}
          onChangeText={setText}
          error={error}
          maxLength={12}
          hint={`It stood at ${arm.at}; the scale goes from ${arm.least} to ${arm.most}.`}
          numeric
        />
        <BigButton disabled={text.trim() === '' || error !== undefined} onPress={() => onSlid(by)}>
          {text.trim() === '' || error ? 'It stands there' : `It stands at ${text.trim()}`}
        </BigButton>
      </YStack>
    </BottomSheet>
  );
}

/** A plain figure with a point or a comma; NaN when it is none. */
function readFigure(text: string): number {
  const plain = text.trim().replace(',', '.');
  return /^\d*\.?\d+$/u.test(plain) ? Number(plain) : Number.NaN;
}
