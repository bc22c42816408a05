import {
  digestOf,
  readPlacesCsv,
  writePlacesCsv,
  type Imported,
  type PlacesCsv,
  type Site,
} from '@holvek/core';
import { Refusal } from '@/data/api';
import { newId } from '@/data/new-id';
import { useChangeSite } from '@/data/queries';
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
    for (const row of file.places.filter(isNews)) await mutateAsync(row.place);
    return importedOf(file);
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
      look={async (csv) => importedOf(look(csv))}
      take={take}
    />
  );
}

type Row = PlacesCsv['places'][number];
const isNews = ({ place, before }: Row): boolean =>
  before === undefined || digestOf(before) !== digestOf(place);

/** What a file would do, in the words that the register has for it. */
function importedOf({ places, issues }: PlacesCsv): Imported {
  const namesOf = (rows: readonly Row[]) => rows.map(({ place }) => place.name);
  return {
    kept: namesOf(places),
    fresh: namesOf(places.filter(({ before }) => before === undefined)),
    changed: namesOf(places.filter((row) => row.before !== undefined && isNews(row))),
    issues: [...issues],
  };
}
