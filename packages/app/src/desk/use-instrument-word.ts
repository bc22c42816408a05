import { measureOf } from '@holvek/core';
import { useDesk } from './use-desk';

/** What the valve in hand is read on. */
export const useInstrumentWord = (): 'gauge' | 'thermometer' =>
  measureOf(useDesk().run.started.plate) === 'temperature' ? 'thermometer' : 'gauge';
