import { KNOB_TURNS } from '@holvek/core';
import Svg from 'react-native-svg';
import { forceOf, type PictureProps } from './picture';
import {
  Coils,
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

/** px of the disc at full lift, of the screw from free to its stop. */
const LIFT = 20;
const KNOB = 26;
/** px a newton. */
const NEWTON = 0.03;

/** A line, the disc on its nozzle with a skirt, spring and screw over it, and the way out. */
export function ReliefPicture({ view, hands }: PictureProps) {
  const up = view.lift * LIFT;
  const knob = (hands.knob / KNOB_TURNS) * KNOB;
  const isShut = hands.fault === 'discharge_shut';
  const passes = view.lift > 0.01 || view.doing === 'dribbling';
  return (
    <Svg width="100%" height="100%" viewBox={`0 0 ${WIDE} ${HIGH}`}>
      <Filled d="M0,234 H150 V184 H190 V234 H340 V278 H0 Z" pa={view.inlet} of={1_200_000} />
      <Filled
        d="M122,140 H330 V180 H218 V196 H190 V184 H150 V196 H122 Z"
        pa={isShut ? view.outlet : passes ? 160_000 + 500_000 * view.lift : 0}
        of={1_200_000}
      />
      <Wall d="M0,234 H150 V184" />
      <Wall d="M190,184 V234 H340" />
      <Wall d="M0,280 H340" />
      <Wall d="M150,200 H122 V60 H218 V138 H330" />
      <Wall d="M190,200 H218 V180 H330" />
      {isShut ? <Metal x={322} y={136} width={8} height={46} isBad /> : null}
      <Coils x={170} top={70 + knob} bottom={166 - up} />
      <Metal x={144} y={64 + knob} width={52} height={5} />
      <Metal x={166} y={20 + knob} width={8} height={46} />
      <Metal x={150} y={14 + knob} width={40} height={9} />
      <Metal x={154} y={48} width={32} height={10} />
      <Metal x={138} y={168 - up} width={64} height={6} />
      <Metal x={146} y={174 - up} width={48} height={9} isBad={hands.fault === 'stuck_disc'} />
      <Metal x={138} y={172 - up} width={5} height={18} />
      <Metal x={197} y={172 - up} width={5} height={18} />
      {hands.fault === 'dirt_on_seat' ? <Grain x={152} y={182} /> : null}
      <ForceArrow
        x={262}
        y={66}
        length={forceOf(view, 'spring') * NEWTON}
        isDown
        tone="spring"
        say={{ text: printForce(forceOf(view, 'spring')), x: 334, y: 90 }}
      />
      <ForceArrow
        x={262}
        y={228}
        length={Math.min(30, forceOf(view, 'inlet') * NEWTON)}
        isDown={false}
        tone="pressure"
        say={{ text: printForce(forceOf(view, 'inlet')), x: 334, y: 218 }}
      />
      <PartName x={86} y={19} to={[150, 19 + knob]}>
        screw
      </PartName>
      <PartName x={86} y={53} to={[154, 53]}>
        lock nut
      </PartName>
      <PartName x={86} y={110} to={[146, 110]}>
        spring
      </PartName>
      <PartName x={86} y={172} to={[138, 172 - up]}>
        disc
      </PartName>
      <PartName x={86} y={210} to={[138, 190 - up]}>
        skirt
      </PartName>
    </Svg>
  );
}
