import { zodResolver } from '@hookform/resolvers/zod';
import {
  dayAfter,
  firstSite,
  may,
  printSpans,
  printWeek,
  readSpans,
  readWeek,
  unwrap,
  USUAL_START,
  weekdayOf,
  type Person,
  type Season,
} from '@holvek/core';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { useForm, type Control } from 'react-hook-form';
import { z } from 'zod';
import { newId } from '@/data/new-id';
import { useChangeSeason, usePeople, useSites } from '@/data/queries';
import { Screen } from '@/shell/screen';
import { Card } from '@/ui/card';
import { Columns } from '@/ui/columns';
import { FormField } from '@/ui/form-field';
import { XStack, YStack } from '@/ui/kit';
import { today } from '@/ui/local-day';
import { plainNumber } from '@/ui/plain-number';
import { BigButton } from '@/ui/press';
import { Loading } from '@/ui/states';
import { Heading, Muted, Words } from '@/ui/words';
import { RulesCard } from './rules-card';
import { TravelCard } from './travel-card';
import { clockWords, hourOf } from './season-words';

const within = (least: number, most: number) => (text: string) => {
  const value = plainNumber(text);
  return value >= least && value <= most;
};
const spans = z
  .string()
  .max(4000)
  .refine((text) => readSpans(text).ok, 'One span a line: 2026-12-24 to 2026-12-26 holidays');
const schema = z.object({
  name: z.string().trim().min(1, 'What is it called?').max(120),
  from: z.iso.date('A day, as 2026-11-30'),
  weeks: z.string().refine(within(1, 52), 'Weeks, 1 to 52'),
  usual: z.string().refine(within(0, 600), 'Minutes from one place to another'),
  around: z.string().refine(within(0, 240), 'Minutes of a visit beyond its run'),
  closed: spans,
  crew: z.array(
    z.object({
      id: z.string(),
      name: z.string(),
      week: z
        .string()
        .max(200)
        .refine((text) => readWeek(text).ok, 'Hours a day, 0 to 16: 6, or Mon 3, Tue–Fri 5'),
      starts: z.string().refine((text) => hourOf(text) !== undefined, 'An hour such as 7:30'),
      away: spans,
    }),
  ),
});
type Texts = z.infer<typeof schema>;

/** Hours of who has not been asked yet. */
const USUAL_WEEK = '6';

/** Whose days a season has, and what binds it. */
export function SeasonForm({ known }: { readonly known?: Season }) {
  const people = usePeople().data;
  const site = firstSite(useSites().data ?? [])?.id;
  if (!people || !site) return <Loading what="Fetching who works here" />;
  // Who has left keeps the days that he was here.
  const isKnown = (id: string) => known?.crew.some(({ person_id }) => person_id === id) === true;
  const hands = people.filter(
    ({ id, role, left_on: left }) => isKnown(id) || (may(role, 'work') && left === undefined),
  );
  return <Form hands={hands} siteId={site} {...(known ? { known } : {})} />;
}

type FormProps = {
  readonly hands: readonly Person[];
  readonly siteId: string;
  readonly known?: Season;
};

function Form({ hands, siteId, known }: FormProps) {
  const router = useRouter();
  const change = useChangeSeason();
  const [rules, setRules] = useState(known?.rules ?? []);
  const [ways, setWays] = useState(known?.travel.table ?? []);
  const [trouble, setTrouble] = useState<string>();
  const { control, handleSubmit } = useForm<Texts>({
    resolver: zodResolver(schema),
    defaultValues: textsOf(known, hands),
  });
  const keep = handleSubmit((texts) => {
    setTrouble(undefined);
    change.mutate(seasonFrom(texts, { known, siteId, rules, ways }), {
      onSuccess: () => router.replace('/season'),
      onError: () => setTrouble('It could not be kept. What you wrote is still here.'),
    });
  });
  return (
    <Screen
      title={known ? known.name : 'A season'}
      under="Whose days there are, and what binds them"
      back
      wide
      footer={
        <BigButton flex={1} onPress={() => void keep()}>
          Keep this season
        </BigButton>
      }
    >
      {trouble ? (
        <Words color="$vermilion" role="alert">
          {trouble}
        </Words>
      ) : null}
      <Columns
        left={
          <>
            <Frame control={control} />
            <Crew control={control} hands={hands} />
          </>
        }
        right={
          <>
            <RulesCard rules={rules} onRules={setRules} />
            <TravelCard table={ways} onTable={setWays} />
          </>
        }
      />
    </Screen>
  );
}

/** Its days, and what every visit takes beside its run. */
const Frame = ({ control }: { readonly control: Control<Texts> }) => (
  <Card>
    <FormField control={control} name="name" label="Name" />
    <XStack gap="$3">
      <YStack flex={1}>
        <FormField
          control={control}
          name="from"
          label="First day"
          hint="Its week begins on the Monday."
        />
      </YStack>
      <YStack flex={1}>
        <FormField control={control} name="weeks" label="Weeks" numeric />
      </YStack>
    </XStack>
    <FormField
      control={control}
      name="usual"
      label="From one place to another"
      unit="min"
      numeric
      hint="Walked or driven; where nothing better is known."
    />
    <FormField
      control={control}
      name="around"
      label="Around each visit"
      unit="min"
      numeric
      hint="Being let in, telling who must know, tidying up; the run itself is known from earlier ones."
    />
    <FormField
      control={control}
      name="closed"
      label="Days on which nobody works"
      hint="2026-12-24 to 2026-12-26 holidays; several with a ; between"
    />
  </Card>
);

const Crew = ({
  control,
  hands,
}: {
  readonly control: Control<Texts>;
  readonly hands: readonly Person[];
}) => (
  <Card>
    <Heading>Who works</Heading>
    <Muted>
      Hours a day that go to valves: 6 for every working day, or day by day, as Mon 3, Tue–Fri 5; 0
      for who does not take part.
    </Muted>
    {hands.map(({ id, name }, i) => (
      <XStack key={id} gap="$3">
        <YStack flex={2}>
          <FormField control={control} name={`crew.${i}.week`} label={name} unit="h" />
        </YStack>
        <YStack flex={1}>
          <FormField control={control} name={`crew.${i}.starts`} label="Begins at" />
        </YStack>
        <YStack flex={2}>
          <FormField control={control} name={`crew.${i}.away`} label={`${name} is away`} />
        </YStack>
      </XStack>
    ))}
  </Card>
);

const nextMonday = (): string => dayAfter(today(), (7 - weekdayOf(today())) % 7);

export function textsOf(known: Season | undefined, hands: readonly Person[]): Texts {
  return {
    name: known?.name ?? '',
    from: known?.from ?? nextMonday(),
    weeks: String(known?.weeks ?? 8),
    usual: String(known?.travel.usual ?? 15),
    around: String(known?.around ?? 20),
    closed: printSpans(known?.closed ?? []).replaceAll('\n', '; '),
    crew: hands.map(({ id, name }) => {
      const member = known?.crew.find(({ person_id }) => person_id === id);
      return {
        id,
        name,
        week: known ? printWeek(member?.week ?? []) : USUAL_WEEK,
        starts: clockWords(member?.starts ?? USUAL_START),
        away: printSpans(member?.away ?? []).replaceAll('\n', '; '),
      };
    }),
  };
}

type Rest = {
  readonly known: Season | undefined;
  readonly siteId: string;
  readonly rules: Season['rules'];
  readonly ways: Season['travel']['table'];
};

/** When his days begin; nothing where nobody has said anything else than the usual. */
const startsAt = (
  said: number | undefined,
  before: number | undefined,
): { readonly starts?: number } =>
  said === undefined || (said === USUAL_START && before === undefined) ? {} : { starts: said };

/** The texts as a season. */
export function seasonFrom(texts: Texts, { known, siteId, rules, ways }: Rest): Season {
  const crew = texts.crew.flatMap(({ id, week: said, starts, away }) => {
    const week = unwrap(readWeek(said));
    if (week.every((minutes) => minutes === 0)) return [];
    const before = known?.crew.find(({ person_id }) => person_id === id);
    return [
      {
        person_id: id,
        week: [...week],
        ...startsAt(hourOf(starts), before?.starts),
        away: unwrap(readSpans(away)).map(({ from, to }) => ({ from, to })),
      },
    ];
  });
  const monday = dayAfter(texts.from, -weekdayOf(texts.from));
  return {
    id: known?.id ?? newId(),
    name: texts.name.trim(),
    site_id: known?.site_id ?? siteId,
    from: monday,
    weeks: plainNumber(texts.weeks),
    crew,
    closed: unwrap(readSpans(texts.closed)).map((span) => ({ ...span, why: span.why || 'closed' })),
    rules: [...rules],
    around: Math.round(plainNumber(texts.around)),
    travel: { usual: Math.round(plainNumber(texts.usual)), table: [...ways] },
    plan: known?.plan ?? [],
  };
}
