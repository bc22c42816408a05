import { api } from '@/data/api';
import { useImportValves } from '@/data/queries';
import { TableFiles } from '@/files/table-files';

type Props = { readonly isOpen: boolean; readonly onClose: () => void };

/** The register as CSV: it is the server that reads it, so that a file is taken whole or not at all. */
export function RegisterFiles(open: Props) {
  const { mutateAsync } = useImportValves();
  return (
    <TableFiles
      {...open}
      title="Register as a file"
      what="valves"
      action="import"
      say={
        'A row a valve, a column for each fact of its plate, the unit in its header. Points or commas ' +
        'for decimals, commas or semicolons between columns. What has no column stays as it is; an ' +
        'empty cell takes away what need not be said.'
      }
      takeSay="Take it into the register"
      leaveSay="leave the register as it is"
      onSave={() => window.location.assign('/api/valves.csv')}
      look={api.previewValves}
      take={mutateAsync}
    />
  );
}
