import { leftWords, needsAnswer, outcomeWord, type Phase, type ValveVisit } from '@holvek/core';
import { useRouter } from 'expo-router';
import Check from 'lucide-react-native/icons/check';
import { View, XStack, YStack } from '@/ui/kit';
import type { RoundRow } from './use-round-rows';
import { phaseWord } from '@/step/parts/phase-rail';
import { useNoticesOn } from '@/notice/use-notices-on';
import { usePreferences } from '@/prefs/preferences';
import { useUnitsOf, type Units } from '@/units/use-units';
import { aimWords } from '@/words/aim-words';
import { useInk } from '@/ui/use-ink';
import { Pill } from '@/ui/card';
import { Press } from '@/ui/press';
import { Muted, Strong, Words } from '@/ui/words';
import { printersOf } from '@/report/use-printers';
import { outcomeTone } from '@/sheet/outcome';

type Props = { readonly row: RoundRow; readonly place: number; readonly isLast: boolean };

/** The mark of a valve, by how it stands: green only where all is proved and back. */
const looks = {
  good: { back: '$verdigris', edge: '$verdigris', text: '$onVerdigris' },
  work: { back: '$brassSoft', edge: '$brassMark', text: '$onBrassSoft' },
  stop: { back: '$card', edge: '$vermilion', text: '$vermilion' },
  quiet: { back: '$card', edge: '$line', text: '$color' },
} as const;

/** One valve of a round: its place in the order, what it is to hold, where it stands. */
export function RoundLine({ row, place, isLast }: Props) {
  const router = useRouter();
  const ink = useInk();
  const { valve, run, isSignedToday, lastSheet } = row;
  const units = useUnitsOf()(valve);
  const notices = useNoticesOn(valve.id);
  const { technician } = usePreferences();
  const others = run && run.started.author !== technician ? run.started.author : undefined;
  const isDone = isSignedToday && lastSheet !== undefined;
  const tone = isDone ? outcomeTone(lastSheet.body) : run ? 'work' : 'quiet';
  const isGood = tone === 'good';
  const look = looks[tone];
  const go = () =>
    isDone
      ? router.push(`/sheets/${lastSheet.id}`)
      : run
        ? router.push(`/runs/${run.id}`)
        : router.push(`/valves/${valve.id}`);
  return (
    <Press onPress={go} testID={`round-${valve.tag}`}>
      <XStack gap="$3" alignItems="stretch" minHeight={62}>
        <YStack alignItems="center" width={38}>
          <View
            width={38}
            height={38}
            borderRadius="$pill"
            borderWidth={3}
            borderColor={look.edge}
            backgroundColor={look.back}
            alignItems="center"
            justifyContent="center"
          >
            {isGood ? (
              <Check size={20} color={ink.onVerdigris} />
            ) : (
              <Strong color={look.text}>{String(place)}</Strong>
            )}
          </View>
          {isLast ? null : <View flex={1} width={3} backgroundColor="$line" />}
        </YStack>
        <YStack flex={1} paddingBottom="$3">
          <Strong fontSize="$4" lineHeight="$4">{`${valve.tag} ${valve.name}`}</Strong>
          <Words color="$muted">{saysOf(row, units)}</Words>
          {others ? <Words color="$brass">{`${others} is on it`}</Words> : null}
          {notices.map(({ id, text }) => (
            <Words key={id} color="$brass">
              {text}
            </Words>
          ))}
        </YStack>
        <YStack justifyContent="flex-start" paddingTop="$1">
          <Standing row={row} />
        </YStack>
      </XStack>
    </Press>
  );
}

function saysOf({ valve, isSignedToday, lastSheet }: RoundRow, units: Units): string {
  if (isSignedToday && lastSheet) return leftWords(lastSheet.body, printersOf(units));
  return aimWords(valve, units);
}

function Standing({
  row: { run, phase, isSignedToday, lastSheet, minutes },
}: {
  readonly row: RoundRow;
}) {
  if (isSignedToday && lastSheet)
    return <Pill tone={outcomeTone(lastSheet.body)}>{signedWord(lastSheet.body)}</Pill>;
  if (run) return <Pill tone="work">{phaseWord[(phase ?? 'sign') as Phase].toLowerCase()}</Pill>;
  if (lastSheet && needsAnswer(lastSheet.body))
    return <Pill tone="stop">{outcomeWord(lastSheet.body)}</Pill>;
  return <Muted>{minutes ? `about ${roundMinutes(minutes)} min` : 'never set'}</Muted>;
}

/** Signed, where that is all there is to say. */
const signedWord = (body: ValveVisit['body']): string =>
  outcomeTone(body) === 'good' ? 'signed' : outcomeWord(body);

/** To five minutes, as nobody plans finer. */
export const roundMinutes = (minutes: number): number => Math.max(5, Math.round(minutes / 5) * 5);
