import type { SheetBody } from '../sheet';
import type { Block, Line } from './block';

/** What was moved and put back, what was accepted, what was left out, what was said. */
export function recordBlocks(body: SheetBody, timeSay: (ms: number) => string): readonly Block[] {
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
    { kind: 'words', title: 'Notes', lines: noteLines(body) },
  ];
  return blocks.filter((block) => block.kind !== 'words' || block.lines.length > 0);
}

const endLines = ({ open_ends: ends }: SheetBody): readonly Line[] =>
  ends.map(({ say, state, reason }) =>
    state === 'closed'
      ? { text: `${say}: put back` }
      : { text: `${say}: LEFT OPEN, ${reason ?? 'no reason given'}`, tone: 'stop' },
  );

const noteLines = ({ corrects, answers_sheet: answers, notes }: SheetBody): readonly Line[] => [
  ...(answers ? [{ text: `Answers ${answers.slice(0, 12)}, which was not in order` }] : []),
  ...(corrects
    ? [{ text: `Corrects ${corrects.hash.slice(0, 12)}: ${corrects.why}`, tone: 'work' as const }]
    : []),
  ...notes.map((text) => ({ text })),
];
