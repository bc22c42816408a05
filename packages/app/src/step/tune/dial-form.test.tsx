import type { StepOf } from '@holvek/core';
import { act, fireEvent, render, screen } from '@testing-library/react';
import { DialForm } from './dial-form';
import { config } from '@/theme/tamagui.config';
import { TamaguiProvider } from '@/ui/kit';

const mockAdd = jest.fn<Promise<boolean>, [{ readonly type: string; readonly value?: number }]>();
jest.mock('@/desk/use-desk', () => ({ useDesk: () => ({ add: mockAdd }) }));

test('what was dialled is kept once, however often it is pressed', async () => {
  mockAdd.mockResolvedValue(true);
  render(
    <TamaguiProvider config={config} defaultTheme="light">
      <DialForm step={{ id: 'dial' } as StepOf<'tune'>} start={{ band: 62, reset: 0.42 }} />
    </TamaguiProvider>,
  );
  await act(async () => undefined);
  fireEvent.change(screen.getByLabelText('Proportional band'), { target: { value: '60' } });
  const button = screen.getByTestId('confirm-dial');
  await act(async () => {
    fireEvent.click(button);
    fireEvent.click(button);
  });
  expect(mockAdd.mock.calls.map(([{ type, value }]) => [type, value])).toEqual([
    ['observed', 60],
    ['observed', 0.42],
    ['step_done', undefined],
  ]);
});
