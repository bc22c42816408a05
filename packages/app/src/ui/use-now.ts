import { useState } from 'react';

/** The moment at which a screen was opened, ms since 1970: it stays the same while the screen is up. */
export const useNow = (): number => useState(() => Date.now())[0];
