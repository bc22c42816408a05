import { roles, type Role } from './person';

/** Everything that somebody may or may not do. */
export const houseActions = [
  'look',
  'practise',
  'work',
  'sign',
  'revise',
  'countersign',
  'note_repair',
  'photograph',
  'leave_notice',
  'hand_out',
  'plan_round',
  'plan_season',
  'add_to_register',
  'change_plate',
  'change_target',
  'keep_gauges',
  'import',
  'retire',
  'change_ladder',
  'change_place',
  'change_rules',
  'invite',
  'keep_house',
] as const;
export type HouseAction = (typeof houseActions)[number];

/** Who may do it, from which role upwards: whoever may more may do all that those below may. */
const from: { readonly [A in HouseAction]: Role } = {
  look: 'viewer',
  practise: 'viewer',
  work: 'technician',
  sign: 'technician',
  revise: 'technician',
  note_repair: 'technician',
  photograph: 'technician',
  leave_notice: 'technician',
  hand_out: 'technician',
  plan_round: 'technician',
  // A plate is read where one stands before it.
  add_to_register: 'technician',
  change_plate: 'technician',
  keep_gauges: 'technician',
  // What a valve is to be set to, and its limit, is not for the one who sets it to change.
  change_target: 'supervisor',
  plan_season: 'supervisor',
  change_ladder: 'supervisor',
  countersign: 'supervisor',
  import: 'supervisor',
  retire: 'supervisor',
  change_place: 'supervisor',
  change_rules: 'owner',
  invite: 'owner',
  keep_house: 'owner',
};

/** Whether someone in this role may do this. */
export const may = (role: Role, action: HouseAction): boolean =>
  roles.indexOf(role) >= roles.indexOf(from[action]);

/** The least role that may do this: whom to ask. */
export const whoMay = (action: HouseAction): Role => from[action];
