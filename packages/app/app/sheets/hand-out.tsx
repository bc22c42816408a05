import { HandOut } from '@/client/hand-out';
import { Screen } from '@/shell/screen';

/** Sheets for a client, by an address that lives for a while. */
export default function HandOutScreen() {
  return (
    <Screen title="Hand over" under="A client sees his own sheets, and nothing else" back>
      <HandOut />
    </Screen>
  );
}
