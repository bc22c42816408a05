import { judgingGauge, leadingSetting, type SheetBody } from '../sheet';
import type { Figure } from './block';
import { percent, type Printers } from './printers';

/** What stands large at the head: found, left and wanted, or what became of it. */
export function figuresOf(body: SheetBody, { figure, unit }: Printers): readonly Figure[] {
  const leading = leadingSetting(body);
  const step = judgingGauge(body)?.resolution_pa;
  if (leading) {
    const several = body.settings.length > 1 ? `${leading.name.toLowerCase()} ` : '';
    const { as_found_pa: found, target } = leading;
    return [
      {
        label: `${several}as left, ${unit}`,
        value: figure(leading.as_left_pa, step),
        tone: 'good',
      },
      {
        label: `as found, ${unit}`,
        value: found === null ? 'not read' : figure(found, step),
        tone: 'quiet',
      },
      {
        label: `target, ${unit}`,
        value: `${figure(target.set_point_pa, step)} ± ${figure(target.tolerance_pa)}`,
        tone: 'quiet',
      },
    ];
  }
  const { tables } = body;
  if (!tables) return [];
  return [
    { label: 'largest error left', value: percent(tables.as_left.worst_error), tone: 'good' },
    {
      label: 'largest error found',
      value: tables.as_found ? percent(tables.as_found.worst_error) : 'not read',
      tone: 'quiet',
    },
    { label: 'allowed, of span', value: `± ${percent(tables.tolerance)}`, tone: 'quiet' },
  ];
}
