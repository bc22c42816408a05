import { useEffect, useRef, useState } from 'react';
import { readRegisters, writeRegister, type Ask, type DeviceError } from './registers';

const POLL_MS = 400;
/** Codes of the unit’s state. */
const DONE = 3;
const GAVE_UP = 9;

type TaskSeen = { readonly position: number; readonly counts: number };

/** Starts a task of the unit and follows it until it has ended; `seen` is where the valve stands. */
export function useTask(): {
  readonly seen: TaskSeen | undefined;
  readonly isOn: boolean;
  readonly start: (
    ask: Ask,
    key: 'start_stroke' | 'start_tune',
  ) => Promise<DeviceError | 'gave_up' | undefined>;
} {
  const [seen, setSeen] = useState<TaskSeen>();
  const [isOn, setOn] = useState(false);
  const isGone = useRef(false);
  useEffect(() => {
    isGone.current = false;
    return () => void (isGone.current = true);
  }, []);
  const start = async (ask: Ask, key: 'start_stroke' | 'start_tune') => {
    setOn(true);
    const outcome = await follow(ask, key);
    if (!isGone.current) setOn(false);
    return outcome;
  };
  const follow = async (ask: Ask, key: 'start_stroke' | 'start_tune') => {
    const begun = await writeRegister(ask, key, 1);
    if (!begun.ok) return begun.error;
    while (!isGone.current) {
      await new Promise((next) => setTimeout(next, POLL_MS));
      const read = await readRegisters(ask, ['state', 'position', 'counts']);
      if (!read.ok) return read.error;
      setSeen(read.value);
      if (read.value.state === DONE) return undefined;
      if (read.value.state === GAVE_UP) return 'gave_up';
    }
    return { code: 'device.no_answer' } as const;
  };
  return { seen, isOn, start };
}
