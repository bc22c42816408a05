import { keyNameOf } from '../digest';
import type { FileTaken, SheetBody } from '../sheet';
import { photoSubjects } from '../valve';
import type { Block, Line } from './block';
import { plateLines } from './plate-words';
import type { Printers } from './printers';

/** What was moved and put back, what was accepted, what was left out, what was said. */
export function recordBlocks(
  body: SheetBody,
  print: Printers,
  timeSay: (ms: number) => string,
): readonly Block[] {
  const blocks: Block[] = [
    { kind: 'words', title: 'Moved for the job', lines: endLines(body) },
    {
      kind: 'words',
      title: 'Cautions accepted',
      lines: body.cautions.map(({ hazard, accepted_at_ms: at }) => ({
        text: `${hazard.replaceAll('_', ' ')}, ${timeSay(at)}`,
      })),
    },
    {
      kind: 'words',
      title: 'Left out',
      lines: body.skipped.map(({ step_id: id, reason }) => ({
        text: `${id.replaceAll('_', ' ')}: ${reason}`,
        tone: 'work',
      })),
    },
    pictureBlock(body, print, timeSay),
    { kind: 'words', title: 'Taken from a logger', lines: fileLines(body) },
    { kind: 'words', title: 'Notes', lines: noteLines(body, print, timeSay) },
  ];
  return blocks.filter(
    (block) =>
      (block.kind !== 'words' || block.lines.length > 0) &&
      (block.kind !== 'pictures' || block.pictures.length > 0),
  );
}

const endLines = ({ open_ends: ends }: SheetBody): readonly Line[] =>
  ends.map(({ say, state, reason }) =>
    state === 'closed'
      ? { text: `${say}: put back` }
      : { text: `${say}: LEFT OPEN, ${reason ?? 'no reason given'}`, tone: 'stop' },
  );

const fileShows = {
  opening: 'where it opened and shut',
  watch: 'the watch with nothing flowing',
  step_test: 'the step test',
} as const;

/** What was taken from which file, with the beginning of its digest. */
export const fileTakenWords = ({ shows, name, sha256 }: FileTaken): string =>
  `${fileShows[shows]}: ${name}, file ${sha256.slice(0, 12)}`;

/** Files that figures were taken from. */
const fileLines = ({ files = [] }: SheetBody): readonly Line[] =>
  files.map((file) => ({ text: fileTakenWords(file) }));

/** Pictures that were taken in the work, each with what the gauge was read at, where it shows that. */
function pictureBlock(
  { pictures = [], readings, gauges }: SheetBody,
  print: Printers,
  timeSay: (ms: number) => string,
): Block {
  return {
    kind: 'pictures',
    title: 'Pictures',
    pictures: pictures.map(({ picture: name, shows, reading: at, by, at_ms: atMs }) => {
      const read = at === undefined ? undefined : readings[at];
      const said = read
        ? `${gauges[read.role]?.tag ?? 'Gauge'} read at ${print.pressure(read.reading.si)}`
        : photoSubjects[shows];
      return { name, say: `${said}, ${timeSay(atMs)}, ${by}` };
    }),
  };
}

const noteLines = (
  body: SheetBody,
  print: Printers,
  timeSay: (ms: number) => string,
): readonly Line[] => [
  ...plateLines(body, print, timeSay),
  ...(body.answers_sheet
    ? [{ text: `Answers ${body.answers_sheet.slice(0, 12)}, which was not in order` }]
    : []),
  ...(body.answers_repair
    ? [{ text: `Proved anew after the repair of ${timeSay(body.answers_repair.at_ms)}` }]
    : []),
  ...correctionLines(body, timeSay),
  ...handoverLines(body, timeSay),
  ...body.notes.map((text) => ({ text })),
];

/** Who gave the work to whom, and what he took over with it. */
function handoverLines(
  { handed_over: handovers = [] }: SheetBody,
  timeSay: (ms: number) => string,
): readonly Line[] {
  return handovers.map(({ from, to, at_ms: atMs, open_ends: ends, words }) => {
    const open = ends.length === 0 ? 'nothing open' : `open then: ${ends.join(', ')}`;
    const said = words === undefined ? '' : ` “${words}”`;
    return { text: `${from} handed over to ${to}, ${timeSay(atMs)}; ${open}.${said}` };
  });
}

/** What is corrected and why, and who says so: when, and by which key. */
function correctionLines(
  { corrects }: SheetBody,
  timeSay: (ms: number) => string,
): readonly Line[] {
  if (!corrects) return [];
  const { hash, why, by, at_ms: atMs, signed } = corrects;
  const told: Line = { text: `Corrects ${hash.slice(0, 12)}: ${why}`, tone: 'work' };
  if (by === undefined) return [told];
  const when = atMs === undefined ? '' : `, ${timeSay(atMs)}`;
  const key = signed ? `signed by key ${keyNameOf(signed.key).slice(0, 12)}` : 'not signed';
  return [told, { text: `Revised by ${by}${when}: ${key}` }];
}
