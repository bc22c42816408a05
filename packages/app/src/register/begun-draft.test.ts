import { newDraft } from '@holvek/core';
import { begunDraft, keepBegun } from './begun-draft';

describe('a valve that was begun', () => {
  afterEach(() => localStorage.clear());

  test('is there again as it was written, until it is kept', () => {
    expect(begunDraft()).toBeUndefined();
    const draft = newDraft('hydraulic');
    const written = { ...draft, texts: { ...draft.texts, tag: 'HPU-7' } };
    keepBegun(written);
    expect(begunDraft()).toEqual(written);
    keepBegun(undefined);
    expect(begunDraft()).toBeUndefined();
  });

  test('one that cannot be read is none', () => {
    localStorage.setItem('holvek.begun-valve', '{"shape":{"family":"kettle"}}');
    expect(begunDraft()).toBeUndefined();
    localStorage.setItem('holvek.begun-valve', '{');
    expect(begunDraft()).toBeUndefined();
  });

  test('a phone that keeps nothing loses only this', () => {
    const set = jest.spyOn(Storage.prototype, 'setItem').mockImplementation(() => {
      throw new Error('full');
    });
    expect(() => keepBegun(newDraft('gas'))).not.toThrow();
    set.mockRestore();
  });
});
