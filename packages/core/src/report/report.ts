import { familyName } from '../family';
import type { SignalRange } from '../quantity';
import type { SheetBody } from '../sheet';
import type { Block, Figure, Line, Tone } from './block';
import { controlBlocks, deviceBlocks } from './device-blocks';
import { figuresOf } from './figures';
import { givenBlocks } from './given-blocks';
import { endWord, outcomeTone, outcomeWord } from './outcome';
import { pointsBlocks } from './points-blocks';
import type { Printers } from './printers';
import { proofsBlocks } from './proofs-blocks';
import { crackingBlocks, edgesBlocks, noFlowBlocks, switchBlocks } from './proof-blocks';
import { recordBlocks } from './record-blocks';
import { settingBlocks } from './setting-blocks';

/** A sheet as it is shown anywhere: head, figures, parts. No page and no paper in it. */
export type Report = {
  readonly headline: {
    readonly title: string;
    readonly under: string;
    readonly verdict: string;
    readonly tone: Tone;
    readonly isPractice: boolean;
  };
  readonly figures: readonly Figure[];
  /** What it comes to where nothing was set. */
  readonly words?: Line;
  readonly blocks: readonly Block[];
};

export type ReportWords = {
  readonly print: Printers;
  /** A signal in the units of the place. */
  readonly signalSay: (range: SignalRange, si: number) => string;
  /** The time of day of an entry. */
  readonly timeSay: (ms: number) => string;
};

/** Everything that a sheet says, in the order in which it is read. */
export function report(body: SheetBody, { print, signalSay, timeSay }: ReportWords): Report {
  return {
    headline: {
      title: body.valve_tag,
      under: `${body.valve_name} · ${familyName[body.plate.family].toLowerCase()}, DN ${body.plate.size_dn}`,
      verdict: outcomeWord(body),
      tone: outcomeTone(body),
      isPractice: body.rehearsal,
    },
    figures: figuresOf(body, print),
    ...wordsOf(body),
    blocks: [
      ...proofsBlocks(body, print),
      ...settingBlocks(body, print),
      ...pointsBlocks(body, signalSay),
      ...controlBlocks(body, print),
      ...deviceBlocks(body),
      ...edgesBlocks(body, print),
      ...switchBlocks(body, print),
      ...crackingBlocks(body, print),
      ...noFlowBlocks(body, print),
      ...givenBlocks(body, print),
      ...recordBlocks(body, print, timeSay),
    ],
  };
}

function wordsOf(body: SheetBody): { words?: Line } {
  const { outcome, ended, settings, tables } = body;
  if (ended) return { words: { text: `${endWord[ended.why]}: ${ended.reason}`, tone: 'stop' } };
  if (settings.length > 0 || tables) return {};
  return outcome === 'out_of_service'
    ? { words: { text: body.out_of_service_because ?? 'Out of service', tone: 'stop' } }
    : { words: { text: 'Carried out in its order; nothing was set.' } };
}
