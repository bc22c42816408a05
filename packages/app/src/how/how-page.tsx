import {
  cutawayFaults,
  cutawayKinds,
  KNOB_TURNS,
  looksOf,
  printTurns,
  type CutawayFault,
  type CutawayHands,
  type CutawayKind,
  type CutawayView,
} from '@holvek/core';
import { useRouter, type Href } from 'expo-router';
import { useState, type ComponentType } from 'react';
import { useUnits } from '@/units/use-units';
import { Screen } from '@/shell/screen';
import { Card } from '@/ui/card';
import { BigButton } from '@/ui/press';
import { Columns } from '@/ui/columns';
import { Choice } from '@/ui/field';
import { View, XStack, YStack } from '@/ui/kit';
import { Figure, Heading, Muted, Strong, Words } from '@/ui/words';
import { DirectPicture } from './direct-picture';
import { ForceBars } from './force-bars';
import { KnobGrip } from './knob-grip';
import type { PictureProps } from './picture';
import { PilotPicture } from './pilot-picture';
import { ReliefPicture } from './relief-picture';
import { Slide } from './slide';
import { useCutaway } from './use-cutaway';
import {
  cutawayTitles,
  faultWords,
  handWords,
  kindWords,
  lookWords,
  sayDoing,
  sayLook,
} from './words';

const pictures: Readonly<Record<CutawayKind, ComponentType<PictureProps>>> = {
  direct: DirectPicture,
  pilot: PilotPicture,
  relief: ReliefPicture,
};

/** A valve cut open: turn its knob, draw on it, break it, and see who pushes. */
export function HowPage({ kind }: { readonly kind: CutawayKind }) {
  const router = useRouter();
  const looks = looksOf(kind);
  const [look, setLook] = useState(looks[0]?.id);
  const { view, hands, move } = useCutaway(kind);
  const next = looks[looks.findIndex(({ id }) => id === look) + 1] ?? looks[0]!;
  const see = (id: string) => {
    setLook(id);
    move(looks.find((each) => each.id === id)?.hands ?? {});
  };
  return (
    <Screen
      title={cutawayTitles[kind]}
      under="Cut open, ten times slower than it is"
      back
      wide
      footer={
        <BigButton flex={1} onPress={() => see(next.id)} testID="next-look">
          {`See: ${(lookWords[kind][next.id]?.title ?? next.id).toLowerCase()}`}
        </BigButton>
      }
    >
      <Columns
        left={<Live {...{ kind, view, hands, move, look }} />}
        right={
          <>
            <Looks kind={kind} look={look} onLook={see} />
            <Faults
              kind={kind}
              fault={hands.fault}
              onFault={(fault) => (setLook(undefined), move({ fault }))}
            />
            <Card>
              <Heading>Who pushes</Heading>
              <ForceBars forces={view.forces} />
            </Card>
            <Choice
              label="Another one"
              value={kind}
              options={cutawayKinds.map((value) => ({ value, say: kindWords[value] }))}
              onChange={(other) => router.replace(`/how/${other}` as Href)}
            />
          </>
        }
      />
    </Screen>
  );
}

type LiveProps = {
  readonly kind: CutawayKind;
  readonly view: CutawayView;
  readonly hands: CutawayHands;
  readonly move: (hands: Partial<CutawayHands>) => void;
  readonly look: string | undefined;
};

/** The picture, its gauges, and what a hand can do to it. */
function Live({ kind, view, hands, move, look }: LiveProps) {
  const said = sayLook(kind, look, hands);
  const Picture = pictures[kind];
  const words = handWords[kind];
  return (
    <Card padding="$3">
      <View position="relative" height={286} role="img" aria-label={sayDoing(kind, view)}>
        <Picture view={view} hands={hands} />
        <KnobGrip knob={hands.knob} onTurn={(knob) => move({ knob })} />
      </View>
      <Gauges kind={kind} view={view} />
      <YStack minHeight={84} gap="$1">
        <Strong testID="doing">{sayDoing(kind, view)}</Strong>
        {said ? <Words>{said}</Words> : null}
      </YStack>
      <Slide
        label={words.knob}
        say={`${printTurns(Math.round(hands.knob * 4) / 4)} turns`}
        value={hands.knob}
        most={KNOB_TURNS}
        step={0.25}
        onChange={(knob) => move({ knob })}
      />
      <XStack gap="$4">
        <YStack flex={1}>
          <Slide
            label={words.supply}
            say={`${Math.round(hands.supply * 100)} %`}
            value={hands.supply}
            most={1}
            step={0.05}
            onChange={(supply) => move({ supply })}
          />
        </YStack>
        <YStack flex={1}>
          <Slide
            label={words.draw}
            say={`${Math.round(hands.draw * 100)} %`}
            value={hands.draw}
            most={1}
            step={0.05}
            onChange={(draw) => move({ draw })}
          />
        </YStack>
      </XStack>
    </Card>
  );
}

/** kPa-fine figures would flicker: rounded to what an eye reads on a dial. */
const DIAL = 1000;

function Gauges({ kind, view }: Pick<LiveProps, 'kind' | 'view'>) {
  const units = useUnits();
  const rows = [
    [kind === 'relief' ? 'line' : 'inlet', units.withUnit(view.inlet, DIAL)],
    ...(view.chamber === undefined ? [] : [['chamber', units.withUnit(view.chamber, DIAL)]]),
    ...(kind === 'relief' ? [] : [['outlet', units.withUnit(view.outlet, DIAL)]]),
    ['passes', units.flowWithUnit(Math.round(view.flow * 1e5) / 1e5)],
  ];
  return (
    <XStack justifyContent="space-between" gap="$2">
      {rows.map(([name, figure]) => (
        <YStack key={name}>
          <Muted>{name}</Muted>
          <Figure testID={`gauge-${name}`}>{figure}</Figure>
        </YStack>
      ))}
    </XStack>
  );
}

function Looks({
  kind,
  look,
  onLook,
}: {
  readonly kind: CutawayKind;
  readonly look: string | undefined;
  readonly onLook: (id: string) => void;
}) {
  return (
    <Card>
      <Choice
        label="See, one after the other"
        value={look ?? ''}
        options={looksOf(kind).map(({ id }, i) => ({
          value: id,
          say: `${i + 1} ${lookWords[kind][id]?.title ?? id}`,
        }))}
        onChange={onLook}
      />
    </Card>
  );
}

const SOUND = 'sound';

function Faults({
  kind,
  fault,
  onFault,
}: {
  readonly kind: CutawayKind;
  readonly fault: CutawayFault | null;
  readonly onFault: (fault: CutawayFault | null) => void;
}) {
  const faults: readonly CutawayFault[] = cutawayFaults[kind];
  return (
    <Card {...(fault ? { tone: 'warn' as const } : {})}>
      <Choice
        label="Something is wrong with it"
        value={fault ?? SOUND}
        options={[
          { value: SOUND, say: 'sound' },
          ...faults.map((id) => ({ value: id, say: faultWords[id].name })),
        ]}
        onChange={(id) => onFault(faults.find((each) => each === id) ?? null)}
      />
    </Card>
  );
}
