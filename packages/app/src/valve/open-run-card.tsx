import type { Run } from '@holvek/core';
import { useRouter } from 'expo-router';
import { useEffect } from 'react';
import { pullOpenRuns, useShelf } from '@/data/store';
import { Card } from '@/ui/card';
import { BigButton } from '@/ui/press';
import { Strong, Words } from '@/ui/words';
import { openRunOf } from './valve-state';

/** Work on a valve that is open, here or on another phone as far as the server knows. */
export function useOpenRun(valveId: string): Run | undefined {
  useEffect(() => {
    void pullOpenRuns();
  }, []);
  return openRunOf(useShelf(), valveId);
}

/** A record is one run: whoever comes second joins it, or ends it first. */
export function OpenRunCard({ valveId }: { readonly valveId: string }) {
  const run = useOpenRun(valveId);
  const router = useRouter();
  if (!run) return null;
  const { author } = run.started;
  return (
    <Card tone="warn" role="alert">
      <Strong color="$onBrassSoft">Work on this valve is open</Strong>
      <Words color="$onBrassSoft">
        {`${author} began it. Two records of one visit would not agree: join it, or end it first.`}
      </Words>
      <BigButton kind="outline" onPress={() => router.replace(`/runs/${run.id}`)}>
        Join it
      </BigButton>
    </Card>
  );
}
