import {
  actionFor,
  bandOfGain,
  gainOfBand,
  integralOfReset,
  previewLoop,
  simcSettings,
  type LoopPreview,
  type PI,
  type StepFit,
} from '@holvek/core';
import { XStack, YStack } from '@/ui/kit';
import { LoopChart } from './loop-chart';
import { BigNumber } from '@/ui/big-number';
import { Card, Row } from '@/ui/card';
import { Heading, Muted, Words } from '@/ui/words';

const STEP = 10;

/** Band in % and reset in minutes a repeat, as they are dialled. */
export type Dialled = { readonly band: number; readonly reset: number | undefined };

export const dialledOf = ({ gain, integralTime }: PI): Dialled => {
  const band = bandOfGain(gain);
  return {
    band: band.ok ? band.value : 100,
    reset: integralTime === undefined ? undefined : integralTime / 60,
  };
};
const piOf = ({ band, reset }: Dialled): PI | undefined => {
  const gain = gainOfBand(band);
  const integral = reset === undefined ? undefined : integralOfReset(reset);
  if (!gain.ok || (integral && !integral.ok)) return undefined;
  return { gain: gain.value, integralTime: integral?.value };
};

/** What a step test proposes, beside what is dialled now: figures, and both on the fitted loop. */
export function ProposalCard({
  fit,
  present,
}: {
  readonly fit: StepFit;
  readonly present?: Dialled;
}) {
  const settings = simcSettings(fit.model);
  const dialled = dialledOf(settings);
  const proposed = previewLoop(fit.model, settings, { step: STEP });
  const now = present && piOf(present);
  const preview = now && previewLoop(fit.model, now, { step: STEP });
  const alone = previewLoop(
    fit.model,
    { gain: settings.gain, integralTime: undefined },
    { step: STEP },
  );
  return (
    <YStack gap="$3">
      <Card>
        <Heading>Proposed</Heading>
        <XStack gap="$6" flexWrap="wrap">
          <YStack>
            <Muted>proportional band</Muted>
            <BigNumber
              fontSize="$8"
              lineHeight="$8"
              testID="proposed-band"
            >{`${dialled.band.toFixed(dialled.band < 20 ? 1 : 0)} %`}</BigNumber>
          </YStack>
          <YStack>
            <Muted>reset, minutes a repeat</Muted>
            <BigNumber fontSize="$8" lineHeight="$8" testID="proposed-reset">
              {(dialled.reset ?? 0).toFixed(2)}
            </BigNumber>
          </YStack>
        </XStack>
        <LoopChart step={STEP} proposed={proposed} present={preview} />
        <Muted>
          A wider band is less gain, and slower: that is the standard meaning, whatever the dial’s
          ends are called.
        </Muted>
      </Card>
      <Card>
        <Row label="Overshoots">{besideNow(overshootSay, proposed, preview)}</Row>
        <Row label="Settles in">{besideNow(settlingSay, proposed, preview)}</Row>
        <Row label="Largest sensitivity">{besideNow(sensitivitySay, proposed, preview)}</Row>
        <Row label="Action" isLast>
          {actionFor(fit.model)}
        </Row>
      </Card>
      <Card>
        <Row label="Process gain">{`${fit.model.gain.toFixed(2)} % per %`}</Row>
        <Row label="Time constant">{`${fit.model.timeConstant.toFixed(1)} s`}</Row>
        <Row label="Dead time">{`${fit.model.deadTime.toFixed(1)} s`}</Row>
        <Row label="Explains" isLast>{`${(fit.explained * 100).toFixed(1)} % of the record`}</Row>
        {fit.sawTheEnd ? null : (
          <Words color="$brass">
            The record ends before the value has come to rest: the gain is a guess, and so is the
            band.
          </Words>
        )}
      </Card>
      <Words color="$muted">
        {`With the band alone and reset shut off, a step of ${STEP} % would end ${alone.offset.toFixed(1)} ` +
          `% short: a proportional controller only works on an error. Reset goes on until none is left.`}
      </Words>
    </YStack>
  );
}

const overshootSay = ({ isStable, overshoot }: LoopPreview): string =>
  isStable ? `${(overshoot * 100).toFixed(0)} %` : 'never settles';
const settlingSay = ({ settling }: LoopPreview): string =>
  settling === undefined ? 'never' : `${settling.toFixed(0)} s`;
const sensitivitySay = ({ sensitivity }: LoopPreview): string =>
  Number.isFinite(sensitivity) ? sensitivity.toFixed(2) : 'unstable';

/** A figure of the proposed loop, and of the present one where its settings are known. */
const besideNow = (
  say: (preview: LoopPreview) => string,
  proposed: LoopPreview,
  present: LoopPreview | undefined,
): string => (present ? `${say(proposed)}, now ${say(present)}` : say(proposed));
