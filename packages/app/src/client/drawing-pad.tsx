import type { SignedByHand } from '@holvek/core';
import { useEffect, useRef, useState } from 'react';
import SignaturePad from 'signature_pad';
import { drawnIn } from './drawn';
import { View, XStack, YStack } from '@/ui/kit';
import { WordButton } from '@/ui/press';
import { useInk } from '@/ui/use-ink';
import { Muted } from '@/ui/words';

/** Where a hand signs, with a finger or a pen; who cannot draw signs by name alone. */
export function DrawingPad({
  onDrawn,
}: {
  readonly onDrawn: (drawn: SignedByHand | undefined) => void;
}) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const pad = useRef<SignaturePad>(undefined);
  const told = useRef(onDrawn);
  const [isEmpty, setEmpty] = useState(true);
  const { color } = useInk();
  useEffect(() => {
    told.current = onDrawn;
  });
  useEffect(() => {
    const paper = canvas.current!;
    const { width, height } = paper.getBoundingClientRect();
    // As fine as the screen, or a line looks torn.
    const fine = window.devicePixelRatio;
    Object.assign(paper, { width: width * fine, height: height * fine });
    paper.getContext('2d')?.scale(fine, fine);
    const own = new SignaturePad(paper, { penColor: color });
    pad.current = own;
    own.addEventListener('endStroke', () => {
      setEmpty(false);
      told.current(
        drawnIn(
          own.toData().map(({ points }) => points),
          { width, height },
        ),
      );
    });
    return () => own.off();
  }, [color]);
  const wipe = () => {
    pad.current?.clear();
    setEmpty(true);
    onDrawn(undefined);
  };
  return (
    <YStack gap="$1">
      <XStack justifyContent="space-between" alignItems="center">
        <Muted>Sign with a finger, if you like</Muted>
        {isEmpty ? null : <WordButton onPress={wipe}>wipe it off</WordButton>}
      </XStack>
      <View
        borderWidth={2}
        borderColor="$line"
        borderRadius="$2"
        backgroundColor="$card"
        overflow="hidden"
      >
        <canvas
          ref={canvas}
          aria-label="Signature, drawn by hand"
          role="img"
          data-testid="drawing-pad"
          style={{ width: '100%', aspectRatio: '3 / 1', touchAction: 'none', display: 'block' }}
        />
      </View>
    </YStack>
  );
}
