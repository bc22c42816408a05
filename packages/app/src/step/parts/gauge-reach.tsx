import { Card } from '@/ui/card';
import { Choice, Field } from '@/ui/field';
import { Words } from '@/ui/words';
import type { Reach } from '@/gauge-link/kept-format';

type Props = {
  readonly reach: Reach;
  readonly onReach: (reach: Reach) => void;
  /** Why nothing can be opened that way here. */
  readonly why: string | undefined;
};

const ways = [
  { value: 'cable', say: 'its cable' },
  { value: 'radio', say: 'Bluetooth' },
  { value: 'bridge', say: 'a bridge' },
] as const;

/** Over what a gauge is reached: a cable to this device, without one, or through a bridge that runs elsewhere. */
export const GaugeReach = ({ reach, onReach, why }: Props) => (
  <>
    <Choice
      label="Reached over"
      value={reach.by}
      onChange={(by) => onReach({ ...reach, by })}
      options={ways}
    />
    {reach.by === 'bridge' ? (
      <Field
        label="Address of the bridge"
        value={reach.address}
        onChangeText={(address) => onReach({ ...reach, address })}
        maxLength={200}
        hint="Where its cable ends, “npm run bridge” says it: localhost:8145, or wss://name:8145."
      />
    ) : null}
    {why === undefined ? null : (
      <Card tone="warn">
        <Words color="$onBrassSoft">{why}</Words>
      </Card>
    )}
  </>
);
