import {
  checkFile,
  checkWith,
  faultWords,
  fileErrorWords,
  keyNameOf,
  noteWords,
  type CheckedFile,
  type Head,
} from '@holvek/core';
import { HeldFile } from './held-file';
import { Card, Pill, Row } from '@/ui/card';
import { Muted, Strong, Words } from '@/ui/words';

/** What came of looking at a file. */
export type Checked =
  | { readonly state: 'unreadable'; readonly name: string; readonly why: string }
  | { readonly state: 'checked'; readonly name: string; readonly file: CheckedFile };

/** No record is anywhere near as large; what is, is not read into a phone. */
const MOST_BYTES = 64_000_000;

/**
 * Checks a record that was carried here, by its bytes alone.
 *
 * @param head  the last line of the log that this device has seen; asked of the file where it goes as far
 */
export async function checkRecord(
  file: Pick<File, 'name' | 'size' | 'text'>,
  head: Head,
  subtle: SubtleCrypto | undefined,
): Promise<Checked> {
  const { name } = file;
  const unreadable = (why: string): Checked => ({ state: 'unreadable', name, why });
  if (file.size > MOST_BYTES)
    return unreadable(`It has ${Math.round(file.size / 1e6)} MB; a record has 64 at most.`);
  if (!subtle)
    return unreadable('This page has no secure address, so signatures cannot be checked here.');
  const text = await file.text();
  const check = checkWith(subtle);
  const checked = await checkFile(text, { check });
  if (!checked.ok) return unreadable(fileErrorWords(checked.error));
  const { value } = checked;
  const reaches = value.kind === 'record' && value.result.lines >= head.seq;
  if (!reaches || head.hash === null) return { state: 'checked', name, file: value };
  const seen = { seq: head.seq, starts: head.hash };
  const again = await checkFile(text, { check, head: seen });
  return { state: 'checked', name, file: again.ok ? again.value : value };
}

/** A file and its verdict, in words. */
export function CheckedCard({ checked }: { readonly checked: Checked }) {
  if (checked.state === 'unreadable')
    return (
      <Card tone="stop" role="alert">
        <Strong color="$onVermilionSoft">{checked.name}</Strong>
        <Words color="$onVermilionSoft">{`Nothing could be checked. ${checked.why}`}</Words>
      </Card>
    );
  const { kind, keys, result } = checked.file;
  const holds = result.faults.length === 0;
  return (
    <Card {...(holds ? {} : { tone: 'stop' as const })} testID="checked">
      <Row label={checked.name}>
        <Pill tone={holds ? 'good' : 'stop'}>{holds ? 'holds' : 'does not hold'}</Pill>
      </Row>
      <Row label="Checked">{`${result.sheets} ${result.sheets === 1 ? 'sheet' : 'sheets'}, ${result.entries} entries`}</Row>
      <Row label="Lines of the log" isLast={keys.length === 0}>
        {String(result.lines)}
      </Row>
      {keys.map((key, i) => (
        <Row key={keyNameOf(key)} label="Signed by key" isLast={i === keys.length - 1}>
          {keyNameOf(key).slice(0, 16)}
        </Row>
      ))}
      {result.faults.map((fault) => (
        <Words key={faultWords(fault)} color="$onVermilionSoft" role="alert">
          {faultWords(fault)}
        </Words>
      ))}
      {result.notes.map((note) => (
        <Muted key={noteWords(note)}>{noteWords(note)}</Muted>
      ))}
      <HeldFile key={checked.name} checked={checked.file} />
      {kind === 'sheet' ? (
        <Muted>
          One sheet by itself: whether others were dropped, only the whole record tells.
        </Muted>
      ) : null}
    </Card>
  );
}
