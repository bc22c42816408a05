import {
  readPlacesCsv,
  writePlacesCsv,
  type Imported,
  type PlacesCsv,
  type Site,
} from '@holvek/core';
import { Refusal } from '@/data/api';
import { newId } from '@/data/new-id';
import { useChangeSite } from '@/data/queries';
import { importedOf, isNews, type FileRow } from '@/files/imported';
import { TableFiles } from '@/files/table-files';
import { saveText } from '@/ui/files';

type Props = {
  readonly places: readonly Site[];
  readonly isOpen: boolean;
  readonly onClose: () => void;
};

/** The places as CSV, with a network or without: each is kept like one that was changed by hand. */
export function PlaceFiles({ places, ...open }: Props) {
  const { mutateAsync } = useChangeSite();
  const look = (csv: string): PlacesCsv => {
    const file = readPlacesCsv(csv, places, newId);
    if (!file.ok) throw new Refusal(422, file.error.code);
    return file.value;
  };
  const take = async (csv: string): Promise<Imported> => {
    const file = look(csv);
    // One after the other: a part comes behind what it lies in.
    for (const { value } of rowsOf(file).filter(isNews)) await mutateAsync(value);
    return told(file);
  };
  return (
    <TableFiles
      {...open}
      title="Places as a file"
      what="places"
      action="change_place"
      say={
        'A row a place; “under” names the place that it lies in, such as Works / Pump hall. ' +
        'What has no column stays as it is.'
      }
      takeSay="Take them"
      leaveSay="leave the places as they are"
      onSave={() => saveText('places.csv', writePlacesCsv(places), 'text/csv')}
      look={async (csv) => told(look(csv))}
      take={take}
    />
  );
}

const rowsOf = ({ places }: PlacesCsv): FileRow<Site>[] =>
  places.map(({ place: value, before }) => ({ value, before }));

const told = (file: PlacesCsv): Imported =>
  importedOf(rowsOf(file), file.issues, ({ name }) => name);
