import { bagOf, toolKey, type Valve } from '@holvek/core';
import { useState } from 'react';
import { BagList } from './bag-list';
import { usePacked } from './packed';
import { BottomSheet } from '@/ui/bottom-sheet';
import { Card, Pill } from '@/ui/card';
import { XStack } from '@/ui/kit';
import { Press } from '@/ui/press';
import { Muted, Strong } from '@/ui/words';

/** What these valves want in the bag: how much of it is packed, and behind it the list. */
export function BagCard({ valves }: { readonly valves: readonly Valve[] }) {
  const packed = usePacked();
  const [isOpen, setOpen] = useState(false);
  const bag = bagOf(valves);
  if (bag.length === 0) return null;
  const done = bag.filter(({ tool }) => packed.has(toolKey(tool))).length;
  const isAll = done === bag.length;
  return (
    <>
      <Press onPress={() => setOpen(true)} aria-label={`Bring: ${done} of ${bag.length} packed`}>
        <Card padding="$3">
          <XStack justifyContent="space-between" alignItems="center" gap="$3" minHeight={32}>
            <Strong fontSize="$4" lineHeight="$4">
              Bring
            </Strong>
            <Pill tone={isAll ? 'good' : 'work'}>
              {isAll ? 'all packed' : `${done} of ${bag.length} packed`}
            </Pill>
          </XStack>
        </Card>
      </Press>
      <BottomSheet isOpen={isOpen} title="Bring" onClose={() => setOpen(false)}>
        <Muted>
          The test gauges are chosen when a run is started. What the maker’s manual and the permit
          call for comes on top.
        </Muted>
        <BagList bag={bag} valves={valves.length} />
      </BottomSheet>
    </>
  );
}
