import { useStayAwake } from '@/ui/use-stay-awake';
import { isPractice, type Run, type RunEvent } from '@holvek/core';
import { useState } from 'react';
import { useMedia, XStack, YStack } from '@/ui/kit';
import { DoubleTurnCard } from './double-turn-card';
import { GaugeNote } from './gauge-note';
import { HandedCard } from './handed-card';
import { NoticeCards } from '@/notice/notice-card';
import { OpenEndsList } from '@/step/parts/open-ends-list';
import { useOthersEntries } from '@/data/use-others-entries';
import { PhaseRail } from '@/step/parts/phase-rail';
import { RunMenu } from './run-menu';
import { SignedRun } from './signed-run';
import { StepScreen } from '@/step/step-screen';
import { WideMargin } from './wide-margin';
import { StepList } from './step-list';
import { DeskProvider, useDesk, useOpenDesk } from '@/desk/use-desk';
import { PracticeBand } from '@/shell/practice-band';
import { Head } from '@/shell/screen';
import { useKeys } from '@/ui/use-keys';
import { BottomSheet } from '@/ui/bottom-sheet';
import { Card, Pill } from '@/ui/card';
import { Press } from '@/ui/press';
import { Words } from '@/ui/words';

/** A run from its events: one step at a time on a phone, all of it side by side when there is room. */
export function RunScreen({
  run,
  events,
}: {
  readonly run: Run;
  readonly events: readonly RunEvent[];
}) {
  useStayAwake();
  const desk = useOpenDesk(run, events);
  useOthersEntries(run.id, run.status !== 'signed');
  return (
    <DeskProvider value={desk}>
      <RunPanes events={events} />
    </DeskProvider>
  );
}

function RunPanes({ events }: { readonly events: readonly RunEvent[] }) {
  const { run, view, undo, canUndo } = useDesk();
  const isWide = useMedia().wide;
  useKeys({ u: () => canUndo && void undo() });
  if (run.status === 'signed') return <SignedRun />;
  const { step } = view;
  const body = (
    <YStack flex={1} minHeight={0} gap="$3">
      <RunHead />
      <DoubleTurnCard events={events} />
      <HandedCard run={run} events={events} />
      {isPractice(run.started) ? null : (
        <YStack paddingHorizontal="$4">
          <NoticeCards valveId={run.started.valve_id} />
        </YStack>
      )}
      {run.status === 'abandoned' ? (
        <Card margin="$4" tone="stop">
          <Words color="$onVermilionSoft">{`Given up: ${run.abandonedBecause ?? ''}`}</Words>
          <OpenEndsList canClose />
        </Card>
      ) : step ? (
        <StepScreen key={step.id} step={step} />
      ) : null}
    </YStack>
  );
  if (!isWide) return body;
  return (
    <XStack flex={1} minHeight={0}>
      <StepList />
      <YStack flex={1} minHeight={0} borderLeftWidth={1} borderRightWidth={1} borderColor="$line">
        {body}
      </YStack>
      <WideMargin />
    </XStack>
  );
}

/** Whose run it is, how far it has come, what stands open; the menu behind the dots. */
function RunHead() {
  const { run, view } = useDesk();
  const [open, setOpen] = useState<'ends' | 'menu'>();
  const close = () => setOpen(undefined);
  const { step } = view;
  return (
    <YStack>
      {isPractice(run.started) ? <PracticeBand /> : null}
      <YStack padding="$4" paddingBottom={0} gap="$3" $short={{ paddingTop: '$1', gap: 0 }}>
        <Head
          title={run.started.valve_tag}
          under={run.started.valve_name}
          back
          right={<HeadKeys onEnds={() => setOpen('ends')} onMenu={() => setOpen('menu')} />}
        />
        {step ? <PhaseRail run={run} phase={step.phase} note={<GaugeNote step={step} />} /> : null}
      </YStack>
      <BottomSheet isOpen={open === 'ends'} title="Open ends" onClose={close}>
        <Words>Moved for this job. Everything goes back before anyone signs.</Words>
        <OpenEndsList canClose={step?.kind === 'restore' || step?.kind === 'sign'} />
      </BottomSheet>
      <RunMenu isOpen={open === 'menu'} onClose={close} />
    </YStack>
  );
}

function HeadKeys({
  onEnds,
  onMenu,
}: {
  readonly onEnds: () => void;
  readonly onMenu: () => void;
}) {
  const { openEnds } = useDesk().view;
  const ends = openEnds.length === 1 ? 'end' : 'ends';
  return (
    <XStack gap="$2" alignItems="center">
      {openEnds.length > 0 ? (
        <Press
          onPress={onEnds}
          aria-label={`${openEnds.length} open ends`}
          minHeight={44}
          justifyContent="center"
          testID="open-ends"
        >
          <Pill tone="work">{`${openEnds.length} open ${ends}`}</Pill>
        </Press>
      ) : null}
      <Press
        onPress={onMenu}
        aria-label="More about this run"
        minHeight={44}
        minWidth={44}
        alignItems="center"
        justifyContent="center"
      >
        <Words fontSize="$5">⋯</Words>
      </Press>
    </XStack>
  );
}
