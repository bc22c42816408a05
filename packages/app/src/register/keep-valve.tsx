import { YStack } from '@/ui/kit';
import { missingWords } from './missing-words';
import type { ValveForm } from './use-valve-form';
import { Refusal } from '@/data/api';
import { BigButton } from '@/ui/press';
import { Muted, Words } from '@/ui/words';
import { refusalWords } from '@/words/trouble';

/** What still keeps it from being set, and the button that keeps it. */
export const KeepValve = ({
  form,
  error,
  isBusy,
  onKeep,
  children,
}: {
  readonly form: ValveForm;
  readonly error: Error | null;
  readonly isBusy: boolean;
  readonly onKeep: () => void;
  readonly children: string;
}) => (
  <YStack flex={1} gap="$2">
    {error ? (
      <Words color="$vermilion" role="alert">
        {error instanceof Refusal
          ? refusalWords(error.code)
          : 'It could not be kept. What you wrote is still here.'}
      </Words>
    ) : (
      <Muted role="status">{missingWords(form.now, form.shape)}</Muted>
    )}
    <BigButton
      disabled={isBusy || form.now.plate.some(({ stops }) => stops)}
      onPress={() => void form.handleSubmit(onKeep)()}
    >
      {children}
    </BigButton>
  </YStack>
);
