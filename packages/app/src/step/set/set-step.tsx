import { families, type StepOf } from '@holvek/core';
import { DeafSheet } from './deaf-sheet';
import { LaneStrip } from './lane-strip';
import { MoveCard } from './move-card';
import { SetActions } from './set-actions';
import { SetAlerts } from './set-alerts';
import { useSetting, type Setting } from './use-setting';
import { LiveFigure } from '../parts/live-figure';
import { StepFrame } from '../parts/step-frame';
import { AmountSheet, PadSheet } from '../parts/step-sheets';
import { useStepText } from '../parts/step-text';
import { useDesk } from '@/desk/use-desk';
import { useInstrumentWord } from '@/desk/use-instrument-word';
import { BottomSheet } from '@/ui/bottom-sheet';
import { WordButton } from '@/ui/press';
import { Title, Words } from '@/ui/words';

/** The loop at the screw: read, see where it stands, turn as advised, wait, read again. */
export function SetStep({ step }: { readonly step: StepOf<'set'> }) {
  const { run } = useDesk();
  const setting = useSetting(step);
  const { view, gauge, live, settling, shown, open, setOpen } = setting;
  const fill = useStepText();
  const word = useInstrumentWord();
  return (
    <StepFrame
      hideWords
      actions={<SetActions setting={setting} />}
      more={
        <>
          <WordButton onPress={() => setOpen('amount')}>other amount</WordButton>
          <WordButton tone="$vermilion" onPress={() => setOpen('deaf')}>
            {`${word} doesn’t answer`}
          </WordButton>
        </>
      }
    >
      {run.adjusters.length > 1 ? <Title>{fill(step.say, step.adjuster)}</Title> : null}
      <LiveFigure
        value={shown}
        gauge={gauge}
        settling={settling}
        note={setting.note}
        label={`${step.role} pressure`}
      />
      {step.around ? <Words color="$brass">{fill(step.around, step.adjuster)}</Words> : null}
      <LaneStrip
        aim={view.aim}
        sign={view.sign}
        dots={view.dots}
        move={view.move}
        live={live && view.sign * live.value}
        resolution={gauge?.resolution_pa ?? 1000}
      />
      <SetAlerts setting={setting} />
      <MoveCard
        view={view}
        instrument={word}
        pendingHint={setting.hint}
        wasUnsettled={setting.wasUnsettled}
      />
      <SetSheets setting={setting} adjuster={step.adjuster} isOpen={open} />
    </StepFrame>
  );
}

/** What opens over the step: the pad, another amount, why it does not answer. */
function SetSheets({
  setting,
  adjuster,
  isOpen,
}: {
  readonly setting: Setting;
  readonly adjuster: string;
  readonly isOpen: Setting['open'];
}) {
  const { view, gauge, settling, sight, wait, close, turn, typed } = setting;
  const word = useInstrumentWord();
  const { control } = families[useDesk().run.started.plate.family];
  const waiting = `Still settling for about ${wait} s: a reading now counts only if the next one agrees.`;
  return (
    <>
      <PadSheet
        isOpen={isOpen === 'pad'}
        title={`Read ${gauge?.tag ?? `the ${word}`}`}
        gauge={gauge}
        hint={wait > 0 ? waiting : 'Needle still? What does it show?'}
        {...(control ? { control } : {})}
        onTake={typed}
        onClose={close}
      />
      <AmountSheet
        isOpen={isOpen === 'amount'}
        adjuster={adjuster}
        onTurned={turn}
        onClose={close}
      />
      <BottomSheet
        isOpen={isOpen === 'deaf'}
        title="It doesn’t answer. Most likely:"
        onClose={close}
      >
        <DeafSheet
          view={view}
          adjuster={adjuster}
          settling={settling}
          sight={sight}
          onClose={close}
        />
      </BottomSheet>
    </>
  );
}
