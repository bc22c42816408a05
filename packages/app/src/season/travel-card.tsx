import { zodResolver } from '@hookform/resolvers/zod';
import { areaOf, type Season } from '@holvek/core';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { z } from 'zod';
import { usePlacedValves } from '@/data/use-placed-valves';
import { BottomSheet } from '@/ui/bottom-sheet';
import { Card } from '@/ui/card';
import { FormChoice } from '@/ui/form-choice';
import { FormField } from '@/ui/form-field';
import { XStack, YStack } from '@/ui/kit';
import { numberText } from '@/ui/number-text';
import { plainNumber } from '@/ui/plain-number';
import { BigButton, WordButton } from '@/ui/press';
import { Heading, Muted, Strong } from '@/ui/words';

type Table = Season['travel']['table'];
type Way = Table[number];
type Props = { readonly table: Table; readonly onTable: (table: Table) => void };

/** Where a day begins has no name in the table. */
const START = '';
const sayArea = (area: string): string => (area === START ? 'Where the day begins' : area);

/** A way is the same there and back. */
const isSameWay = (one: Pick<Way, 'from' | 'to'>, other: Pick<Way, 'from' | 'to'>): boolean =>
  (one.from === other.from && one.to === other.to) ||
  (one.from === other.to && one.to === other.from);

/** The table with this way in it, in the place of what it said before. */
export const withWay = (table: Table, way: Way): Table => [
  ...table.filter((each) => !isSameWay(each, way)),
  way,
];

/** How long it takes from place to place, where it is another time than usual. */
export function TravelCard({ table, onTable }: Props) {
  const valves = usePlacedValves() ?? [];
  const [isOpen, setOpen] = useState(false);
  const areas = [...new Set(valves.map(({ place }) => areaOf(place)))]
    .filter((area) => area !== START)
    .sort((a, b) => a.localeCompare(b));
  return (
    <Card>
      <Heading>Ways</Heading>
      <Muted>Where walking or driving takes another time than the usual one; there and back.</Muted>
      {table.map((way) => (
        <XStack
          key={`${way.from} ${way.to}`}
          justifyContent="space-between"
          gap="$2"
          borderTopWidth={1}
          borderColor="$line"
        >
          <YStack flexShrink={1} paddingVertical="$2">
            <Strong>{`${way.minutes} min`}</Strong>
            <Muted>{`${sayArea(way.from)} – ${sayArea(way.to)}`}</Muted>
          </YStack>
          <WordButton
            tone="$vermilion"
            label={`Take out: ${sayArea(way.from)} – ${sayArea(way.to)}`}
            onPress={() => onTable(table.filter((each) => each !== way))}
          >
            take out
          </WordButton>
        </XStack>
      ))}
      <BigButton kind="outline" disabled={areas.length === 0} onPress={() => setOpen(true)}>
        Add a way
      </BigButton>
      <BottomSheet isOpen={isOpen} title="A way" onClose={() => setOpen(false)}>
        <WayForm
          areas={areas}
          onWay={(way) => {
            onTable(withWay(table, way));
            setOpen(false);
          }}
        />
      </BottomSheet>
    </Card>
  );
}

const MOST_MINUTES = 1440;
const schema = z
  .object({
    from: z.string(),
    to: z.string(),
    minutes: numberText(
      'Minutes, 0 to 1440',
      (value) => Number.isInteger(value) && value >= 0 && value <= MOST_MINUTES,
    ),
  })
  .refine(({ from, to }) => from !== to, { path: ['to'], message: 'Two places.' });
type Texts = z.infer<typeof schema>;

function WayForm({
  areas,
  onWay,
}: {
  readonly areas: readonly string[];
  readonly onWay: (way: Way) => void;
}) {
  const { control, handleSubmit } = useForm<Texts>({
    resolver: zodResolver(schema),
    defaultValues: { from: START, to: areas[0] ?? START, minutes: '' },
  });
  const options = (all: readonly string[]) =>
    all.map((area) => ({ value: area, say: sayArea(area) }));
  const keep = handleSubmit(({ from, to, minutes }) =>
    onWay({ from, to, minutes: plainNumber(minutes) }),
  );
  return (
    <YStack gap="$3">
      <FormChoice control={control} name="from" label="From" options={options([START, ...areas])} />
      <FormChoice control={control} name="to" label="To" options={options(areas)} />
      <FormField control={control} name="minutes" label="It takes" unit="min" numeric />
      <BigButton onPress={() => void keep()}>Add it</BigButton>
    </YStack>
  );
}
