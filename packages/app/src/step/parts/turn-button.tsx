import { BigButton } from '@/ui/press';
import { turnWord, wayWord } from '@/ui/turn-word';

/** The turn that was advised, made: one press. */
export const TurnButton = ({
  turns,
  onTurned,
  disabled = false,
  made,
  children,
}: {
  readonly turns: number;
  readonly onTurned: (turns: number) => void;
  readonly disabled?: boolean;
  /** What was done, where it was no turn. */
  readonly made?: string;
  /** Said instead, while it cannot be pressed. */
  readonly children?: string;
}) => (
  <BigButton
    flex={1}
    onPress={() => onTurned(turns)}
    disabled={disabled}
    keyHint="T"
    testID="turned"
    {...(children === undefined && made === undefined ? { spoken: wayWord(turns) } : {})}
  >
    {children ?? made ?? `Turned ${turnWord(turns)}`}
  </BigButton>
);

/** Nothing is left to do here: on to the next step. */
export const NextButton = ({
  onPress,
  children,
  testID = 'confirm-step',
}: {
  readonly onPress: () => void;
  readonly children: string;
  readonly testID?: string;
}) => (
  <BigButton flex={1} onPress={onPress} keyHint="N" testID={testID}>
    {children}
  </BigButton>
);
