import { radioName, radioServiceSchema, type HouseRules, type RadioService } from '@holvek/core';
import { zodResolver } from '@hookform/resolvers/zod';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { z } from 'zod';
import { useChangeHouseRules, useHouseRules } from '@/data/queries';
import { Allowed } from '@/people/allowed';
import { BottomSheet } from '@/ui/bottom-sheet';
import { Card, Row } from '@/ui/card';
import { FormField } from '@/ui/form-field';
import { BigButton, WordButton } from '@/ui/press';
import { Heading, Muted, Words } from '@/ui/words';

/** Over which service gauges speak that have no cable: the owner says it once for all phones. */
export function RadioCard() {
  const rules = useHouseRules();
  const [isOpen, setOpen] = useState(false);
  const { gauge_radio: radio } = rules;
  return (
    <Card>
      <Heading>Gauges without a cable</Heading>
      {radio ? (
        <>
          <Row label="Service">{radio.service}</Row>
          <Row label="Tells">{radio.hears}</Row>
          <Row label="Is asked by" isLast>
            {radio.says ?? 'nothing: it speaks by itself'}
          </Row>
        </>
      ) : (
        <Muted>
          No Bluetooth service is set: gauges are read by eye, by cable or through a bridge.
        </Muted>
      )}
      <Allowed action="change_rules" what="To change it">
        <WordButton onPress={() => setOpen(true)}>set the service</WordButton>
      </Allowed>
      <BottomSheet isOpen={isOpen} title="Gauges without a cable" onClose={() => setOpen(false)}>
        <RadioForm rules={rules} onKept={() => setOpen(false)} />
      </BottomSheet>
    </Card>
  );
}

const NO_NAME = 'As its maker names it: 4 digits of 0 to f, or 32 in five groups.';
const name = z.string().refine((text) => radioName(text) !== undefined, NO_NAME);
const texts = z.object({
  service: name,
  hears: name,
  says: z.string().refine((text) => text.trim() === '' || radioName(text) !== undefined, NO_NAME),
});

type Texts = z.infer<typeof texts>;

const whole = ({ service, hears, says }: Texts): RadioService =>
  radioServiceSchema.parse({
    service: radioName(service),
    hears: radioName(hears),
    ...(says.trim() === '' ? {} : { says: radioName(says) }),
  });

function RadioForm({ rules, onKept }: { readonly rules: HouseRules; readonly onKept: () => void }) {
  const change = useChangeHouseRules();
  const { gauge_radio: radio, ...others } = rules;
  const { control, handleSubmit } = useForm({
    resolver: zodResolver(texts),
    defaultValues: {
      service: radio?.service ?? '',
      hears: radio?.hears ?? '',
      says: radio?.says ?? '',
    },
  });
  const keep = (next: HouseRules) => change.mutate(next, { onSuccess: onKept });
  return (
    <>
      <Words>
        Gauges that send lines over Bluetooth, as over a cable. What stands in their papers as
        service and characteristics is entered once, for every phone of this house.
      </Words>
      <FormField control={control} name="service" label="Service" maxLength={40} />
      <FormField control={control} name="hears" label="Tells its lines" maxLength={40} />
      <FormField
        control={control}
        name="says"
        label="Takes what it is asked"
        hint="Empty where it speaks by itself."
        maxLength={40}
      />
      {change.isError ? (
        <Words color="$vermilion" role="alert">
          The server cannot be reached. What stood before stands.
        </Words>
      ) : null}
      <BigButton
        onPress={() =>
          void handleSubmit((typed) => keep({ ...others, gauge_radio: whole(typed) }))()
        }
      >
        Keep it
      </BigButton>
      {radio ? <WordButton onPress={() => keep(others)}>no service any more</WordButton> : null}
    </>
  );
}
