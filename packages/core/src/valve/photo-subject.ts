/** What a picture of a valve, or of a gauge, is of. */
export const photoSubjects = {
  plate: 'Its plate',
  place: 'Where it stands',
  parts: 'Its parts',
  found: 'As it was found',
  gauge: 'What the gauge showed',
  left: 'As it was left',
  certificate: 'Its certificate',
} as const;
export type PhotoSubject = keyof typeof photoSubjects;
export const photoSubjectNames = Object.keys(photoSubjects) as [PhotoSubject, ...PhotoSubject[]];
/** What is photographed of a gauge; the rest is of valves. */
export const gaugeSubjects: readonly PhotoSubject[] = ['certificate', 'plate'];
export const valveSubjects: readonly PhotoSubject[] = photoSubjectNames.filter(
  (subject) => subject !== 'certificate',
);
