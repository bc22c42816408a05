import { rehearsedFamily, familyStarted } from '../testing/family-samples';
import { signingError } from './check-event';
test('try', () => {
  const d = familyStarted('electronic_pilot');
  for (let seed = 1; seed < 14; seed++) {
    const { run, twin } = rehearsedFamily('electronic_pilot', { twin: { ...d.twin!, seed } });
    console.log(
      run.status,
      JSON.stringify(signingError(run)),
      twin.isStuck,
      JSON.stringify(run.stroke?.open),
      run.selfTune?.gain,
      run.selfTune?.period_s,
      run.selfTune?.integral_s,
      JSON.stringify(run.readings.map((r) => r.reading.si)),
    );
  }
});
