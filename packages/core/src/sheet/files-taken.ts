import { z } from 'zod';
import type { Run } from '../run';
import { loggerFileSchema, recordOf, stepsOfKind, type LoggerFile } from '../step';

/** What of a run was taken from files of a logger. */
const fromFiles = ['opening', 'watch', 'step_test'] as const;

export const fileTakenSchema = loggerFileSchema.extend({ shows: z.enum(fromFiles) });
export type FileTaken = z.infer<typeof fileTakenSchema>;

/** Files of loggers that figures of a run were taken from, each once for what it shows; none in runs of before. */
export function filesTaken(run: Run): readonly FileTaken[] {
  const all: FileTaken[] = [
    ...stepsOfKind(run, 'capture').flatMap((step) => shown(recordOf(run, step).files, 'opening')),
    ...run.readings.flatMap(({ reading: { file } }) => shown(file && [file], 'watch')),
    ...stepsOfKind(run, 'tune').flatMap((step) => {
      const { file } = recordOf(run, step);
      return shown(file && [file], 'step_test');
    }),
  ];
  const keyOf = ({ name, sha256, shows }: FileTaken) => `${shows} ${sha256} ${name}`;
  return [...new Map(all.map((each) => [keyOf(each), each])).values()];
}

const shown = (
  files: readonly LoggerFile[] = [],
  shows: FileTaken['shows'],
): readonly FileTaken[] => files.map(({ name, sha256 }) => ({ name, sha256, shows }));
