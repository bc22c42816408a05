import type { Notice } from '@holvek/core';
import { useState } from 'react';
import { useNoticesOn } from './use-notices-on';
import { noticeWords } from './notice-words';
import { NoticeSheet } from './notice-sheet';
import { useChangeNotice } from '@/data/queries';
import { preferences, useMay } from '@/prefs/preferences';
import { Card } from '@/ui/card';
import { XStack } from '@/ui/kit';
import { WordButton } from '@/ui/press';
import { Muted, Strong } from '@/ui/words';

/** Words that others have left on a valve, and a way to take them down. */
export function NoticeCards({ valveId }: { readonly valveId: string }) {
  const notices = useNoticesOn(valveId);
  return (
    <>
      {notices.map((notice) => (
        <NoticeCard key={notice.id} notice={notice} />
      ))}
    </>
  );
}

function NoticeCard({ notice }: { readonly notice: Notice }) {
  const change = useChangeNotice();
  const { may } = useMay('leave_notice');
  const takeDown = () =>
    change.mutate({
      ...notice,
      taken_down: { by: preferences().technician, at_ms: Date.now() },
    });
  return (
    <Card tone="warn" role="note" aria-label="Left on this valve" testID="notice">
      <Strong color="$onBrassSoft">{notice.text}</Strong>
      <XStack justifyContent="space-between" alignItems="center" gap="$2">
        <Muted color="$onBrassSoft" flexShrink={1}>
          {noticeWords(notice)}
        </Muted>
        {may ? <WordButton onPress={takeDown}>no longer so</WordButton> : null}
      </XStack>
    </Card>
  );
}

/** Leaves a word for whoever comes next. */
export function LeaveNotice({ valveId }: { readonly valveId: string }) {
  const [isOpen, setOpen] = useState(false);
  const { may } = useMay('leave_notice');
  if (!may) return null;
  return (
    <>
      <WordButton onPress={() => setOpen(true)}>leave word on it</WordButton>
      <NoticeSheet valveId={valveId} isOpen={isOpen} onClose={() => setOpen(false)} />
    </>
  );
}
