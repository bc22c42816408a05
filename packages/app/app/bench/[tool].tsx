import { useLocalSearchParams } from 'expo-router';
import { ToolPage } from '@/bench/tool-page';
import { benchTools } from '@/bench/tools';
import { TuningPage } from '@/bench/tuning-page';
import { useValves } from '@/data/queries';
import { Screen } from '@/shell/screen';
import { Loading, Trouble } from '@/ui/states';

/** One sum of the bench by its address; figures in the address are its own. */
export default function BenchToolScreen() {
  const { tool: id, valve: valveId, ...values } = useLocalSearchParams<Record<string, string>>();
  const valves = useValves();
  if (id === 'tuning') return <TuningPage />;
  const tool = benchTools.find((each) => each.id === id);
  if (!tool)
    return (
      <Screen title="Bench" back>
        <Trouble title="No such sum" say="The bench has no sum by that address." />
      </Screen>
    );
  if (valveId && !valves.data) return <Loading what="Fetching the valve" />;
  const valve = valves.data?.find((each) => each.id === valveId);
  const given = Object.fromEntries(
    tool.fields.flatMap(({ key }) => (values[key] === undefined ? [] : [[key, values[key]]])),
  );
  return (
    <ToolPage
      key={`${tool.id} ${valve?.id ?? ''}`}
      tool={tool}
      start={{ ...tool.initial, ...(valve && tool.fromValve?.(valve)), ...given }}
      {...(valve ? { of: valve.tag } : {})}
    />
  );
}
