import {
  readJsonFile,
  readSystemCsv,
  systemFile,
  systemFileSchema,
  writeSystemCsv,
  type CsvRowIssue,
  type System,
} from '@holvek/core';
import { useState } from 'react';
import { BottomSheet } from '@/ui/bottom-sheet';
import { Card } from '@/ui/card';
import { pickFile, saveText } from '@/ui/files';
import { BigButton } from '@/ui/press';
import { Muted, Strong, Words } from '@/ui/words';
import { refusalWords } from '@/words/trouble';

type Props = {
  readonly system: System;
  readonly isOpen: boolean;
  readonly onChange: (system: System) => void;
  readonly onClose: () => void;
};

/** The system as JSON or CSV, out and in. A file that is read replaces rungs and rules, never the name. */
export function FilesSheet({ system, isOpen, onChange, onClose }: Props) {
  const [trouble, setTrouble] = useState<string>();
  const [issues, setIssues] = useState<readonly CsvRowIssue[]>([]);
  const file = system.name.replace(/[^\w-]+/gu, '_');
  const take = async () => {
    const picked = await pickFile('.json,.csv,application/json,text/csv');
    if (!picked) return;
    setTrouble(undefined);
    setIssues([]);
    const text = await picked.text();
    if (text.trimStart().startsWith('{')) {
      const read = readJsonFile(text, systemFileSchema);
      if (!read.ok)
        return setTrouble(
          read.error.code === 'file.not_json'
            ? 'The file is no JSON. Nothing was changed.'
            : `The file is not a system: ${read.error.path} is wrong. Nothing was changed.`,
        );
      onChange({ ...read.value.system, id: system.id, site_id: system.site_id });
      return onClose();
    }
    const read = readSystemCsv(text);
    if (!read.ok) return setTrouble(refusalWords(read.error.code));
    if (read.value.rungs.length === 0)
      return setTrouble('No rung in the file could be read. Nothing was changed.');
    onChange({ ...system, rungs: read.value.rungs, rules: read.value.rules });
    if (read.value.issues.length > 0) setIssues(read.value.issues);
    else onClose();
  };
  return (
    <BottomSheet isOpen={isOpen} title="As a file" onClose={onClose}>
      <BigButton
        kind="outline"
        onPress={() =>
          saveText(`${file}.json`, JSON.stringify(systemFile(system), null, 2), 'application/json')
        }
      >
        Save as JSON
      </BigButton>
      <BigButton
        kind="outline"
        onPress={() => saveText(`${file}.csv`, writeSystemCsv(system), 'text/csv')}
      >
        Save as CSV
      </BigButton>
      <BigButton kind="outline" onPress={() => void take()}>
        Read a file
      </BigButton>
      <Muted>What is read replaces the rungs and rules here.</Muted>
      {trouble ? (
        <Words color="$vermilion" role="alert">
          {trouble}
        </Words>
      ) : null}
      {issues.length > 0 ? (
        <Card>
          <Strong>The good rows were kept. These were not:</Strong>
          {issues.slice(0, 12).map(({ line, column, code }) => (
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
