import {
  completed,
  draftOf,
  factGroups,
  readDraft,
  writingFor,
  type ReadDraft,
  type Valve,
  type ValveDraft,
  type ValveShape,
} from '@holvek/core';
import { useState } from 'react';
import { useForm, useWatch, type Resolver } from 'react-hook-form';
import { nameOf, pathOf, type Texts } from './fact-field';
import { draftTrouble } from '@/words/draft-trouble';
import { useValves } from '@/data/queries';
import { unitsIn, useUnits } from '@/units/use-units';
import { useWriting } from '@/units/use-writing';

const named = (texts: ValveDraft['texts']): Texts =>
  Object.fromEntries(Object.entries(texts).map(([path, text]) => [nameOf(path), text]));
const unnamed = (texts: Readonly<Record<string, string | undefined>>): ValveDraft['texts'] =>
  Object.fromEntries(Object.entries(texts).map(([name, text]) => [pathOf(name), text ?? '']));

type Options = {
  readonly id: string;
  readonly start: ValveDraft;
  /** The valve that is being changed. */
  readonly before?: Valve | undefined;
};

/** A valve being written down: its form, what it has, and what its texts come to at every moment. */
export function useValveForm({ id, start, before }: Options) {
  const writing = useWriting();
  const { flow } = useUnits();
  const units = unitsIn(writingFor(start.shape.family, writing).unit, flow);
  const others = useValves().data ?? [];
  const [shape, setShape] = useState(start.shape);
  const read = (texts: ValveDraft['texts']): ReadDraft =>
    readDraft({ shape, texts }, { id, writing, others, before });
  const resolver: Resolver<Texts> = (texts) => {
    const { issues } = read(unnamed(texts));
    if (issues.length === 0) return { values: texts, errors: {} };
    const errors = Object.fromEntries(
      issues.map(({ path, error }) => [
        nameOf(path),
        { type: error.code, message: draftTrouble(error, units) },
      ]),
    );
    return { values: {}, errors };
  };
  const form = useForm<Texts>({
    defaultValues: named(start.texts),
    resolver,
    mode: 'onChange',
  });
  const texts = unnamed(useWatch({ control: form.control }));
  /** More or fewer adjusters or springs: what was written of the others stays. */
  const reshape = (next: ValveShape) => {
    const { texts: all } = completed({ shape: next, texts });
    for (const [path, text] of Object.entries(all))
      if (texts[path] === undefined) form.setValue(nameOf(path), text);
    setShape(next);
  };
  return {
    ...form,
    shape,
    reshape,
    draft: { shape, texts },
    groups: factGroups(shape),
    now: read(texts),
    pressure: units.pressure,
  };
}
export type ValveForm = ReturnType<typeof useValveForm>;

/** The draft from which a valve of the register is changed. */
export const useDraftOf = (valve: Valve): ValveDraft => draftOf(valve, useWriting());
