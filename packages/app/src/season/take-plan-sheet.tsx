import { planLines, writePlanCsv, type PlanLine } from '@holvek/core';
import { useState } from 'react';
import { FeedsCard } from './feeds-card';
import type { SeasonDesk } from './use-season-desk';
import { weekPages } from './week-pages';
import { pagesHere } from '@/sheet/paper/client';
import { BottomSheet } from '@/ui/bottom-sheet';
import { saveBlob, saveText } from '@/ui/files';
import { XStack } from '@/ui/kit';
import { BigButton } from '@/ui/press';
import { Muted, Words } from '@/ui/words';

type Props = {
  readonly desk: SeasonDesk;
  readonly isOpen: boolean;
  readonly onClose: () => void;
};

/** The plan to be taken away: as a calendar, by an address, as a table, on paper. */
export function TakePlanSheet({ desk, isOpen, onClose }: Props) {
  return (
    <BottomSheet isOpen={isOpen} title="Take the plan away" onClose={onClose}>
      <Files desk={desk} />
      <FeedsCard desk={desk} />
    </BottomSheet>
  );
}

function Files({ desk }: { readonly desk: SeasonDesk }) {
  const { season, made, routes, valves } = desk;
  const [paper, setPaper] = useState<'ready' | 'making' | 'failed'>('ready');
  const lines = planLines(made, routes, season, valves);
  if (lines.length === 0)
    return <Muted>Nothing is planned yet: there is nothing to take away.</Muted>;
  const file = season.name.replace(/[^\w-]+/gu, '_');
  const print = async () => {
    setPaper('making');
    try {
      const bytes = await pagesHere(season.name, pagesFrom(desk, lines));
      saveBlob(`${file}.pdf`, new Blob([bytes], { type: 'application/pdf' }));
      setPaper('ready');
    } catch {
      setPaper('failed');
    }
  };
  return (
    <>
      <XStack gap="$2" flexWrap="wrap">
        <BigButton
          flex={1}
          kind="outline"
          disabled={paper === 'making'}
          onPress={() => void print()}
        >
          {paper === 'making' ? 'Printing …' : 'Weeks on paper'}
        </BigButton>
        <BigButton
          flex={1}
          kind="outline"
          onPress={() => saveText(`${file}.csv`, writePlanCsv(lines), 'text/csv')}
        >
          CSV
        </BigButton>
        <BigButton
          flex={1}
          kind="outline"
          onPress={() => window.open(`/api/seasons/${season.id}/calendar.ics`, '_self')}
        >
          Calendar file
        </BigButton>
      </XStack>
      {paper === 'failed' ? (
        <Words color="$vermilion" role="alert">
          The paper could not be made. The plan is safe as it is.
        </Words>
      ) : null}
      <Muted>Paper has the weeks from this one on: each day in its order, and what to bring.</Muted>
    </>
  );
}

/** The weeks that are not over. */
function pagesFrom(
  { season, made, valves, today }: SeasonDesk,
  lines: readonly PlanLine[],
): ReturnType<typeof weekPages> {
  const weeks = Array.from({ length: season.weeks }, (_, week) => ({
    from: made.days[7 * week]!,
    to: made.days[7 * week + 6]!,
  })).filter(({ to }) => to >= today);
  return weekPages({ season: season.name, lines, valves, weeks });
}
