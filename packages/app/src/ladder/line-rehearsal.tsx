import { createLineTwin, type Ladder, type System } from '@holvek/core';
import { proxy } from 'comlink';
import { useEffect, useRef, useState } from 'react';
import { XStack, YStack } from '@/ui/kit';
import { openLineWorker } from './line-client';
import type { LineReport } from './line.worker';
import { useUnits } from '@/units/use-units';
import { Card, Pill } from '@/ui/card';
import { Choice } from '@/ui/field';
import { BigButton } from '@/ui/press';
import { Empty } from '@/ui/states';
import { BigNumber } from '@/ui/big-number';
import { Heading, Muted, Strong } from '@/ui/words';

const outletSteps = [
  { value: '0', say: 'shut' },
  { value: '0.2', say: 'a little' },
  { value: '0.4', say: 'normal' },
  { value: '1', say: 'wide' },
] as const;

/** All valves of a system on one simulated line: turn one and watch the gauges of the others. */
export function LineRehearsal({
  system,
  ladder,
}: {
  readonly system: System;
  readonly ladder: Ladder;
}) {
  const [report, setReport] = useState<LineReport>();
  const [turns, setTurns] = useState<Readonly<Record<string, number>>>({});
  const [outlets, setOutlets] = useState<Readonly<Record<string, string>>>({});
  const workerRef = useRef<ReturnType<typeof openLineWorker> | undefined>(undefined);
  const [twin] = useState(() => createLineTwin(system, ladder));
  useEffect(() => {
    if (!twin) return undefined;
    const worker = openLineWorker();
    workerRef.current = worker;
    void worker.line.start(twin, proxy(setReport));
    return () => worker.close();
  }, [twin]);
  if (!twin)
    return (
      <Empty
        title="Nothing to rehearse"
        say="A line needs a reducing, sustaining or relief valve."
      />
    );
  const turn = (rung: string, by: number) => {
    void workerRef.current?.line.turn(rung, by);
    setTurns((now) => ({ ...now, [rung]: (now[rung] ?? 0) + by }));
  };
  const move = (node: string, to: string) => {
    void workerRef.current?.line.move({ [`outlets_${node}`]: Number(to) });
    setOutlets((now) => ({ ...now, [node]: to }));
  };
  const nameOf = (id: string) =>
    id === 'source' ? 'Source' : (system.rungs.find((rung) => rung.id === id)?.name ?? id);
  return (
    <YStack gap="$3">
      <LineGauges report={report} nameOf={nameOf} />
      {Object.keys(twin.screws).map((rung) => (
        <Card key={rung}>
          <XStack justifyContent="space-between" alignItems="center">
            <Strong>{nameOf(rung)}</Strong>
            <Muted>{`${(turns[rung] ?? 0).toFixed(2)} turns`}</Muted>
          </XStack>
          <XStack gap="$2">
            {[-0.5, -0.125, 0.125, 0.5].map((by) => (
              <BigButton
                key={by}
                flex={1}
                kind="outline"
                onPress={() => turn(rung, by)}
                spoken={`turn at ${nameOf(rung)}`}
              >
                {`${by > 0 ? '+' : '−'}${Math.abs(by) === 0.5 ? '1/2' : '1/8'}`}
              </BigButton>
            ))}
          </XStack>
        </Card>
      ))}
      {twin.params.nodes.map(({ id }) => (
        <Choice
          key={id}
          label={`Outlets at ${nameOf(id)}`}
          value={(outlets[id] ?? String(twin.inputs[`outlets_${id}`] ?? 0)) as '0'}
          onChange={(to) => move(id, to)}
          options={outletSteps as never}
        />
      ))}
    </YStack>
  );
}

function LineGauges({
  report,
  nameOf,
}: {
  readonly report: LineReport | undefined;
  readonly nameOf: (id: string) => string;
}) {
  return (
    <Card>
      <Heading>Gauges of the line</Heading>
      <XStack flexWrap="wrap" gap="$4">
        {(report?.gauges ?? []).map(({ node, pa }) => (
          <LineFigure key={node} name={nameOf(node)} pa={pa} />
        ))}
      </XStack>
      {Object.entries(report?.reliefs ?? {}).map(([id, lift]) => (
        <Pill
          key={id}
          tone={lift > 0.02 ? 'stop' : 'good'}
        >{`${nameOf(id)}: ${lift > 0.5 ? 'throws' : lift > 0.02 ? 'dribbles' : 'tight'}`}</Pill>
      ))}
    </Card>
  );
}

function LineFigure({ name, pa }: { readonly name: string; readonly pa: number }) {
  const units = useUnits();
  return (
    <YStack>
      <Muted>{name}</Muted>
      <BigNumber fontSize="$7" lineHeight="$7" testID={`line-${name}`}>
        {units.figure(pa, 1000)}
      </BigNumber>
    </YStack>
  );
}
