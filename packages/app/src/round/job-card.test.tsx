import type { Job } from '@holvek/core';
import { cleanup, fireEvent, render, screen, waitFor } from '@testing-library/react';
import { config } from '@/theme/tamagui.config';
import { TamaguiProvider } from '@/ui/kit';
import { JobCard } from './job-card';

afterEach(cleanup);

const show = (job: Job | undefined, onChange: (job: Job | undefined) => void) =>
  render(
    <TamaguiProvider config={config} defaultTheme="light">
      <JobCard job={job} onChange={onChange} under="It stands on the sheet." />
    </TamaguiProvider>,
  );

describe('for whom the work is done', () => {
  test('what is told is kept without what is empty, and nothing told is no job', async () => {
    const onChange = jest.fn();
    show(undefined, onChange);
    expect(screen.getByText('It stands on the sheet.')).toBeTruthy();
    fireEvent.click(screen.getByText('tell'));
    fireEvent.change(screen.getByLabelText('Permit number'), { target: { value: ' W-118 ' } });
    fireEvent.click(screen.getByText('Keep it'));
    await waitFor(() => expect(onChange).toHaveBeenLastCalledWith({ permit: 'W-118' }));
  });

  test('what was told is shown, changed, and taken back', async () => {
    const onChange = jest.fn();
    show({ client: 'Larkhollow Estates' }, onChange);
    expect(screen.getByText('Larkhollow Estates')).toBeTruthy();
    fireEvent.click(screen.getByText('change'));
    const client = screen.getByLabelText('Client');
    expect((client as HTMLInputElement).value).toBe('Larkhollow Estates');
    fireEvent.change(client, { target: { value: '' } });
    fireEvent.click(screen.getByText('Keep it'));
    await waitFor(() => expect(onChange).toHaveBeenLastCalledWith(undefined));
  });
});
