import { hasFlame, recordOf, type StepOf } from '@holvek/core';
import { EdgeChart } from './edge-chart';
import { EdgesActions } from './edges-actions';
import { EdgesAdvice } from './edges-advice';
import { useEdges } from './use-edges';
import { CausesButton } from '../parts/causes-sheet';
import { LiveFigure } from '../parts/live-figure';
import { StepFrame } from '../parts/step-frame';
import { AmountSheet, PadSheet } from '../parts/step-sheets';
import { useDesk } from '@/desk/use-desk';
import { WordButton } from '@/ui/press';
import { Title } from '@/ui/words';

const seeking = {
  low: 'Looking for the low edge',
  high: 'Looking for the high edge',
  flame: 'Looking for the low edge',
} as const;

/** Both edges of a flame: the next pressure, the screw that brings it there, one light at a time. */
export function EdgesStep({ step }: { readonly step: StepOf<'edges'> }) {
  const { run } = useDesk();
  const edges = useEdges(step);
  const { view, prompt, turn, gauge, settling, now } = edges;
  const { lights } = recordOf(run, step);
  const { plate } = run.started;
  const title = view.search.next ? seeking[view.search.next.seeks] : 'Both edges are known';
  return (
    <StepFrame
      hideWords={lights.length > 0}
      actions={<EdgesActions edges={edges} count={lights.length} />}
      more={
        <>
          {prompt.ask === 'turn' ? (
            <WordButton onPress={turn.openOther}>other amount</WordButton>
          ) : null}
          <CausesButton say="it doesn’t answer" />
        </>
      }
    >
      {lights.length > 0 ? <Title>{title}</Title> : null}
      <LiveFigure
        value={now}
        gauge={gauge}
        settling={settling}
        note={`${lights.length} of at most ${lights.length + view.left} lights`}
        label="pilot gas"
      />
      <EdgeChart
        view={view}
        lights={lights}
        maker={{
          low: hasFlame(plate) ? plate.maker_low_pa : 0,
          high: hasFlame(plate) ? plate.maker_high_pa : 0,
        }}
        now={now}
      />
      <EdgesAdvice edges={edges} last={lights.at(-1)} />
      <PadSheet
        isOpen={edges.isTyping}
        title="Read the manometer"
        gauge={gauge}
        onTake={edges.typed}
        onClose={edges.stopTyping}
      />
      <AmountSheet
        isOpen={turn.isOther}
        adjuster={step.adjuster}
        onTurned={turn.turned}
        onClose={turn.closeOther}
      />
    </StepFrame>
  );
}
