import {
  digestOf,
  readGaugesCsv,
  writeGaugesCsv,
  type Gauge,
  type GaugesCsv,
  type Imported,
} from '@holvek/core';
import { useState } from 'react';
import { newId } from '@/data/new-id';
import { useChangeGauge } from '@/data/queries';
import { Allowed } from '@/people/allowed';
import { BottomSheet } from '@/ui/bottom-sheet';
import { pickText, saveText } from '@/ui/files';
import { BigButton, WordButton } from '@/ui/press';
import { Muted, Words } from '@/ui/words';
import { isIdle, WhatItDoes } from '@/valve/what-it-does';
import { refusalWords } from '@/words/trouble';

type Props = {
  readonly gauges: readonly Gauge[];
  readonly isOpen: boolean;
  readonly onClose: () => void;
};

/** The gauges as CSV, out and in, with a network or without: first it is shown what a file would change. */
export function GaugeFiles({ gauges, isOpen, onClose }: Props) {
  const change = useChangeGauge();
  const [read, setRead] = useState<{ readonly file: GaugesCsv; readonly isTaken: boolean }>();
  const [trouble, setTrouble] = useState<string>();
  const look = async () => {
    const csv = await pickText('.csv,text/csv');
    if (csv === undefined) return;
    const file = readGaugesCsv(csv, gauges, newId);
    setTrouble(file.ok ? undefined : refusalWords(file.error.code));
    setRead(file.ok ? { file: file.value, isTaken: false } : undefined);
  };
  const take = async (file: GaugesCsv) => {
    for (const row of file.gauges.filter(isNews)) await change.mutateAsync(row.gauge);
    setRead({ file, isTaken: true });
  };
  const imported = read && importedOf(read.file);
  return (
    <BottomSheet isOpen={isOpen} title="Gauges as a file" onClose={onClose}>
      <BigButton
        kind="outline"
        onPress={() => saveText('gauges.csv', writeGaugesCsv(gauges), 'text/csv')}
      >
        Save as CSV
      </BigButton>
      <Allowed action="keep_gauges" what="To read a file in">
        <BigButton kind="outline" onPress={() => void look()}>
          Read a CSV
        </BigButton>
      </Allowed>
      <Muted>
        A row a gauge, its figures in the unit of its face. A table of corrections stands in one
        cell, such as 0: +0.4; 500: -1.2. What has no column stays as it is.
      </Muted>
      {trouble ? (
        <Words color="$vermilion" role="alert">
          {trouble}
        </Words>
      ) : null}
      {imported ? <WhatItDoes imported={imported} isTaken={read.isTaken} what="gauges" /> : null}
      {imported && !read.isTaken ? (
        <>
          <BigButton
            disabled={change.isPending || isIdle(imported)}
            onPress={() =>
              void take(read.file).catch(() =>
                setTrouble('Not all of them could be kept. Read the file once more.'),
              )
            }
          >
            {isIdle(imported) ? 'Nothing to take' : 'Take them'}
          </BigButton>
          <WordButton onPress={() => setRead(undefined)}>leave the gauges as they are</WordButton>
        </>
      ) : null}
    </BottomSheet>
  );
}

type Row = GaugesCsv['gauges'][number];
const isNews = ({ gauge, before }: Row): boolean =>
  before === undefined || digestOf(before) !== digestOf(gauge);

/** What a file would do, in the words that the register has for it. */
function importedOf({ gauges, issues }: GaugesCsv): Imported {
  const tagsOf = (rows: readonly Row[]) => rows.map(({ gauge }) => gauge.tag);
  return {
    kept: tagsOf(gauges),
    fresh: tagsOf(gauges.filter(({ before }) => before === undefined)),
    changed: tagsOf(gauges.filter((row) => row.before !== undefined && isNews(row))),
    issues: [...issues],
  };
}
