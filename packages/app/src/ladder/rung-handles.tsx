import { isSettable, type Ladder, type System } from '@holvek/core';
import { useRef } from 'react';
import type { LadderScale, Rails } from './ladder-scale';
import { useUnits } from '@/units/use-units';

type Props = {
  readonly system: System;
  readonly ladder: Ladder;
  readonly scale: LadderScale;
  readonly rails: Rails;
  readonly places: readonly number[];
  readonly labelHeight: number;
  readonly onDrag: (rung: string, pa: number) => void;
};

/** px of a grip within the picture. */
type Place = Readonly<Record<'top' | 'left' | 'width' | 'height', number>>;

/** Share of the shown range that an arrow key moves a rung. */
const KEY_STEP = 0.01;

/** Rungs as sliders: taken hold of on the rung or its label, or moved with the arrow keys. */
export function RungHandles({ system, ladder, scale, rails, places, labelHeight, onDrag }: Props) {
  const units = useUnits();
  const heldRef = useRef<{ readonly rung: string; readonly offset: number } | undefined>(undefined);
  return (
    <>
      {system.rungs.map((rung, i) => {
        if (!isSettable(rung)) return null;
        const { pa } = ladder.targets[i]!;
        const y = scale.y(pa);
        const grip = (place: Place, isSlider: boolean) => (
          <div
            {...(isSlider
              ? {
                  role: 'slider',
                  tabIndex: 0,
                  'aria-label': rung.name,
                  'aria-orientation': 'vertical' as const,
                  'aria-valuenow': Math.round(pa / 1000),
                  'aria-valuemin': Math.round(scale.low / 1000),
                  'aria-valuemax': Math.round(scale.high / 1000),
                  'aria-valuetext': units.withUnit(pa),
                }
              : { 'aria-hidden': true })}
            style={{
              position: 'absolute',
              ...place,
              cursor: 'ns-resize',
              touchAction: 'none',
              borderRadius: 8,
            }}
            onPointerDown={(event) => {
              event.currentTarget.setPointerCapture(event.pointerId);
              heldRef.current = { rung: rung.id, offset: event.clientY - y };
            }}
            onPointerMove={(event) => {
              const held = heldRef.current;
              if (held?.rung === rung.id) onDrag(rung.id, scale.paAt(event.clientY - held.offset));
            }}
            onPointerUp={() => (heldRef.current = undefined)}
            onPointerCancel={() => (heldRef.current = undefined)}
            onKeyDown={(event) => {
              const way = event.key === 'ArrowUp' ? 1 : event.key === 'ArrowDown' ? -1 : 0;
              if (way === 0) return;
              event.preventDefault();
              onDrag(rung.id, pa + way * KEY_STEP * (scale.high - scale.low));
            }}
          />
        );
        return (
          <span key={rung.id}>
            {grip(
              { top: y - 12, left: rails.left, width: rails.right - rails.left, height: 24 },
              true,
            )}
            {grip(
              { top: places[i]!, left: rails.right + 22, width: 190, height: labelHeight },
              false,
            )}
          </span>
        );
      })}
    </>
  );
}
