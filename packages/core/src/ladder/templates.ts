import type { HouseRules } from '../valve';
import type { Economy, System } from './system';
import { airHeader } from './template/air-header';
import { blower } from './template/blower';
import { fact, type Draft } from './template/draft';
import { hydraulic } from './template/hydraulic';
import { pumpStation } from './template/pump-station';

export const templateIds = ['hydraulic', 'pump_station', 'air_header', 'blower', 'free'] as const;
export type TemplateId = (typeof templateIds)[number];
export const templateName: Record<TemplateId, string> = {
  hydraulic: 'Hydraulic unit',
  pump_station: 'Pump station',
  air_header: 'Compressed-air header',
  blower: 'Blower',
  free: 'Free',
};

const free = (): Draft => ({
  rungs: [{ id: 'source', name: 'Source', kind: 'pump', tolerance_pa: 0 }],
  rules: [
    fact('source', 'measured', { kind: 'fixed', rung: 'source', pa: 800e3, why: 'Measured' }),
  ],
});

const drafts: Record<TemplateId, (rules: HouseRules) => Draft> = {
  hydraulic,
  pump_station: pumpStation,
  air_header: airHeader,
  blower,
  free,
};
const economies: Partial<Record<TemplateId, number>> = {
  hydraulic: 95e-3 / 60,
  pump_station: 12e-3,
  air_header: 0.05,
};

/** A new system of a common arrangement, its margins taken from the house rules. */
export const systemFrom = (
  template: TemplateId,
  rules: HouseRules,
  given: Pick<System, 'id' | 'name' | 'site_id'>,
  money: Partial<Money> = {},
): System => ({ ...given, ...drafts[template](rules), economy: economyOf(template, money) });

/** What energy costs where the system stands. */
type Money = Pick<Economy, 'price_per_kwh' | 'currency'>;

const economyOf = (template: TemplateId, money: Partial<Money>): Economy => ({
  flow_m3s: economies[template] ?? 0,
  hours_per_year: 2000,
  price_per_kwh: money.price_per_kwh ?? 0.25,
  currency: money.currency ?? '€',
});
