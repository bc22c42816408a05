import type { FamilyFacts, Gauge } from '@holvek/core';
import { OtherAmount } from './other-amount';
import { ReadingPad } from './reading-pad';
import type { Eye, TypedValue } from './use-reading';
import { BottomSheet } from '@/ui/bottom-sheet';

/** A reading typed from a hand-held gauge. */
export const PadSheet = ({
  isOpen,
  title,
  gauge,
  hint,
  control,
  onTake,
  onClose,
}: {
  readonly isOpen: boolean;
  readonly title: string;
  readonly gauge: Gauge | undefined;
  readonly hint?: string;
  readonly control?: FamilyFacts['control'];
  readonly onTake: (value: TypedValue, eye: Eye) => void;
  readonly onClose: () => void;
}) => (
  <BottomSheet isOpen={isOpen} title={title} onClose={onClose}>
    {gauge ? (
      <ReadingPad
        gauge={gauge}
        onTake={onTake}
        {...(hint ? { hint } : {})}
        {...(control ? { control } : {})}
      />
    ) : null}
  </BottomSheet>
);

/** A turn that came out otherwise than advised. */
export const AmountSheet = ({
  isOpen,
  adjuster,
  onTurned,
  onClose,
}: {
  readonly isOpen: boolean;
  readonly adjuster: string;
  readonly onTurned: (turns: number) => void;
  readonly onClose: () => void;
}) => (
  <BottomSheet isOpen={isOpen} title="How far did it go?" onClose={onClose}>
    <OtherAmount adjuster={adjuster} onTurned={onTurned} />
  </BottomSheet>
);
