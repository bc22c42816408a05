import {
  netForce,
  printCount,
  unbroken,
  type CutawayDoing,
  type CutawayFault,
  type CutawayForce,
  type CutawayHands,
  type CutawayKind,
  type CutawayView,
} from '@holvek/core';

export const kindWords = {
  direct: 'spring-loaded',
  pilot: 'pilot-operated',
  relief: 'relief',
} as const satisfies Record<CutawayKind, string>;

export const cutawayTitles = {
  direct: 'How a regulator holds',
  pilot: 'How a pilot moves a valve',
  relief: 'How a relief opens',
} as const satisfies Record<CutawayKind, string>;

/** What is turned, given and drawn at each. */
export const handWords = {
  direct: { knob: 'Knob, turned in', supply: 'Supply', draw: 'Drawn downstream' },
  pilot: { knob: 'Pilot’s screw, turned in', supply: 'Supply', draw: 'Drawn downstream' },
  relief: { knob: 'Screw, turned in', supply: 'Pumped in', draw: 'Drawn elsewhere' },
} as const satisfies Record<CutawayKind, Record<'knob' | 'supply' | 'draw', string>>;

type FaultWords = { readonly name: string; readonly look: string };
export const faultWords = {
  torn_diaphragm: {
    name: 'torn diaphragm',
    look: 'Pressure stands on both sides of it: the spring wins, the outlet climbs, and the vent blows.',
  },
  dirt_on_seat: {
    name: 'dirt on the seat',
    look: 'The plug cannot shut: with nothing drawn the figure climbs past where it should stop.',
  },
  blocked_vent: {
    name: 'blocked vent',
    look: 'The bonnet cannot breathe: it answers late, and gives less the more is drawn.',
  },
  damper_lost: {
    name: 'damper lost',
    look: 'Nothing brakes the stem: plug and gauge swing, and never come to rest.',
  },
  needle_plugged: {
    name: 'needle plugged',
    look: 'Nothing fills the chamber: what the pilot has let open does not shut again.',
  },
  pilot_diaphragm_torn: {
    name: 'pilot’s diaphragm torn',
    look: 'The pilot feels too little and holds open: the outlet climbs.',
  },
  sensing_line_shut: {
    name: 'sensing line shut',
    look: 'The pilot feels nothing at all: it stands wide open, whatever the gauge shows.',
  },
  dirt_on_pilot_seat: {
    name: 'dirt on the pilot’s seat',
    look: 'The chamber drains past it for ever: the main valve never shuts, even with the screw out.',
  },
  air_in_chamber: {
    name: 'air in the chamber',
    look: 'Air gives way first and the plug follows late: the outlet hunts up and down.',
  },
  discharge_shut: {
    name: 'discharge shut',
    look: 'What passes stands behind the disc and presses it down: the line goes far over its limit.',
  },
  stuck_disc: {
    name: 'stuck disc',
    look: 'It opens late, then as ever: why a relief is opened as it was found before it is touched.',
  },
} as const satisfies Record<CutawayFault, FaultWords>;

type LookWords = { readonly title: string; readonly say: string };
/** By kind and look: what to see first. */
export const lookWords: Readonly<Record<CutawayKind, Readonly<Record<string, LookWords>>>> = {
  direct: {
    knob_out: {
      title: 'Knob out',
      say: 'Always the beginning: the spring is free, nothing holds the plug open.',
    },
    supply_on: {
      title: 'Supply on',
      say: 'Nothing passes. The inlet itself presses the plug onto its seat.',
    },
    knob_in: {
      title: 'Knob in',
      say: 'The spring pushes the plug open; the outlet rises under the diaphragm and pushes back, until both are equal.',
    },
    more_drawn: {
      title: 'More is drawn',
      say: 'To open further the spring must stretch, so it pushes less: the outlet droops.',
    },
    nothing_drawn: {
      title: 'Nothing drawn',
      say: 'It takes a little more pressure to press the seat tight: the lockup rise.',
    },
    no_shut_off: {
      title: 'No shut-off valve',
      say: 'A grain on the seat, the knob all out: the outlet climbs to the supply in the end. Shut a cock where something must be shut.',
    },
  },
  pilot: {
    supply_on: {
      title: 'Supply on',
      say: 'The inlet fills the chamber through the needle. Its diaphragm is twice the seat: it holds the plug shut.',
    },
    knob_in: {
      title: 'Screw in',
      say: 'The pilot opens and lets the chamber out faster than the needle fills it: the plug rises.',
    },
    more_drawn: {
      title: 'More is drawn',
      say: 'The pilot feels the outlet sag, lets more out, and the plug goes further: hardly any droop.',
    },
    nothing_drawn: {
      title: 'Nothing drawn',
      say: 'The outlet presses the pilot shut; the needle fills the chamber; the plug goes down.',
    },
    no_shut_off: {
      title: 'No shut-off valve',
      say: 'A grain under the pilot: the chamber never fills, and the main valve stands open with its screw all out.',
    },
  },
  relief: {
    below: { title: 'Below its setting', say: 'The spring presses harder than the line: shut.' },
    above: {
      title: 'Too much comes in',
      say: 'The line lifts the disc; the stream then pushes on its skirt too, so it opens at once.',
    },
    falls_again: {
      title: 'It falls again',
      say: 'Lifted, it has more area to push on: it shuts only below where it opened. That is the blowdown.',
    },
    dribbles: {
      title: 'A grain on its seat',
      say: 'It dribbles long before it opens. One full opening often washes it; a cut seat stays.',
    },
  },
};

export const forceWords = {
  spring: 'spring',
  outlet: 'outlet',
  inlet: 'inlet',
  chamber: 'chamber',
  back_pressure: 'back pressure',
  sensed: 'felt outlet',
} as const satisfies Record<CutawayForce['id'], string>;

/** "1 760 N": tens, so that the figure can be read while it moves. */
export const printForce = (newtons: number): string =>
  unbroken(`${printCount(Math.round(newtons / 10) * 10)} N`);

const doingWords = {
  no_supply: 'No pressure comes in: nothing can happen yet.',
  spring_free: 'The spring is free: the plug is shut, whatever stands before it.',
  balanced: 'Both sides push alike: it holds.',
  wide_open: 'Wide open: it gives all it has, and the screw says nothing to the gauge any more.',
  locked_up: 'Shut: the outlet holds it down.',
  passing: 'It passes though nothing asks it to: the outlet climbs.',
  venting: 'It blows out at the vent.',
  waiting: 'Shut: the spring presses harder than the line.',
  held_down: 'What has passed stands behind the disc and presses it down: the line climbs.',
  relieving: 'It lets out as much as comes in too much.',
  dribbling: 'Shut, and it dribbles.',
} as const satisfies Record<Exclude<CutawayDoing, 'opening' | 'closing'>, string>;

/** What it is doing, with the force that is left over; a pilot's valve is moved by water, not by a force. */
export function sayDoing(kind: CutawayKind, { doing, forces }: CutawayView): string {
  if (doing !== 'opening' && doing !== 'closing') return doingWords[doing];
  if (kind === 'pilot')
    return doing === 'opening'
      ? 'The pilot lets more out of the chamber than the needle lets in: the plug rises.'
      : 'The needle lets in more than the pilot lets out: the plug goes down.';
  const net = Math.abs(netForce(forces));
  const over = net < 5 ? '' : ` by ${printForce(net)}`;
  return doing === 'opening'
    ? `What opens wins${over}: the plug opens until the other side pushes back.`
    : `What shuts wins${over}: the plug closes.`;
}

/** What there is to see: of the look that was taken, else of what is wrong with it. */
export function sayLook(
  kind: CutawayKind,
  look: string | undefined,
  { fault }: CutawayHands,
): string | undefined {
  if (look !== undefined) return lookWords[kind][look]?.say;
  return fault ? faultWords[fault].look : undefined;
}
