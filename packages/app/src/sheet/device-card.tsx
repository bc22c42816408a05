import { registers, type SheetBody } from '@holvek/core';
import { useUnits } from '@/settings/use-units';
import { Card, Row } from '@/ui/card';
import { Heading, Words } from '@/ui/words';
import { registerWords } from '@/words/device-words';

/** An electronic pilot as it was left: volts, terminals, stroke, registers, tuning, log. */
export function DeviceCard({ device }: { readonly device: NonNullable<SheetBody['device']> }) {
  const units = useUnits();
  const { stroke, tuning } = device;
  const held = device.registers.flatMap((held) => {
    const register = registers.find(({ address }) => address === held.address);
    return register && !register.key.startsWith('clock') ? [{ ...held, say: registerWords(register.key, held.value, units) }] : [];
  });
  return (
    <>
      <Card>
        <Heading>Before power</Heading>
        {device.cables.map(({ cable, left_v: left, length_m: length, area_m2: area }) => (
          <Row key={cable} label={cable === 'loop' ? 'Sensor loop' : 'Actuator supply'}>
            {`${left.toFixed(1)} V left, ${length} m of ${Number((area * 1e6).toFixed(2))} mm²`}
          </Row>
        ))}
        <Words color="$muted">{`${device.terminals.length} terminals seen right.`}</Words>
      </Card>
      <Card>
        <Heading>Registers as left</Heading>
        {held.map(({ address, name, say }) => (
          <Row key={address} label={`${String(address).padStart(5, '0')} ${name}`}>{say}</Row>
        ))}
        <Row label="Stroke">{stroke ? `${stroke.closed} to ${stroke.open}, ${stroke.seconds.toFixed(1)} s` : '–'}</Row>
        <Row label="Tuning">{tuning ? `gain ${tuning.gain.toFixed(2)}, ${tuning.integral_s.toFixed(0)} s` : `kept: ${device.kept_tuning_of ?? 'none'}`}</Row>
        <Row label="Card lasts" isLast>{`${Math.floor(device.log_days)} days`}</Row>
      </Card>
    </>
  );
} // prettier-ignore
