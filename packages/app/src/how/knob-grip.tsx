import { KNOB_TURNS } from '@holvek/core';
import { useRef } from 'react';

/** px of a finger's way for a turn. */
const A_TURN = 14;

/** The knob in the picture, taken hold of: right or down is in. The slider under it is for keys. */
export function KnobGrip({
  knob,
  onTurn,
}: {
  readonly knob: number;
  readonly onTurn: (turns: number) => void;
}) {
  const heldRef = useRef<{ readonly x: number; readonly y: number; readonly from: number }>(
    undefined,
  );
  return (
    <div
      aria-hidden
      data-testid="knob"
      style={{
        position: 'absolute',
        inset: '0 0 70% 0',
        cursor: 'grab',
        touchAction: 'none',
      }}
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId);
        heldRef.current = { x: event.clientX, y: event.clientY, from: knob };
      }}
      onPointerMove={(event) => {
        const held = heldRef.current;
        if (!held) return;
        const way = event.clientX - held.x + (event.clientY - held.y);
        onTurn(Math.min(KNOB_TURNS, Math.max(0, held.from + way / A_TURN)));
      }}
      onPointerUp={() => (heldRef.current = undefined)}
      onPointerCancel={() => (heldRef.current = undefined)}
    />
  );
}
