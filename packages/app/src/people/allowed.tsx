import type { HouseAction } from '@holvek/core';
import type { ReactNode } from 'react';
import { useMay } from '@/prefs/preferences';
import { Muted } from '@/ui/words';

type Props = {
  readonly action: HouseAction;
  /** What it is, so that whoever may not do it knows what to ask for. */
  readonly what: string;
  readonly children: ReactNode;
};

/** What only some may do; whoever may not is told who may. */
export function Allowed({ action, what, children }: Props) {
  const { may, needs } = useMay(action);
  const article = needs === 'owner' ? 'an' : 'a';
  return may ? children : <Muted>{`${what}: ask ${article} ${needs}`}</Muted>;
}
