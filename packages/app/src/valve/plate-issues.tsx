import type { PlateIssue } from '@holvek/core';
import { useUnits } from '@/units/use-units';
import { Card } from '@/ui/card';
import { Words } from '@/ui/words';
import { plateTrouble } from '@/words/plate-trouble';

/** What contradicts itself on a plate, worst first. */
export function PlateIssues({ issues }: { readonly issues: readonly PlateIssue[] }) {
  const units = useUnits();
  return issues.map((issue) => (
    <Card
      key={issue.code}
      tone={issue.stops ? 'stop' : 'warn'}
      role={issue.stops ? 'alert' : 'note'}
    >
      <Words color={issue.stops ? '$onVermilionSoft' : '$onBrassSoft'}>
        {plateTrouble(issue, units)}
      </Words>
    </Card>
  ));
}
