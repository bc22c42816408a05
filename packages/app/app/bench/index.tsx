import { useLocalSearchParams, useRouter, type Href } from 'expo-router';
import { XStack, YStack } from '@/ui/kit';
import { benchTools } from '@/bench/tools';
import { useValves } from '@/data/queries';
import { Screen } from '@/shell/screen';
import { useKeys } from '@/ui/use-keys';
import { Card } from '@/ui/card';
import { Press } from '@/ui/press';
import { Heading, Muted, Strong } from '@/ui/words';

const tuning = {
  id: 'tuning',
  name: 'Tuning',
  about: 'A step test dropped in: model, settings, and how the loop would answer.',
};

/** The sums of the job outside a run; from a valve's page they start with its plate. */
export default function BenchScreen() {
  const router = useRouter();
  const { valve: id } = useLocalSearchParams<{ valve?: string }>();
  const valve = useValves().data?.find((each) => each.id === id);
  const tools = [
    ...benchTools.filter((tool) => !valve || tool.fromValve?.(valve)),
    ...(valve ? [] : [tuning]),
  ];
  const open = (tool: string) =>
    router.push(`/bench/${tool}${valve ? `?valve=${valve.id}` : ''}` as Href);
  useKeys(
    Object.fromEntries(tools.slice(0, 9).map((tool, i) => [String(i + 1), () => open(tool.id)])),
  );
  return (
    <Screen
      title="Bench"
      under={valve ? `Starting from the plate of ${valve.tag}` : 'Sums of the job, one at a time'}
      back={valve !== undefined}
      wide
    >
      <XStack flexWrap="wrap" gap="$3">
        {tools.map(({ id: tool, name, about }, i) => (
          <Press key={tool} onPress={() => open(tool)} width="100%" $wide={{ width: '31.8%' }}>
            <Card padding="$3" minHeight={72} $wide={{ minHeight: 92 }}>
              <XStack justifyContent="space-between" gap="$2">
                <YStack flexShrink={1}>
                  <Heading>{name}</Heading>
                  <Muted>{about}</Muted>
                </YStack>
                {i < 9 ? (
                  <Strong color="$muted" display="none" $wide={{ display: 'flex' }}>
                    {String(i + 1)}
                  </Strong>
                ) : null}
              </XStack>
            </Card>
          </Press>
        ))}
      </XStack>
    </Screen>
  );
}
