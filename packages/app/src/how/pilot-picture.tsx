import { KNOB_TURNS } from '@holvek/core';
import Svg, { G, Path } from 'react-native-svg';
import { useInk } from '@/ui/use-ink';
import { forceOf, type PictureProps } from './picture';
import {
  Coils,
  Diaphragm,
  Filled,
  ForceArrow,
  Grain,
  HIGH,
  Metal,
  PartName,
  Wall,
  WIDE,
} from './picture-parts';
import { printForce } from './words';

/** px of the plug at full lift, of the pilot's screw from free to its stop, px a newton. */
const LIFT = 18;
const KNOB = 14;
const NEWTON = 0.002;
const PILOT_NEWTON = 0.06;

/** The main valve with its chamber, the needle that fills it and the pilot that lets it out. */
export function PilotPicture(props: PictureProps) {
  const { view } = props;
  const up = view.lift * LIFT;
  const chamber = view.chamber ?? 0;
  return (
    <Svg width="100%" height="100%" viewBox={`0 0 ${WIDE} ${HIGH}`}>
      <Filled d="M0,218 H92 V248 H196 V276 H0 Z" pa={view.inlet} />
      <Filled
        d="M92,218 H118 V196 H74 V170 H214 V196 H170 V218 H340 V276 H196 V248 H92 Z"
        pa={view.outlet}
      />
      <Filled d={`M74,138 H214 V170 H74 Z`} pa={chamber} />
      <Wall d="M0,218 H118 V196 H74 V138 H214 V196 H170 V218 H340" />
      <Wall d="M0,278 H340" />
      <Wall d="M92,218 V248 H124 M164,248 H196 V276" />
      <Diaphragm left={74} right={214} rim={170} plate={174 - up * 0.9} />
      <Metal x={112} y={168 - up * 0.9} width={64} height={5} />
      <Metal x={141} y={170 - up * 0.9} width={6} height={74 - up * 0.1} />
      <Metal x={118} y={239 - up} width={52} height={9} />
      <Pipes {...props} />
      <Pilot {...props} />
      <ForceArrow
        x={118}
        y={108}
        length={forceOf(view, 'chamber') * NEWTON}
        isDown
        tone="pressure"
      />
      <ForceArrow
        x={186}
        y={252}
        length={(forceOf(view, 'inlet') + forceOf(view, 'outlet')) * NEWTON}
        isDown={false}
        tone="pressure"
      />
      <PartName x={62} y={150} to={[76, 154]}>
        chamber
      </PartName>
      <PartName x={62} y={178} to={[78, 172]}>
        diaphragm
      </PartName>
      <PartName x={62} y={204} to={[120, 241 - up]}>
        plug
      </PartName>
    </Svg>
  );
}

/** Small lines: inlet through the needle to the chamber, chamber to the pilot, pilot to the outlet. */
function Pipes({ view, hands }: PictureProps) {
  const ink = useInk();
  const isPlugged = hands.fault === 'needle_plugged';
  const isShut = hands.fault === 'sensing_line_shut';
  return (
    <G>
      <Path d="M66,218 V84 H144 V138" stroke={ink.slate} strokeWidth={5} fill="none" />
      <Path d="M144,84 H226" stroke={ink.slate} strokeWidth={5} fill="none" />
      <Path d="M270,116 V218" stroke={ink.slate} strokeWidth={5} fill="none" />
      <Path d="M299,218 V78 H294" stroke={ink.slate} strokeWidth={3} fill="none" />
      <Path
        d="M90,76 L106,92 V76 L90,92 Z"
        fill={isPlugged ? ink.vermilion : ink.card}
        stroke={ink.color}
        strokeWidth={2}
      />
      {isShut ? <Metal x={291} y={170} width={16} height={6} isBad /> : null}
      {view.pilotLift !== undefined && view.pilotLift > 0.02 ? (
        <Path d="M264,150 l6,10 l6,-10" stroke={ink.card} strokeWidth={2} fill="none" />
      ) : null}
      <PartName x={84} y={62} to={[98, 78]}>
        needle
      </PartName>
    </G>
  );
}

/** Spring over diaphragm over a small plug: what feels the outlet. */
function Pilot({ view, hands }: PictureProps) {
  const lift = (view.pilotLift ?? 0) * 7;
  const knob = (hands.knob / KNOB_TURNS) * KNOB;
  const isTorn = hands.fault === 'pilot_diaphragm_torn';
  return (
    <G>
      <Filled
        d="M246,70 H294 V84 H246 Z"
        pa={hands.fault === 'sensing_line_shut' ? 0 : view.outlet}
      />
      <Wall d="M246,28 H294 V84 H246 Z" />
      <Wall d="M226,76 V84 H262 M278,84 H294 V116 H226 V92" />
      <Coils x={270} top={30 + knob} bottom={62 + lift} width={28} />
      <Diaphragm left={246} right={294} rim={68} plate={68 + lift} isTorn={isTorn} />
      <Metal x={254} y={28 + knob} width={32} height={4} />
      <Metal x={267} y={8 + knob} width={6} height={22} />
      <Metal x={252} y={4 + knob} width={36} height={7} />
      <Metal x={268} y={68 + lift} width={4} height={34} />
      <Metal
        x={260}
        y={98 + lift}
        width={20}
        height={6}
        isBad={hands.fault === 'dirt_on_pilot_seat'}
      />
      {hands.fault === 'dirt_on_pilot_seat' ? <Grain x={264} y={97} /> : null}
      <ForceArrow
        x={322}
        y={12}
        length={forceOf(view, 'spring') * PILOT_NEWTON}
        isDown
        tone="spring"
        say={{ text: printForce(forceOf(view, 'spring')), x: 338, y: 64 }}
      />
      <ForceArrow
        x={324}
        y={132}
        length={forceOf(view, 'sensed') * PILOT_NEWTON}
        isDown={false}
        tone="pressure"
        say={{ text: printForce(forceOf(view, 'sensed')), x: 338, y: 150 }}
      />
      <PartName x={240} y={40} to={[256, 44]}>
        pilot
      </PartName>
    </G>
  );
}
