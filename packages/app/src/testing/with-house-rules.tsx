import { defaultHouseRules, type HouseRules } from '@holvek/core';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { act, fireEvent, render, screen } from '@testing-library/react';
import type { ReactNode } from 'react';
import { config } from '@/theme/tamagui.config';
import { TamaguiProvider } from '@/ui/kit';

/** A part of the settings over a server that keeps the house rules it is sent; these, first to last. */
export async function showOverRules(part: ReactNode, rules: HouseRules = defaultHouseRules) {
  const sent: HouseRules[] = [];
  global.fetch = jest.fn(async (_path: string, init?: { readonly body?: string }) => {
    if (init?.body !== undefined) sent.push(JSON.parse(init.body) as HouseRules);
    const text = JSON.stringify(sent.at(-1) ?? rules);
    return { ok: true, status: 200, text: async () => text, headers: new Headers() };
  }) as never;
  render(
    <TamaguiProvider config={config} defaultTheme="light">
      <QueryClientProvider client={new QueryClient()}>{part}</QueryClientProvider>
    </TamaguiProvider>,
  );
  await act(async () => undefined);
  return sent;
}

export const type = (label: string, value: string) =>
  act(async () => void fireEvent.change(screen.getByLabelText(label), { target: { value } }));
export const press = (name: string) =>
  act(async () => void fireEvent.click(screen.getByRole('button', { name })));
