import { KNOB_TURNS } from '@holvek/core';
import Svg from 'react-native-svg';
import { forceOf, type PictureProps } from './picture';
import {
  Blow,
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

/** px of plug and diaphragm at full lift, px of knob from free to its stop, px a newton. */
const LIFT = 12;
const KNOB = 26;
const NEWTON = 0.024;

/** Spring over diaphragm over plug: body, bonnet, vent, damper, knob with its lock nut. */
export function DirectPicture({ view, hands }: PictureProps) {
  const { fault } = hands;
  const down = view.lift * LIFT;
  const knob = (hands.knob / KNOB_TURNS) * KNOB;
  return (
    <Svg width="100%" height="100%" viewBox={`0 0 ${WIDE} ${HIGH}`}>
      <Filled d="M0,230 H132 V252 H222 V276 H0 Z" pa={view.inlet} />
      <Filled
        d="M132,230 H158 V192 H92 V158 H248 V192 H182 V230 H340 V276 H222 V252 H132 Z"
        pa={view.outlet}
      />
      {view.vents ? <Filled d="M122,64 H218 V158 H122 Z" pa={view.outlet * 0.7} /> : null}
      <Wall d="M0,230 H158 V192 H92 V156 H122 V64 H218 V96" />
      <Wall d="M218,112 V156 H248 V192 H182 V230 H340" />
      <Wall d="M0,278 H340" />
      <Wall d="M132,230 V252 H156 M184,252 H222 V276" />
      <Coils x={170} top={72 + knob} bottom={152 + down} />
      <Diaphragm
        left={92}
        right={248}
        rim={158}
        plate={158 + down}
        isTorn={fault === 'torn_diaphragm'}
      />
      <Metal x={140} y={151 + down} width={60} height={5} />
      <Metal x={142} y={68 + knob} width={56} height={5} />
      <Metal x={166} y={14 + knob} width={8} height={54} />
      <Metal x={130} y={8 + knob} width={80} height={9} />
      <Metal x={154} y={52} width={32} height={10} />
      <Metal x={167} y={156 + down} width={6} height={98} />
      <Metal x={152} y={254 + down} width={36} height={9} isBad={fault === 'dirt_on_seat'} />
      {fault === 'dirt_on_seat' ? <Grain x={156} y={252} /> : null}
      {fault === 'damper_lost' ? null : <Metal x={158} y={206} width={6} height={8} />}
      {fault === 'damper_lost' ? null : <Metal x={176} y={206} width={6} height={8} />}
      {fault === 'blocked_vent' ? <Metal x={214} y={94} width={8} height={20} isBad /> : null}
      {view.vents ? <Blow x={226} y={104} /> : null}
      <ForceArrow
        x={260}
        y={130}
        length={forceOf(view, 'spring') * NEWTON}
        isDown
        tone="spring"
        say={{ text: printForce(forceOf(view, 'spring')), x: 336, y: 146 }}
      />
      <ForceArrow
        x={284}
        y={224}
        length={forceOf(view, 'outlet') * NEWTON}
        isDown={false}
        tone="pressure"
        say={{ text: printForce(forceOf(view, 'outlet')), x: 336, y: 216 }}
      />
      <PartName x={86} y={13} to={[130, 13 + knob]}>
        knob
      </PartName>
      <PartName x={86} y={57} to={[154, 57]}>
        lock nut
      </PartName>
      <PartName x={86} y={104} to={[146, 104]}>
        spring
      </PartName>
      <PartName x={64} y={158} to={[90, 158]}>
        diaphragm
      </PartName>
      <PartName x={86} y={210} to={[158, 210]}>
        damper
      </PartName>
      <PartName x={252} y={104} to={[220, 104]} isRight>
        vent
      </PartName>
    </Svg>
  );
}
