import type { BackupRow } from '@holvek/core';
import { useMutation, useQuery } from '@tanstack/react-query';
import { format } from 'date-fns/format';
import { api } from '@/data/api';
import { queryClient } from '@/data/queries';
import { Allowed } from '@/people/allowed';
import { Refused } from '@/people/refused';
import { Card } from '@/ui/card';
import { XStack, YStack } from '@/ui/kit';
import { saveBlob } from '@/ui/files';
import { today } from '@/ui/local-day';
import { BigButton } from '@/ui/press';
import { useNow } from '@/ui/use-now';
import { Heading, Muted, Strong, Words } from '@/ui/words';
import { backupWords, reasonWords, sizeWords } from './backup-words';

const KEY = ['backups'];
/** Older ones are kept too; these are looked for. */
const SHOWN = 5;

/** When the house was last kept whole, and the way to keep it now. */
export function BackupsCard() {
  const { data: state } = useQuery({ queryKey: KEY, queryFn: api.backups });
  const take = useMutation({
    mutationFn: api.takeBackup,
    onSuccess: (made) => queryClient.setQueryData(KEY, made),
  });
  const archive = useMutation({
    mutationFn: api.archive,
    onSuccess: (file) => saveBlob(`holvek-${today()}.zip`, file),
  });
  const now = useNow();
  if (!state) return null;
  const { say, isWell } = backupWords(state, now);
  return (
    <Card tone={isWell ? undefined : 'stop'} testID="backups">
      <Heading>Backups</Heading>
      <Words color={isWell ? '$color' : '$onVermilionSoft'} role="status">
        {say}
      </Words>
      {state.backups.slice(0, SHOWN).map((row) => (
        <BackupLine key={row.name} row={row} />
      ))}
      {state.is_on ? (
        <Allowed action="keep_house" what="Making one now">
          <BigButton kind="outline" disabled={take.isPending} onPress={() => take.mutate()}>
            {take.isPending ? 'It is being made' : 'Make one now'}
          </BigButton>
        </Allowed>
      ) : null}
      <Refused error={take.error} />
      <Muted>
        Copy them to another machine too. The key that signs as this house is kept apart from them.
      </Muted>
      <Allowed action="keep_house" what="Taking the record out">
        <BigButton kind="outline" disabled={archive.isPending} onPress={() => archive.mutate()}>
          {archive.isPending ? 'It is being gathered' : 'Take the whole record out'}
        </BigButton>
      </Allowed>
      <Refused error={archive.error} />
      <Muted>
        One file of open formats: tables, sheets as PDF, photos, public keys. An empty server takes
        it in again.
      </Muted>
    </Card>
  );
}

const BackupLine = ({ row }: { readonly row: BackupRow }) => (
  <XStack justifyContent="space-between" alignItems="center" gap="$3">
    <YStack flexShrink={1}>
      <Strong>{format(row.at_ms, 'd MMM yyyy, HH:mm')}</Strong>
      <Muted>{reasonWords[row.why]}</Muted>
    </YStack>
    <Muted>{`${row.sheets}\u00A0sheets, ${sizeWords(row.bytes)}`}</Muted>
  </XStack>
);
