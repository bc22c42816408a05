import type { Notice } from '@holvek/core';

/** What somebody left on a valve of the demo. */
export const demoNotice = (now: number): Notice => ({
  id: 'notice-prv-12',
  valve_id: 'prv-12',
  text: 'Ask the snow crew before the bowl is shut: two guns hang on it.',
  by: 'Tomas Brandt',
  at_ms: now - 26 * 3_600_000,
});
