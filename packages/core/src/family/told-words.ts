/** Who has to know before a valve is touched, the most pressing first. */
export const toldTo = [
  'permit',
  'fire_post',
  'control_room',
  'gas_users',
  'users',
  'machine',
  'cold_room',
] as const;
export type ToldTo = (typeof toldTo)[number];

export const toldWords: Readonly<Record<ToldTo, string>> = {
  permit: 'Who gives the permit',
  fire_post: 'The fire post: fire water may fail meanwhile',
  control_room: 'The control room',
  gas_users: 'Whoever has appliances on this gas',
  users: 'Whoever draws downstream',
  machine: 'Whoever runs the machine',
  cold_room: 'Whoever keeps goods cold',
};
