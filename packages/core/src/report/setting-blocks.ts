import type { UncertaintySource } from '../gauge';
import { printTurns } from '../quantity';
import type { SheetBody, SheetSetting } from '../sheet';
import type { Block, Row } from './block';
import { verdictTone, verdictWord } from './outcome';
import type { Printers } from './printers';
import { settingChart } from './setting-chart';

const method = {
  by_reading: 'read',
  by_pressure: 'by pressure',
  by_count: 'by count, not by pressure',
} as const;

/** Every setting with its verdict, and how the leading one has gone. */
export function settingBlocks(body: SheetBody, print: Printers): readonly Block[] {
  const drawn = body.settings.filter(({ dots }) => dots.length > 1);
  const charts = drawn.map((setting): Block => {
    const step = body.gauges[setting.role]?.resolution_pa ?? 1000;
    const title = body.settings.length > 1 ? `How it went: ${setting.name}` : 'How it went';
    return { kind: 'chart', title, chart: settingChart(setting, step, print) };
  });
  return [
    ...settingsTable(body, print),
    ...charts,
    ...body.settings.map((each) => screwRows(body, each, print)),
  ];
}

/** Found, left and wanted of each, where there are several. */
function settingsTable(body: SheetBody, { figure, unit }: Printers): readonly Block[] {
  if (body.settings.length < 2) return [];
  const rows = body.settings.map(({ name, role, target, verdict, ...pressures }) => {
    const step = body.gauges[role]?.resolution_pa;
    const { as_found_pa: found, as_left_pa: left } = pressures;
    return {
      cells: [
        name,
        found === null ? 'not read' : figure(found, step),
        figure(left, step),
        `${figure(target.set_point_pa, step)} ± ${figure(target.tolerance_pa)}`,
        verdictWord[verdict],
      ],
      tone: verdictTone[verdict],
    };
  });
  const head = ['adjuster', 'found', 'left', `target, ${unit}`, 'verdict'];
  return [{ kind: 'table', title: 'Settings', head, rows }];
}

/** What a screw was turned, and what it has shown of itself. */
function screwRows(body: SheetBody, setting: SheetSetting, print: Printers): Block {
  const { rate_pa_per_turn: rate, turns_net: turns } = setting;
  const step = body.gauges[setting.role]?.resolution_pa ?? 1000;
  const way = turns < 0 ? 'anticlockwise' : 'clockwise';
  return {
    kind: 'rows',
    title: body.settings.length > 1 ? setting.name : 'Adjuster',
    rows: [
      { label: 'Net turns', value: `${printTurns(turns)} ${turns === 0 ? '' : way}`.trim() },
      {
        label: 'A turn gives',
        value: rate === null ? 'not learned' : print.pressure(Math.abs(rate)),
      },
      { label: 'Clockwise', value: setting.clockwise },
      {
        label: 'Method',
        value: method[setting.method],
        ...(setting.method === 'by_count' ? { tone: 'work' as const } : {}),
      },
      {
        label: 'Uncertainty, k = 2',
        value: `± ${print.pressure(setting.uncertainty_pa, step / 10)}`,
      },
      ...partsRows(setting, print, step),
      { label: 'Verdict', value: verdictWord[setting.verdict], tone: verdictTone[setting.verdict] },
    ],
  };
}

const sourceWord: Readonly<Record<UncertaintySource, string>> = {
  accuracy: 'gauge',
  resolution: 'division',
  reading: 'reading',
  repeatability: 'cycles',
  height: 'height',
  eye: 'eye',
};

/** What the uncertainty is made of, each as a standard uncertainty. */
function partsRows(
  { uncertainty_parts: parts = [] }: SheetSetting,
  print: Printers,
  step: number,
): readonly Row[] {
  if (parts.length === 0) return [];
  const made = parts.map(
    ({ from, standard_pa: standard }) => `${sourceWord[from]} ${print.figure(standard, step / 10)}`,
  );
  return [{ label: `Made of, k = 1, ${print.unit}`, value: made.join(', ') }];
}
