import { printFigure, printQuantity, runView, type Run, type RunEventDraft } from '@holvek/core';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import type { ReactNode } from 'react';
import { act, fireEvent, render, screen } from '@testing-library/react';
import { TamaguiProvider } from '@/ui/kit';
import { stepOf } from './family-samples';
import { Trace } from '@/gauge-link/trace';
import { StepScreen } from '@/step/step-screen';
import { DeskProvider, type Desk } from '@/desk/use-desk';
import type { Units } from '@/units/use-units';
import { config } from '@/theme/tamagui.config';

export const units: Units = {
  pressure: 'kPa',
  flow: 'L/s',
  figure: (pa, step) => printFigure(pa, 'kPa', step),
  withUnit: (pa, step) => printQuantity(pa, 'kPa', step),
  flowWithUnit: (q) => printQuantity(q, 'L/s'),
};

/** A step on the screen over a run that does not change; what it adds is kept for the test. */
export const show = (run: Run, stepId: string, over: Partial<Desk> = {}) =>
  showAt(run, <StepScreen step={stepOf(run, stepId)} />, over);

/** A part of the page at the desk of a run that does not change; what it adds is kept for the test. */
export function showAt(run: Run, part: ReactNode, over: Partial<Desk> = {}) {
  const added: RunEventDraft[] = [];
  const desk: Desk = {
    run,
    view: runView(run),
    units,
    trace: new Trace(),
    isLinked: false,
    gaugeLines: {
      of: () => undefined,
      open: async () => false,
      close: async () => undefined,
      touched: () => undefined,
    },
    isLineDown: false,
    ask: undefined,
    hurry: () => undefined,
    drive: () => undefined,
    add: async (draft) => {
      added.push(draft);
      return true;
    },
    trouble: undefined,
    clearTrouble: () => undefined,
    doubt: undefined,
    settleDoubt: () => undefined,
    undo: async () => true,
    canUndo: false,
    ...over,
  };
  render(
    <TamaguiProvider config={config} defaultTheme="light">
      <QueryClientProvider client={new QueryClient()}>
        <DeskProvider value={desk}>{part}</DeskProvider>
      </QueryClientProvider>
    </TamaguiProvider>,
  );
  return added;
}
export const press = async (name: string | RegExp) => {
  const button = screen.getAllByRole('button', { name }).at(-1)!;
  await act(async () => void fireEvent.click(button));
};
export const type = async (label: string | RegExp, text: string) => {
  await act(
    async () => void fireEvent.change(screen.getByLabelText(label), { target: { value: text } }),
  );
};
