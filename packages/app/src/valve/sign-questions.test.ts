import { familyNames, procedureOf, signsOf } from '@holvek/core';
import { signQuestions } from './sign-questions';

test('every sign that a family speaks of has words', () => {
  const wordless = familyNames.flatMap((family) =>
    signQuestions.flatMap(({ key, words }) =>
      signsOf(procedureOf(family).causes, key).filter((value) => !(value in words)),
    ),
  );
  expect(wordless).toEqual([]);
});
