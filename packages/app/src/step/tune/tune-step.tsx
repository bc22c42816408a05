import {
  hasBand,
  instrumentOf,
  readStepCsv,
  signalAt,
  simcSettings,
  stepFitOf,
  type LoggerFile,
  type StepOf,
} from '@holvek/core';
import { useState } from 'react';
import { TextArea, XStack, YStack } from '@/ui/kit';
import { DialForm } from './dial-form';
import { CausesButton } from '../parts/causes-sheet';
import { SettledPill } from '../parts/settled-pill';
import { StepFrame } from '../parts/step-frame';
import { TraceChart } from '../parts/trace-chart';
import { useDesk, type Desk } from '@/desk/use-desk';
import { dialledOf, ProposalCard } from '@/bench/proposal-card';
import { useTrace } from '@/gauge-link/trace';
import { useSettling } from '@/gauge-link/use-settling';
import { BottomSheet } from '@/ui/bottom-sheet';
import { Card } from '@/ui/card';
import { readLoggerFile } from '@/log/read-logger-file';
import { pickFile } from '@/ui/files';
import { BigButton, WordButton } from '@/ui/press';
import { Muted, Title, Words } from '@/ui/words';
import { stepTrouble } from '@/words/step-trouble';

const BEFORE = 0.5;
const AFTER = 0.58;
/** s of rest that are kept before the step, and the least after it. */
const LEAD = 30;
const LEAST = 60;
/** Share of the scale within which the value counts as at rest. */
const RESTS = 0.004;

/** A step test in manual, linked, typed or from a file; the model it fits; what is dialled in the end. */
export function TuneStep({ step }: { readonly step: StepOf<'tune'> }) {
  const { run, isLinked } = useDesk();
  const test = useStepTest(step);
  const { fit, trouble, open, setOpen, takeText, takeFile, isStepped } = test;
  const close = () => setOpen(undefined);
  const said = trouble ?? (fit && !fit.ok ? stepTrouble(fit.error) : undefined);
  const isBegun = fit !== undefined || isStepped;
  return (
    <StepFrame
      hideWords={isBegun}
      actions={<TestActions test={test} />}
      more={
        <>
          <WordButton onPress={() => void pickFile(LOG_FILES).then(takeFile)}>
            from a file
          </WordButton>
          {isLinked ? <WordButton onPress={() => setOpen('paste')}>type it</WordButton> : null}
          <CausesButton say="it doesn’t answer" />
        </>
      }
    >
      {isBegun ? <Title>{fit?.ok ? 'What the test proposes' : 'Step test'}</Title> : null}
      {said ? (
        <Card tone="stop" role="alert">
          <Words color="$onVermilionSoft">{said}</Words>
        </Card>
      ) : null}
      {fit?.ok ? (
        <ProposalCard fit={fit.value} present={presentOf(run)} />
      ) : (
        <TestTrace test={test} />
      )}
      <BottomSheet isOpen={open === 'paste'} title="The step test" onClose={close}>
        <PasteTest onTake={(text) => void takeText(text, { source: 'typed' })} />
      </BottomSheet>
      <BottomSheet isOpen={open === 'dial'} title="What was dialled?" onClose={close}>
        {fit?.ok ? <DialForm step={step} start={dialledOf(simcSettings(fit.value.model))} /> : null}
      </BottomSheet>
    </StepFrame>
  );
}

/** Band and reset as the plate has them; an ordinary pair where it has none. */
const presentOf = ({ started: { plate } }: Desk['run']) =>
  hasBand(plate)
    ? { band: plate.band_percent, reset: plate.reset_minutes }
    : { band: 100, reset: 0.1 };

/** Where a step test comes from; a file of a logger is kept by its digest. */
type From = { readonly source: 'typed' | 'linked' | 'file'; readonly file?: LoggerFile };

const LOG_FILES = '.csv,.txt,text/csv,text/plain';

/** A step test as far as it has come, and the ways to take it on. */
function useStepTest(step: StepOf<'tune'>) {
  const { run, add, trace, drive } = useDesk();
  const seen = useTrace(trace);
  const samples = seen.samples.travel;
  const [stepped, setStepped] = useState<{ readonly at: number; readonly from: number }>();
  const steppedAt = stepped?.at;
  const [open, setOpen] = useState<'paste' | 'dial'>();
  const [trouble, setTrouble] = useState<string>();
  const fit = stepFitOf(run);
  const now = samples.at(-1)?.t ?? 0;
  const since = steppedAt === undefined ? 0 : now - steppedAt;
  const settling = useSettling(trace, 'travel', RESTS);
  const isAtRest = settling?.state === 'settled';
  const stepNow = () => {
    if (!isAtRest) return;
    // Only what was at rest counts as before.
    setStepped({ at: now, from: now - Math.min(LEAD, settling.steadyFor) });
    drive({ output: AFTER });
  };
  const keep = async (rows: readonly (readonly [number, number, number])[], from: From) => {
    setTrouble(undefined);
    await add({
      type: 'step_tested',
      step_id: step.id,
      samples: rows.slice(0, 2000).map(([t, output, value]) => [t, output, value]),
      ...from,
    });
  };
  const fitLinked = async () => {
    if (!stepped) return;
    const kept = samples.filter(({ t }) => t >= stepped.from);
    await keep(
      kept.map(({ t, value }) => [t, 100 * (t <= stepped.at ? BEFORE : AFTER), 100 * value]),
      { source: 'linked' },
    );
    drive({ output: BEFORE });
    setStepped(undefined);
  };
  const takeText = async (text: string, from: From) => {
    const table = readStepCsv(text);
    setOpen(undefined);
    if (!table.ok) return setTrouble(stepTrouble(table.error));
    if (table.value.samples.length === 0)
      return setTrouble('No line carries three numbers. Nothing was kept.');
    await keep(
      table.value.samples.map(({ t, output, value }) => [t, output, value]),
      from,
    );
  };
  const takeFile = async (picked: File | undefined) => {
    if (!picked) return;
    const { text, file } = await readLoggerFile(picked);
    await takeText(text, { source: 'file', file });
  };
  return {
    fit,
    trouble,
    open,
    setOpen,
    takeText,
    takeFile,
    samples,
    settling,
    isAtRest,
    isStepped: stepped !== undefined,
    since,
    stepNow,
    fitLinked,
  };
}
type StepTest = ReturnType<typeof useStepTest>;

function TestActions({ test }: { readonly test: StepTest }) {
  const { isLinked } = useDesk();
  const { fit, setOpen, isStepped } = test;
  if (fit?.ok)
    return (
      <BigButton flex={1} onPress={() => setOpen('dial')} testID="dial">
        Dial them
      </BigButton>
    );
  if (!isLinked)
    return (
      <BigButton flex={1} onPress={() => setOpen('paste')} testID="type-step">
        Type or paste the test
      </BigButton>
    );
  return isStepped ? <FitButton test={test} /> : <StepButton test={test} />;
}

const StepButton = ({ test: { isAtRest, stepNow } }: { readonly test: StepTest }) => (
  <BigButton flex={1} kind="brass" disabled={!isAtRest} onPress={stepNow} testID="step-output">
    {isAtRest ? 'Step the output from 50 to 58 %' : 'Wait until the value rests'}
  </BigButton>
);

function FitButton({ test: { since, fitLinked } }: { readonly test: StepTest }) {
  const seconds = Math.round(since);
  return (
    <BigButton flex={1} disabled={since < LEAST} onPress={() => void fitLinked()} testID="fit-step">
      {since < LEAST ? `Logging, ${seconds} s` : `It rests: fit ${seconds} s`}
    </BigButton>
  );
}

/** The process value of a linked test. */
function TestTrace({ test: { samples, settling, isStepped } }: { readonly test: StepTest }) {
  const { run, isLinked } = useDesk();
  const { output } = instrumentOf(run);
  if (!isLinked) return null;
  return (
    <>
      <XStack justifyContent="space-between">
        <SettledPill state={settling} />
      </XStack>
      <TraceChart
        samples={samples.map(({ t, value }) => ({ t, value: signalAt(output, value) }))}
        seconds={240}
        height={150}
        label="Process value, last minutes"
      />
      <Muted>
        {isStepped
          ? 'Leave it alone until the value rests again.'
          : 'Wait until the value rests, then step. It goes on the record from half a minute before.'}
      </Muted>
    </>
  );
}

/** Lines of time, output and value, as they were written down. */
function PasteTest({ onTake }: { readonly onTake: (text: string) => void }) {
  const [text, setText] = useState('');
  return (
    <YStack gap="$3">
      <Muted>
        A line for each reading: seconds, output %, value %. At least a dozen, from before the step
        to rest.
      </Muted>
      <TextArea
        aria-label="Lines of the step test"
        value={text}
        onChangeText={setText}
        minHeight={180}
        backgroundColor="$card"
        color="$color"
        borderColor="$line"
        fontFamily="$figures"
      />
      <BigButton disabled={text.trim() === ''} onPress={() => onTake(text)} testID="take-step-text">
        Fit it
      </BigButton>
    </YStack>
  );
}
