import { digestOfBytes, type LoggerFile } from '@holvek/core';

/** Longest name that is kept of a file. */
const NAME_LENGTH = 200;

/** A file of a logger: its words, and by what it is told from any other. */
export async function readLoggerFile(
  file: Pick<File, 'name' | 'arrayBuffer'>,
): Promise<{ readonly text: string; readonly file: LoggerFile }> {
  const bytes = new Uint8Array(await file.arrayBuffer());
  return {
    text: new TextDecoder().decode(bytes),
    file: { name: file.name.slice(0, NAME_LENGTH), sha256: digestOfBytes(bytes) },
  };
}
