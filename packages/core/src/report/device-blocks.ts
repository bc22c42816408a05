import type { SheetBody } from '../sheet';
import type { FrozenDevice } from '../step';
import { conductorWords } from '../valve';
import type { Block } from './block';
import { percent, type Printers } from './printers';

/** A controller's alignment, its process, and what was dialled. */
export function controlBlocks({ control }: SheetBody, { pressure }: Printers): readonly Block[] {
  if (!control) return [];
  const { model } = control;
  const apart = percent(Math.abs(control.alignment_offset), 2);
  return [
    {
      kind: 'rows',
      title: 'Control',
      rows: [
        { label: 'Proportional band', value: `${control.band_percent} %` },
        { label: 'Reset', value: `${control.reset_minutes} min a repeat` },
        {
          label: 'Output in the sweep',
          value: `± ${pressure(control.alignment_spread_pa, 100)}, pointers ${apart} apart`,
        },
        {
          label: 'Process',
          value: model
            ? `gain ${model.gain.toFixed(2)}, ${model.time_constant_s.toFixed(0)} s, dead ${model.dead_time_s.toFixed(0)} s`
            : 'not tested',
        },
      ],
    },
  ];
}

/** An electronic pilot as it was left: volts, terminals, stroke, registers, tuning, log. */
export function deviceBlocks({ device }: SheetBody): readonly Block[] {
  if (!device) return [];
  return [powerRows(device), unitRows(device), registerRows(device)];
}

const powerRows = ({ cables, terminals }: FrozenDevice): Block => ({
  kind: 'rows',
  title: 'Before power',
  rows: [
    ...cables.map(({ cable, left_v: left, length_m: length, area_m2: area }) => ({
      label: cable === 'loop' ? 'Sensor loop' : 'Actuator supply',
      value: `${left.toFixed(1)} V left, ${length} m of ${conductorWords(area)}`,
    })),
    { label: 'Terminals seen right', value: String(terminals.length) },
  ],
});

function unitRows({ stroke, tuning, kept_tuning_of: kept, log_days: days }: FrozenDevice): Block {
  return {
    kind: 'rows',
    title: 'The unit',
    rows: [
      {
        label: 'Stroke',
        value: stroke
          ? `${stroke.closed} to ${stroke.open}, ${stroke.seconds.toFixed(1)} s`
          : 'not found',
      },
      {
        label: 'Tuning',
        value: tuning
          ? `gain ${tuning.gain.toFixed(2)}, ${tuning.integral_s.toFixed(0)} s`
          : `kept: ${kept ?? 'none'}`,
      },
      { label: 'Card lasts', value: `${Math.floor(days)} days` },
    ],
  };
}

const registerRows = ({ registers: held }: FrozenDevice): Block => ({
  kind: 'table',
  title: 'Registers as left',
  head: ['address', 'register', 'holds'],
  rows: held.map(({ address, name, unit, value }) => ({
    cells: [
      String(address).padStart(5, '0'),
      name,
      `${Number(value.toPrecision(7))}${unit === '' ? '' : ` ${unit}`}`,
    ],
  })),
});
