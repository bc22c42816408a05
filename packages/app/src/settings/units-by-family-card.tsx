import {
  measureOf,
  families,
  familyName,
  pressureUnits,
  type Family,
  type HouseRules,
  type PressureUnit,
} from '@holvek/core';
import { useState } from 'react';
import { useChangeHouseRules, useHouseRules } from '@/data/queries';
import { Allowed } from '@/people/allowed';
import { BottomSheet } from '@/ui/bottom-sheet';
import { Card, Row } from '@/ui/card';
import { Choice } from '@/ui/field';
import { WordButton } from '@/ui/press';
import { Heading, Muted, Words } from '@/ui/words';

/** Kinds whose figures may stand in one unit of pressure or another. */
const kinds = (Object.keys(families) as Family[]).filter(
  (family) => measureOf({ family }) === 'pressure',
);
const AS_PHONE = 'as each phone';

/** Kinds of valve that this house reads in a unit of their own: gas in mbar, hydraulics in bar. */
export function UnitsByFamilyCard() {
  const rules = useHouseRules();
  const [isOpen, setOpen] = useState(false);
  const chosen = chosenOf(rules);
  const own = kinds.filter((kind) => chosen.has(kind));
  return (
    <Card>
      <Heading>Units by kind</Heading>
      {own.length === 0 ? <Muted>Every kind is shown in the unit of each phone.</Muted> : null}
      {own.map((kind, i) => (
        <Row key={kind} label={familyName[kind]} isLast={i === own.length - 1}>
          {chosen.get(kind) ?? ''}
        </Row>
      ))}
      <Allowed action="change_rules" what="To change it">
        <WordButton onPress={() => setOpen(true)}>a unit for a kind</WordButton>
      </Allowed>
      <BottomSheet isOpen={isOpen} title="A unit for a kind" onClose={() => setOpen(false)}>
        <UnitOfKind rules={rules} />
      </BottomSheet>
    </Card>
  );
}

const chosenOf = ({ units_by_family: byFamily }: HouseRules): Map<string, PressureUnit> =>
  new Map(Object.entries(byFamily ?? {}));

/** One kind and its unit; what is picked counts at once, for everyone. */
function UnitOfKind({ rules }: { readonly rules: HouseRules }) {
  const change = useChangeHouseRules();
  const [kind, setKind] = useState<Family>(kinds[0]!);
  const keep = (unit: string) => {
    const next = chosenOf(rules);
    if (unit === AS_PHONE) next.delete(kind);
    else next.set(kind, unit as PressureUnit);
    change.mutate({ ...rules, units_by_family: Object.fromEntries(next) });
  };
  return (
    <>
      <Words>A valve that has a unit of its own keeps it. Readings may be typed in any unit.</Words>
      <Choice
        label="Kind"
        value={kind}
        onChange={setKind}
        options={kinds.map((each) => ({ value: each, say: familyName[each] }))}
      />
      <Choice
        label={`${familyName[kind]} in`}
        value={chosenOf(rules).get(kind) ?? AS_PHONE}
        onChange={keep}
        options={[AS_PHONE, ...pressureUnits].map((unit) => ({ value: unit, say: unit }))}
      />
      {change.isError ? (
        <Words color="$vermilion" role="alert">
          The server cannot be reached. The unit of before stands.
        </Words>
      ) : null}
    </>
  );
}
