import {
  parseDifference,
  parsePressure,
  rungKinds,
  type AbsolutePressure,
  type Rung,
  type System,
} from '@holvek/core';
import { z } from 'zod';
import { idFor } from './id-for';
import type { Units } from '@/units/use-units';
import { parseTrouble } from '@/words/trouble';

export type Figures = Units & { readonly barometer: AbsolutePressure };

/** What is typed of a rung; the figures are text until they are kept. */
export const rungSchema = (others: readonly Rung[], { barometer, ...units }: Figures) =>
  z.object({
    name: z
      .string()
      .trim()
      .min(1, 'It needs a name.')
      .max(80)
      .refine(
        (name) => !others.some((other) => isSameName(other.name, name)),
        'Another rung has this name',
      ),
    kind: z.enum(rungKinds),
    feeder: z.string(),
    tolerance: z.string().superRefine((text, context) => {
      const parsed = parseDifference(text, units.pressure);
      if (!parsed.ok)
        context.addIssue({ code: 'custom', message: parseTrouble(parsed.error, units) });
    }),
    found: z.string().superRefine((text, context) => {
      if (text.trim() === '') return;
      const parsed = parsePressure(text, units.pressure, barometer);
      if (!parsed.ok)
        context.addIssue({ code: 'custom', message: parseTrouble(parsed.error, units) });
    }),
    valve: z.string(),
  });
export type RungTexts = z.infer<ReturnType<typeof rungSchema>>;

const isSameName = (one: string, other: string): boolean =>
  one.trim().toLowerCase() === other.trim().toLowerCase();

export const textsOfRung = (known: Rung | undefined, units: Units): RungTexts => ({
  name: known?.name ?? '',
  kind: known?.kind ?? 'reducing',
  feeder: known?.fed_by ?? '',
  tolerance: known ? units.figure(known.tolerance_pa, 100) : '0',
  found: known?.found_pa === undefined ? '' : units.figure(known.found_pa, 100),
  valve: known?.valve_id ?? '',
});

/** The system with the rung as it was typed, in its old place or at the end. */
export function withRung(
  system: System,
  known: Rung | undefined,
  texts: RungTexts,
  { pressure, barometer }: Pick<Figures, 'pressure' | 'barometer'>,
): System {
  const taken = system.rungs.map(({ id }) => id);
  const tolerance = parseDifference(texts.tolerance, pressure);
  const found = parsePressure(texts.found, pressure, barometer);
  const { fed_by: _feeder, found_pa: _found, valve_id: _valve, ...kept } = known ?? { id: '' };
  const next: Rung = {
    ...kept,
    id: known?.id ?? idFor(texts.name, taken),
    name: texts.name.trim(),
    kind: texts.kind,
    tolerance_pa: tolerance.ok ? Math.max(0, tolerance.value.si) : 0,
    ...(texts.feeder ? { fed_by: texts.feeder } : {}),
    ...(found.ok ? { found_pa: found.value.si } : {}),
    ...(texts.valve ? { valve_id: texts.valve, adjuster: known?.adjuster ?? 'main' } : {}),
  };
  return {
    ...system,
    rungs: known
      ? system.rungs.map((each) => (each.id === known.id ? next : each))
      : [...system.rungs, next],
  };
}

/** The system without the rung: what it fed hangs on what fed it, rules that name it go with it. */
export function withoutRung(system: System, gone: Rung): System {
  const names = (rule: System['rules'][number]) => JSON.stringify(rule).includes(`"${gone.id}"`);
  return {
    ...system,
    rungs: system.rungs
      .filter(({ id }) => id !== gone.id)
      .map(({ fed_by: feeder, ...each }) =>
        feeder === undefined || feeder === gone.id ? each : { ...each, fed_by: feeder },
      ),
    rules: system.rules.filter((rule) => !names(rule)),
  };
}
