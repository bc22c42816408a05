import { useEffect, useState, useSyncExternalStore } from 'react';
import { launchedFile } from '@/data/launched-file';
import { useLogWatch } from '@/data/store';
import { CheckedCard, checkRecord, type Checked } from '@/sheet/check-record';
import { Screen } from '@/shell/screen';
import { pickFile } from '@/ui/files';
import { BigButton } from '@/ui/press';
import { Words } from '@/ui/words';

/** Checks a record that somebody hands over, from its bytes alone. */
export default function CheckScreen() {
  const { head } = useLogWatch();
  const [checked, setChecked] = useState<Checked>();
  const [isBusy, setBusy] = useState(false);
  const launched = useSyncExternalStore(launchedFile.subscribe, launchedFile.snapshot);
  const look = async (file: File | undefined) => {
    if (!file) return;
    setBusy(true);
    // oxlint-disable-next-line typescript/no-unnecessary-condition -- absent outside a secure context
    setChecked(await checkRecord(file, head, globalThis.crypto?.subtle));
    setBusy(false);
  };
  useEffect(() => {
    if (!launched) return;
    launchedFile.taken();
    void Promise.resolve(launched).then(look);
    // eslint-disable-next-line react-hooks/exhaustive-deps -- once for each file
  }, [launched]);
  return (
    <Screen
      title="Check a record"
      under="Nothing leaves this device"
      back
      footer={
        <BigButton
          flex={1}
          disabled={isBusy}
          onPress={() => void pickFile('.json,application/json').then(look)}
        >
          {isBusy ? 'Checking …' : 'Choose a file'}
        </BigButton>
      }
    >
      <Words>
        A sheet or a whole record that was taken away as JSON is checked here from its bytes: words,
        entries, signatures, the chain of its valve and the log.
      </Words>
      <Words color="$muted">
        Compare the key and the last line with those on the paper: a record that somebody wrote anew
        with a key of his own holds in itself.
      </Words>
      {checked ? <CheckedCard checked={checked} /> : null}
    </Screen>
  );
}
