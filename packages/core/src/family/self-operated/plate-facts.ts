import { choiceOf, type PlateFact } from '../../valve';

/** What only this family's plate says. */
export const selfOperatedPlateFacts: readonly PlateFact[] = [
  {
    path: 'arrangement.service',
    label: 'Service',
    ...choiceOf({ reducing: 'reducing', back_pressure: 'back pressure', relief: 'relief' }),
  },
  {
    path: 'arrangement.fluid',
    label: 'Its line carries',
    why: 'A column to the gauge is counted, and lockup allowed, by it.',
    optional: true,
    ...choiceOf({ water: 'water', air: 'air', gas: 'gas', steam: 'steam', oil: 'oil' }),
  },
  {
    path: 'arrangement.loading',
    label: 'Loaded by',
    ...choiceOf({
      spring: 'its spring',
      bled_first: 'a supply, bled first',
      bled_last: 'a supply, bled last',
    }),
  },
  { path: 'arrangement.control_line', label: 'Control line outside', kind: 'yes_no' },
  { path: 'arrangement.bypass', label: 'Bypass round it', kind: 'yes_no' },
  { path: 'arrangement.vent_piped', label: 'Vent piped away', kind: 'yes_no' },
];
