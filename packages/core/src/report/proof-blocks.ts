import { judgingGauge, type SheetBody } from '../sheet';
import { edgesChart, switchChart } from './band-chart';
import type { Block, Row, Tone } from './block';
import { cycleChart } from './cycle-chart';
import { percent, type Printers } from './printers';

const noFlowWord = {
  levels: 'rises and levels',
  creeps: 'creeps: the seat leaks',
  cannot_tell: 'too short to tell lockup from creep',
} as const;

/** Droop, and what the outlet did with nothing flowing. */
export function noFlowBlocks(body: SheetBody, { pressure }: Printers): readonly Block[] {
  const step = body.gauges.outlet?.resolution_pa;
  const rows: Row[] = [];
  if (body.droop_pa !== null)
    rows.push({ label: 'Droop at working flow', value: pressure(body.droop_pa, step) });
  const { no_flow: noFlow } = body;
  if (noFlow) {
    const tone: Tone = noFlow.passes ? 'good' : 'stop';
    rows.push(
      { label: 'Rise at no flow', value: pressure(noFlow.rise_pa, step), tone },
      { label: 'Rise allowed', value: pressure(noFlow.allowed_pa, step) },
      {
        label: 'No-flow record',
        value: noFlowWord[noFlow.shape],
        tone,
      },
    );
  }
  return rows.length > 0 ? [{ kind: 'rows', title: 'Proved', rows }] : [];
}

/** Cracking and reseat over the proving cycles. */
export function crackingBlocks(body: SheetBody, print: Printers): readonly Block[] {
  const { cracking, house_rules: rules } = body;
  if (!cracking) return [];
  const step = judgingGauge(body)?.resolution_pa ?? 1000;
  const { pressure, figure } = print;
  const share = (value: number | null) => (value === null ? 'not marked' : percent(value));
  const isWide = cracking.blowdown !== null && cracking.blowdown > rules.blowdown_most;
  const count = cracking.cycles.length;
  return [
    {
      kind: 'chart',
      title: `${count} ${count === 1 ? 'cycle' : 'cycles'}`,
      chart: cycleChart(body, cracking, print),
    },
    {
      kind: 'rows',
      title: 'Cracking and reseat',
      rows: [
        {
          label: 'Cracks at',
          value: `${pressure(cracking.cracking_pa, step)}, within ${figure(cracking.cracking_spread_pa, step)}`,
        },
        {
          label: 'Reseats at',
          value:
            cracking.reseat_pa === null
              ? 'not seen'
              : `${pressure(cracking.reseat_pa, step)}, within ${figure(cracking.reseat_spread_pa, step)}`,
        },
        {
          label: 'Blowdown',
          value: `${share(cracking.blowdown)}${isWide ? `, over ${percent(rules.blowdown_most, 0)}` : ''}`,
          ...(isWide ? { tone: 'stop' as const } : {}),
        },
        { label: 'Overpressure', value: share(cracking.overpressure) },
        { label: 'Repeatability', value: pressure(cracking.repeatability_pa, step) },
        { label: 'Found', value: cracking.source === 'log' ? 'in a log' : 'by eye' },
      ],
    },
  ];
}

/** Edges of a flame with the margins to them. */
export function edgesBlocks(body: SheetBody, print: Printers): readonly Block[] {
  const { edges } = body;
  if (!edges) return [];
  const failed = edges.lights.filter(({ lit }) => !lit).length;
  return [
    { kind: 'chart', title: 'Lights between', chart: edgesChart(body, edges, print) },
    {
      kind: 'rows',
      title: 'Edges of the flame',
      rows: [
        {
          label: 'Lights',
          value: `${print.figure(edges.low_pa)} to ${print.pressure(edges.high_pa)}`,
        },
        { label: 'To the low edge', value: print.pressure(edges.to_low_pa) },
        { label: 'To the high edge', value: print.pressure(edges.to_high_pa) },
        { label: 'Tried', value: `${edges.lights.length}, ${failed} failed` },
      ],
    },
  ];
}

/** Cycles of a switch as it was left. */
export function switchBlocks(body: SheetBody, print: Printers): readonly Block[] {
  const { switch_cycles: cycles } = body;
  if (!cycles) return [];
  const step = body.gauges.inlet?.resolution_pa ?? 1000;
  const rows = cycles.map(({ cut_in_pa: cutIn, cut_out_pa: cutOut }, i) => ({
    cells: [
      String(i + 1),
      print.figure(cutIn, step),
      print.figure(cutOut, step),
      print.figure(cutOut - cutIn, step),
    ],
  }));
  const head = ['cycle', 'makes at', 'breaks at', `between, ${print.unit}`];
  return [
    { kind: 'chart', title: 'Cycles as left', chart: switchChart(cycles, print, step) },
    { kind: 'table', title: 'Cycles', head, rows },
  ];
}
