import { useState, type ReactNode } from 'react';
import { BottomSheet } from '@/ui/bottom-sheet';
import { Card, Pill } from '@/ui/card';
import { XStack } from '@/ui/kit';
import { Press } from '@/ui/press';
import { Strong } from '@/ui/words';

/** A list to be ticked before the day begins: how far it is, and the list behind it. */
export function ListCard({
  title,
  isAll,
  words,
  children,
}: {
  readonly title: string;
  readonly isAll: boolean;
  /** How far it is. */
  readonly words: string;
  readonly children: ReactNode;
}) {
  const [isOpen, setOpen] = useState(false);
  return (
    <>
      <Press onPress={() => setOpen(true)}>
        <Card padding="$3">
          <XStack justifyContent="space-between" alignItems="center" gap="$3" minHeight={32}>
            <Strong fontSize="$4" lineHeight="$4">
              {title}
            </Strong>
            <Pill tone={isAll ? 'good' : 'work'}>{words}</Pill>
          </XStack>
        </Card>
      </Press>
      <BottomSheet isOpen={isOpen} title={title} onClose={() => setOpen(false)}>
        {children}
      </BottomSheet>
    </>
  );
}
