import type { usePoint } from './use-point';
import { BigButton } from '@/ui/press';

/** Takes what the linked scale shows, settled or not. */
export function TakeButton({
  point: { isSettled, live, outputSay },
  onTake,
}: {
  readonly point: ReturnType<typeof usePoint>;
  readonly onTake: () => void;
}) {
  const how = isSettled ? 'Take' : 'Take it moving:';
  return (
    <BigButton
      flex={1}
      kind={isSettled ? 'primary' : 'outline'}
      disabled={live === undefined}
      onPress={onTake}
      keyHint="R"
      testID="take-point"
    >
      {live === undefined ? 'Waiting for the scale' : `${how} ${outputSay(live)}`}
    </BigButton>
  );
}
