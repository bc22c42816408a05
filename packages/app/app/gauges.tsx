import {
  families,
  gaugeFitness,
  measureOf,
  openFailure,
  type Gauge,
  type Plate,
} from '@holvek/core';
import { useState } from 'react';
import { XStack, YStack } from '@/ui/kit';
import { useGauges, useHouseRules, useValves } from '@/data/queries';
import { GaugeFiles } from '@/gauge/gauge-files';
import { GaugeSheet } from '@/gauge/gauge-sheet';
import { PhotosCard } from '@/photo/photos-card';
import { useUnitsOfGauge, type Units } from '@/units/use-units';
import { Screen } from '@/shell/screen';
import { SyncPill } from '@/shell/sync-pill';
import { Card, Pill } from '@/ui/card';
import { BigButton, Press, WordButton } from '@/ui/press';
import { Empty, Loading, Trouble } from '@/ui/states';
import { Heading, Muted, Spoken, Words } from '@/ui/words';
import { today } from '@/ui/local-day';

/** The test gauges: range, date, and which valves of the register each one may judge. */
export default function GaugesScreen() {
  const gauges = useGauges();
  const [edited, setEdited] = useState<Gauge | 'new'>();
  const [isFile, setFile] = useState(false);
  return (
    <Screen
      title="Gauges"
      under="Trust the test gauge, not the tag"
      right={<SyncPill />}
      footer={
        <BigButton flex={1} kind="outline" onPress={() => setEdited('new')}>
          Add a gauge
        </BigButton>
      }
    >
      {gauges.isPending ? <Loading what="Fetching the gauges" /> : null}
      {gauges.isError && !gauges.data ? (
        <Trouble
          title="The gauges cannot be read"
          say="There is no network and nothing was kept from an earlier visit."
          onRetry={() => void gauges.refetch()}
        />
      ) : null}
      {gauges.data?.length === 0 ? (
        <Empty title="No gauges" say="Add the one in your bag: range, accuracy and certificate." />
      ) : null}
      {gauges.data?.map((gauge) => (
        <GaugeCard key={gauge.id} gauge={gauge} onEdit={() => setEdited(gauge)} />
      ))}
      <WordButton onPress={() => setFile(true)}>gauges as a file</WordButton>
      <GaugeFiles gauges={gauges.data ?? []} isOpen={isFile} onClose={() => setFile(false)} />
      <GaugeSheet
        gauge={edited}
        onClose={() => setEdited(undefined)}
        below={
          edited && edited !== 'new' ? <PhotosCard valveId={edited.id} of="gauge" /> : undefined
        }
      />
    </Screen>
  );
}

/** Low-pressure gas wants a low-range gauge of its own; what fits water by range is not taken to it. */
const suits = (gauge: Gauge, { family }: Plate): boolean =>
  !families[family].wantsLowRange || gauge.range_high_pa <= 20_000;

/** What stands on its face, how well it tells it, and whether its certificate corrects it. */
function faceWords(gauge: Gauge, units: Units): string {
  const { accuracy_fraction: share, accuracy_of: of = 'span', corrections } = gauge;
  const said = [
    `${units.figure(gauge.range_low_pa)} to ${units.withUnit(gauge.range_high_pa)}`,
    `reads to ${units.withUnit(gauge.resolution_pa)}`,
    `${(share * 100).toFixed(2)} % of ${of}`,
    ...(corrections ? ['corrected'] : []),
  ];
  return said.join(' · ');
}

function GaugeCard({ gauge, onEdit }: { readonly gauge: Gauge; readonly onEdit: () => void }) {
  const units = useUnitsOfGauge(gauge);
  const rules = useHouseRules();
  const valves = useValves().data ?? [];
  const fits = valves.filter(
    ({ target, plate }) =>
      suits(gauge, plate) &&
      gaugeFitness(gauge, { ...target, measures: measureOf(plate) }, today(), rules).grade ===
        'fits',
  );
  const failure = openFailure(gauge);
  const isOut = failure !== undefined || gauge.calibration_due_on < today();
  return (
    <Press onPress={onEdit}>
      <Spoken>Change</Spoken>
      <Card {...(isOut ? { tone: 'stop' as const } : {})}>
        <XStack justifyContent="space-between" alignItems="center">
          <Heading fontSize="$5" color={isOut ? '$onVermilionSoft' : '$color'}>
            {gauge.tag}
          </Heading>
          <Pill tone={isOut ? 'stop' : 'good'}>
            {failure
              ? 'failed its check'
              : isOut
                ? 'out of date'
                : `to ${gauge.calibration_due_on}`}
          </Pill>
        </XStack>
        <YStack>
          <Words color={isOut ? '$onVermilionSoft' : '$color'}>{faceWords(gauge, units)}</Words>
          <Muted color={isOut ? '$onVermilionSoft' : '$muted'}>
            {failure
              ? `Failed on ${failure.on}: ${failure.why}. It judges nothing until it is calibrated.`
              : isOut
                ? `Ran out on ${gauge.calibration_due_on}. May be used with a warning that stands on the sheet.`
                : fits.length > 0
                  ? `Fits ${fits.map(({ tag }) => tag).join(', ')}`
                  : 'Fits no target in the register: wrong range or too coarse'}
          </Muted>
        </YStack>
      </Card>
    </Press>
  );
}
