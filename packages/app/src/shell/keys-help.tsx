import { useState } from 'react';
import { BottomSheet } from '@/ui/bottom-sheet';
import { Row } from '@/ui/card';
import { useKeys } from '@/ui/use-keys';

const keys = [
  ['T', 'turned as advised'],
  ['R', 'read the gauge'],
  ['U', 'undo'],
  ['N', 'next, confirm'],
  ['D', 'gauge doesn’t answer'],
  ['/', 'find a valve'],
  ['?', 'these keys'],
] as const;

/** `?` shows what the keyboard can do. */
export function KeysHelp() {
  const [isOpen, setOpen] = useState(false);
  useKeys({ '?': () => setOpen((now) => !now) });
  return (
    <BottomSheet isOpen={isOpen} title="Keys" onClose={() => setOpen(false)}>
      {keys.map(([key, does], i) => (
        <Row key={key} label={key} isLast={i === keys.length - 1}>
          {does}
        </Row>
      ))}
    </BottomSheet>
  );
}
