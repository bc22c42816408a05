import { boundFigures, type Contact, type Valve } from '@holvek/core';
import { Linking } from 'react-native';
import { useAtPlace } from '@/units/use-at-place';
import { Card } from '@/ui/card';
import { XStack, YStack } from '@/ui/kit';
import { useMinute } from '@/ui/use-minute';
import { WordButton } from '@/ui/press';
import { Heading, Muted, Strong, Words } from '@/ui/words';

/** What has to be known before work where a valve stands: nothing where nobody has said anything. */
export function PermitCard({ valve }: { readonly valve: Valve }) {
  const { permits } = useAtPlace(valve.place_id);
  if (permits.length === 0) return null;
  return (
    <Card tone="warn" role="note" aria-label="Before work there">
      <Strong color="$onBrassSoft">Before work there</Strong>
      {permits.map((permit) => (
        <Words key={permit} color="$onBrassSoft">
          {boundFigures(permit)}
        </Words>
      ))}
    </Card>
  );
}

/** Where a valve stands, what has to be known there, whom to ask, and what its clock says where it is another than here. */
export function AtPlaceCard({ valve }: { readonly valve: Valve }) {
  const { path, contacts, permits, time_zone: zone } = useAtPlace(valve.place_id);
  const now = useMinute();
  const clock = zone === undefined ? undefined : otherClock(now, zone);
  if (contacts.length + permits.length === 0 && clock === undefined) return null;
  return (
    <Card>
      <Heading>{path.map(({ name }) => name).join(' › ')}</Heading>
      {clock === undefined ? null : <Words>{`It is ${clock} there now`}</Words>}
      {permits.map((permit) => (
        <Words key={permit}>{boundFigures(permit)}</Words>
      ))}
      {contacts.map((contact) => (
        <ContactLine key={`${contact.name} ${contact.phone}`} contact={contact} />
      ))}
    </Card>
  );
}

function ContactLine({ contact: { name, role, phone } }: { readonly contact: Contact }) {
  return (
    <XStack justifyContent="space-between" alignItems="center" gap="$3" minHeight={52}>
      <YStack flexShrink={1}>
        <Strong>{name}</Strong>
        {role === '' ? null : <Muted>{role}</Muted>}
      </YStack>
      {phone === '' ? null : (
        <WordButton
          label={`Call ${name}, ${phone}`}
          onPress={() => void Linking.openURL(`tel:${phone.replaceAll(/[^\d+*#]/gu, '')}`)}
        >
          {phone}
        </WordButton>
      )}
    </XStack>
  );
}

const clockIn = (ms: number, timeZone?: string): string =>
  new Date(ms).toLocaleTimeString('en-GB', {
    hour: '2-digit',
    minute: '2-digit',
    ...(timeZone === undefined ? {} : { timeZone }),
  });

/** The time at a place, where it is not the time here. */
export function otherClock(ms: number, timeZone: string): string | undefined {
  const there = clockIn(ms, timeZone);
  return there === clockIn(ms) ? undefined : there;
}
