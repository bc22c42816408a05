import type { ReactNode } from 'react';
import { XStack, YStack } from '@/ui/kit';
import { ScrewDial } from './screw-dial';
import { Card } from '@/ui/card';
import { Strong } from '@/ui/words';

/** The screw as it stands and as it should stand, beside what is to be done with it. */
export const TurnCard = ({
  position,
  turns,
  above,
  picture,
  children,
}: {
  readonly position: number;
  readonly turns: number;
  /** What it is about, small. */
  readonly above?: string;
  /** Instead of a screw’s dial, where no screw is turned. */
  readonly picture?: ReactNode;
  readonly children: ReactNode;
}) => (
  <Card>
    <XStack gap="$4" alignItems="center">
      {picture ?? <ScrewDial position={position} turns={turns} />}
      <YStack flex={1} gap="$1">
        {above ? (
          <Strong color="$brass" fontSize="$2">
            {above}
          </Strong>
        ) : null}
        {children}
      </YStack>
    </XStack>
  </Card>
);
