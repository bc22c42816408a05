import { renderHook } from '@testing-library/react';
import { act } from 'react';
import { useStayAwake } from './use-stay-awake';

const mockActivate = jest.fn<Promise<void>, [string]>();
const mockDeactivate = jest.fn<Promise<void>, [string]>();
jest.mock('expo-keep-awake', () => ({
  activateKeepAwakeAsync: (tag: string) => mockActivate(tag),
  deactivateKeepAwake: (tag: string) => mockDeactivate(tag),
}));

/** Opens and leaves a screen that wants to stay on. */
async function comeAndGo() {
  const { unmount } = renderHook(() => useStayAwake());
  unmount();
  await act(async () => undefined);
}
beforeEach(() => jest.resetAllMocks());

describe('a screen that stays on', () => {
  test('is let go when the run is left', async () => {
    mockActivate.mockResolvedValue(undefined);
    mockDeactivate.mockResolvedValue(undefined);
    await comeAndGo();
    expect(mockDeactivate).toHaveBeenCalledWith(mockActivate.mock.calls[0]![0]);
  });

  test('that the browser refuses is not let go either', async () => {
    mockActivate.mockRejectedValue(new Error('not allowed'));
    await comeAndGo();
    expect(mockDeactivate).not.toHaveBeenCalled();
  });

  test('that the browser has let go by itself is no error', async () => {
    mockActivate.mockResolvedValue(undefined);
    mockDeactivate.mockRejectedValue(new Error('has not activated yet'));
    await comeAndGo();
    expect(mockDeactivate).toHaveBeenCalledTimes(1);
  });
});
