import { hasContact, switchBand, targetOf, type AnyPlate } from '@holvek/core';

/** The wanted band with its tolerances. */
export function aimBand({
  started,
}: {
  readonly started: Parameters<typeof targetOf>[0] & { readonly plate: AnyPlate };
}) {
  const scale = targetOf(started, 'main')!;
  const differential = targetOf(started, 'differential');
  const kind = hasContact(started.plate) ? started.plate.scale : 'additive';
  const band = switchBand(kind, {
    scale: scale.set_point_pa,
    differential: differential?.set_point_pa ?? 1,
  });
  const alone = { cutIn: scale.set_point_pa, cutOut: scale.set_point_pa };
  return {
    band: band.ok ? band.value : alone,
    tolerance: scale.tolerance_pa,
    limit: scale.limit_pa,
  };
}
