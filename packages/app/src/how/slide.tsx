import { XStack, YStack } from '@/ui/kit';
import { useInk } from '@/ui/use-ink';
import { Figure, Muted } from '@/ui/words';

/** A slider for a thumb: its name, its figure, and the arrow keys. */
export function Slide({
  label,
  say,
  value,
  most,
  step,
  onChange,
}: {
  readonly label: string;
  /** Its value in words. */
  readonly say: string;
  readonly value: number;
  readonly most: number;
  readonly step: number;
  readonly onChange: (value: number) => void;
}) {
  const ink = useInk();
  return (
    <YStack>
      <XStack justifyContent="space-between">
        <Muted>{label}</Muted>
        <Figure>{say}</Figure>
      </XStack>
      <input
        type="range"
        aria-label={label}
        aria-valuetext={say}
        min={0}
        max={most}
        step={step}
        value={value}
        onChange={(event) => onChange(Number(event.currentTarget.value))}
        style={{ width: '100%', height: 44, margin: 0, accentColor: ink.verdigris }}
      />
    </YStack>
  );
}
