/** What is looked at, terminal by terminal, before the supply comes on. */
export const terminals = [
  { id: 'sensor_polarity', say: 'Sensor: plus to plus, minus to minus' },
  { id: 'screen', say: 'Screen of the sensor cable earthed at one end only' },
  { id: 'supply_polarity', say: 'Actuator supply: polarity as on its plate' },
  { id: 'motor_leads', say: 'Motor and feedback leads on their own terminals, none doubled up' },
  {
    id: 'overrides',
    say: 'Contacts for open, shut and stop: each tried with a meter, none bridged',
  },
  { id: 'bus_end', say: 'Bus pair the right way round, its end resistor only on the last unit' },
  { id: 'earth', say: 'Earth on the housing, bare and bright' },
  { id: 'glands', say: 'Glands tight, unused entries plugged' },
  { id: 'tug', say: 'Every wire tugged: none comes out' },
] as const;
export type TerminalId = (typeof terminals)[number]['id'];
/** Key under which a terminal’s answer is kept: `right`. */
export const terminalKey = (id: TerminalId): string => `terminal_${id}`;
