import type { Setting } from './use-setting';
import { useDesk } from '@/desk/use-desk';
import { familyView } from '@/family/views';
import { Card } from '@/ui/card';
import { BigButton } from '@/ui/press';
import { Strong, Words } from '@/ui/words';

/** What stands wide open, and a turn that was not answered. */
export function SetAlerts({
  setting: { view, prompt, sight, setOpen },
}: {
  readonly setting: Setting;
}) {
  const { run } = useDesk();
  const wideOpen = familyView(run.started.plate.family).wideOpen ?? familyView('reducing').wideOpen;
  const isDeaf = view.answer === 'no_change' || view.answer === 'wrong_way';
  return (
    <>
      {wideOpen && sight?.wideOpen && prompt.ask !== 'done' ? (
        <Card tone="warn" role="alert">
          <Strong color="$onBrassSoft">{wideOpen.title}</Strong>
          <Words color="$onBrassSoft">{wideOpen.say}</Words>
        </Card>
      ) : null}
      {isDeaf ? (
        <Card tone="stop" role="alert">
          <Strong color="$onVermilionSoft">
            {view.answer === 'wrong_way' ? 'It went the other way' : 'It didn’t answer that turn'}
          </Strong>
          <BigButton kind="stop" onPress={() => setOpen('deaf')}>
            See why
          </BigButton>
        </Card>
      ) : null}
    </>
  );
}
