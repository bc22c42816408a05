import { useState } from 'react';
import { useImportValves } from '@/data/queries';
import { Refusal } from '@/data/api';
import type { Imported } from '@holvek/core';
import { BottomSheet } from '@/ui/bottom-sheet';
import { Card } from '@/ui/card';
import { BigButton } from '@/ui/press';
import { Muted, Strong, Words } from '@/ui/words';
import { pickText } from '@/ui/files';
import { refusalWords } from '@/words/trouble';

/** The register as CSV, out and in; wrong rows are named and the good ones kept. */
export function RegisterFiles({
  isOpen,
  onClose,
}: {
  readonly isOpen: boolean;
  readonly onClose: () => void;
}) {
  const change = useImportValves();
  const [result, setResult] = useState<Imported>();
  const [trouble, setTrouble] = useState<string>();
  const take = async () => {
    const text = await pickText('.csv,text/csv');
    if (text === undefined) return;
    setResult(undefined);
    setTrouble(undefined);
    change.mutate(text, {
      onSuccess: (value) => setResult(value as Imported),
      onError: (error) =>
        setTrouble(
          error instanceof Refusal
            ? refusalWords(error.code)
            : 'The server cannot be reached. Nothing was changed.',
        ),
    });
  };
  return (
    <BottomSheet isOpen={isOpen} title="Register as a file" onClose={onClose}>
      <BigButton kind="outline" onPress={() => window.location.assign('/api/valves.csv')}>
        Save as CSV
      </BigButton>
      <BigButton kind="outline" onPress={() => void take()}>
        Read a CSV
      </BigButton>
      <Muted>Points or commas for decimals, commas or semicolons between columns.</Muted>
      {trouble ? (
        <Words color="$vermilion" role="alert">
          {trouble}
        </Words>
      ) : null}
      {result ? (
        <Card>
          <Strong>{`${result.kept.length} valves kept`}</Strong>
          {result.issues.slice(0, 12).map(({ line, column, code }) => (
            <Words
              key={`${line}-${column}-${code}`}
              color="$vermilion"
            >{`Line ${line}, ${column}: ${code.replaceAll('_', ' ')}`}</Words>
          ))}
        </Card>
      ) : null}
    </BottomSheet>
  );
}
