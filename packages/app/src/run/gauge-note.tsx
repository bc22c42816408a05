import { families, judgeOf, roleOf, type GaugeRole, type Run, type Step } from '@holvek/core';
import { useDesk } from '@/desk/use-desk';
import { canBeRead } from '@/gauge-link/line-gauge';
import { useLineState } from '@/gauge-link/use-lines';
import { latest, useTrace } from '@/gauge-link/trace';
import { Muted, Strong } from '@/ui/words';

const gaugeWord = (run: Run, role: GaugeRole): string =>
  (families[run.started.plate.family].gauges[role] ?? `${role} gauge`).toLowerCase();

/** The gauge that rules here: what it shows now where it is linked, else which one it is. */
export function GaugeNote({ step }: { readonly step: Step }) {
  const { run, trace, isLinked, gaugeLines, units } = useDesk();
  const seen = useTrace(trace);
  const asked = roleOf(step);
  const role = asked ?? judgeOf(run.started.plate);
  const gauge = run.gauges[role];
  const line = gaugeLines.of(role);
  const lineState = useLineState(line);
  const live = isLinked || canBeRead(lineState) ? latest(seen, role) : undefined;
  if (!gauge || (!asked && !live && !line)) return null;
  if (line && !canBeRead(lineState))
    return (
      <Muted flexShrink={1} numberOfLines={1} role="status" color="$vermilion">
        {`${gauge.tag}: its line is lost, read it by eye`}
      </Muted>
    );
  if (asked || !live)
    return (
      <Muted flexShrink={1} numberOfLines={1}>
        {`${gaugeWord(run, role)} ${gauge.tag}`}
      </Muted>
    );
  return (
    <Muted flexShrink={1} numberOfLines={1}>
      {`${role} `}
      <Strong fontSize="$2" lineHeight="$2">
        {units.withUnit(live.value, gauge.resolution_pa)}
      </Strong>
    </Muted>
  );
}
