import { faultWords } from '@holvek/core';
import { useState } from 'react';
import { YStack } from '@/ui/kit';
import { logWatch, useLogWatch } from '@/data/store';
import { WordButton } from '@/ui/press';
import { Strong, Words } from '@/ui/words';

/** Over every screen, while the server shows another log than this phone has seen. */
export function LogBanner() {
  const { fault, head } = useLogWatch();
  const [isSure, setSure] = useState(false);
  if (!fault) return null;
  return (
    <YStack
      role="alert"
      testID="log-banner"
      backgroundColor="$vermilionSoft"
      paddingHorizontal="$4"
      paddingVertical="$3"
      gap="$1"
    >
      <Strong color="$onVermilionSoft">
        The server’s record is not the one this phone has seen
      </Strong>
      <Words color="$onVermilionSoft">
        {`${faultWords(fault)} Last seen here: line ${head.seq}. Tell the owner before anything is filed.`}
      </Words>
      {isSure ? (
        <WordButton onPress={() => void logWatch.beginAnew()}>
          Yes, another server: forget what was seen
        </WordButton>
      ) : (
        <WordButton onPress={() => setSure(true)}>
          This is another server, and meant to be
        </WordButton>
      )}
    </YStack>
  );
}
