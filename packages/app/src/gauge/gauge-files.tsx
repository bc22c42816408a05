import {
  readGaugesCsv,
  writeGaugesCsv,
  type Gauge,
  type GaugesCsv,
  type Imported,
} from '@holvek/core';
import { Refusal } from '@/data/api';
import { newId } from '@/data/new-id';
import { useChangeGauge } from '@/data/queries';
import { importedOf, isNews, type FileRow } from '@/files/imported';
import { TableFiles } from '@/files/table-files';
import { saveText } from '@/ui/files';

type Props = {
  readonly gauges: readonly Gauge[];
  readonly isOpen: boolean;
  readonly onClose: () => void;
};

/** The gauges as CSV, with a network or without: each is kept like one that was changed by hand. */
export function GaugeFiles({ gauges, ...open }: Props) {
  const { mutateAsync } = useChangeGauge();
  const look = (csv: string): GaugesCsv => {
    const file = readGaugesCsv(csv, gauges, newId);
    if (!file.ok) throw new Refusal(422, file.error.code);
    return file.value;
  };
  const take = async (csv: string): Promise<Imported> => {
    const file = look(csv);
    for (const { value } of rowsOf(file).filter(isNews)) await mutateAsync(value);
    return told(file);
  };
  return (
    <TableFiles
      {...open}
      title="Gauges as a file"
      what="gauges"
      action="keep_gauges"
      say={
        'A row a gauge, its figures in the unit of its face. A table of corrections stands in one ' +
        'cell, such as 0: +0.4; 500: -1.2. What has no column stays as it is.'
      }
      takeSay="Take them"
      leaveSay="leave the gauges as they are"
      onSave={() => saveText('gauges.csv', writeGaugesCsv(gauges), 'text/csv')}
      look={async (csv) => told(look(csv))}
      take={take}
    />
  );
}

const rowsOf = ({ gauges }: GaugesCsv): FileRow<Gauge>[] =>
  gauges.map(({ gauge: value, before }) => ({ value, before }));

const told = (file: GaugesCsv): Imported => importedOf(rowsOf(file), file.issues, ({ tag }) => tag);
