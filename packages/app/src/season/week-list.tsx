import { dayLoad, effortIn, weekLoad } from '@holvek/core';
import { useRouter, type Href } from 'expo-router';
import { Card, Pill } from '@/ui/card';
import { XStack, YStack } from '@/ui/kit';
import { Press, WordButton } from '@/ui/press';
import { Heading, Muted, Strong } from '@/ui/words';
import { hoursWords, monthDay, shortDay } from './season-words';
import type { SeasonDesk } from './use-season-desk';

type Props = { readonly desk: SeasonDesk; readonly onSelect: (valveId: string) => void };

/** Week by week, day by day: who goes where. */
export function WeekList({ desk, onSelect }: Props) {
  const { made, routes, season } = desk;
  return (
    <>
      {Array.from({ length: season.weeks }, (_, week) => {
        const load = weekLoad(made, routes, week);
        const days = Array.from({ length: 7 }, (__, i) => 7 * week + i).filter((day) =>
          made.people.some((_person, person) => (routes[person]?.[day] ?? []).length > 0),
        );
        if (days.length === 0) return null;
        return (
          <Card key={week}>
            <XStack justifyContent="space-between" gap="$2">
              <Heading>{`Week of ${monthDay(made.days[7 * week]!)}`}</Heading>
              <Pill tone={load.asked > load.there ? 'stop' : 'quiet'}>
                {`${hoursWords(load.asked)} of ${hoursWords(load.there)}`}
              </Pill>
            </XStack>
            {days.map((day) => (
              <DayLines key={day} desk={desk} day={day} onSelect={onSelect} />
            ))}
          </Card>
        );
      })}
    </>
  );
}

function DayLines({ desk, day, onSelect }: Props & { readonly day: number }) {
  const router = useRouter();
  const { made, routes } = desk;
  const iso = made.days[day]!;
  return (
    <>
      {made.people.map((person, p) => {
        const route = routes[p]?.[day] ?? [];
        if (route.length === 0) return null;
        const { asked } = dayLoad(made, routes, p, day);
        return (
          <YStack key={person.id} borderTopWidth={1} borderColor="$line" paddingTop="$2">
            <XStack justifyContent="space-between" alignItems="center" gap="$2">
              <Muted
                flexShrink={1}
              >{`${shortDay(iso)} · ${person.name} · ${hoursWords(asked)}`}</Muted>
              <WordButton
                label={`The day of ${person.name}, ${shortDay(iso)}`}
                onPress={() => router.push(`/season/${iso}?person=${person.id}` as Href)}
              >
                the day
              </WordButton>
            </XStack>
            {route.flatMap((block) =>
              made.problem.blocks[block]!.valves.map((id) => (
                <VisitLine key={id} desk={desk} id={id} person={p} onSelect={onSelect} />
              )),
            )}
          </YStack>
        );
      })}
    </>
  );
}

type LineProps = Props & {
  readonly id: string;
  /** In whose hands it is planned, by his place in the crew. */
  readonly person?: number;
};

/** A valve in a line, with how long it takes. */
export function VisitLine({ desk, id, person, onSelect }: LineProps) {
  const valve = desk.valves.get(id);
  const visit = desk.made.visits.get(id);
  if (!valve || !visit) return null;
  const isLate = visit.wanted.late < desk.today;
  return (
    <Press onPress={() => onSelect(id)}>
      <XStack justifyContent="space-between" alignItems="center" gap="$2" minHeight={48}>
        <YStack flexShrink={1}>
          <Strong>{`${valve.tag} ${valve.name}`}</Strong>
          <Muted>{valve.place}</Muted>
        </YStack>
        {isLate ? (
          <Pill tone="stop">late</Pill>
        ) : (
          <Muted>{hoursWords(effortIn(desk.made, id, person).minutes)}</Muted>
        )}
      </XStack>
    </Press>
  );
}
