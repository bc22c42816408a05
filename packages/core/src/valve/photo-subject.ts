/** What a picture of a valve is of. */
export const photoSubjects = {
  plate: 'Its plate',
  place: 'Where it stands',
  parts: 'Its parts',
  found: 'As it was found',
  gauge: 'What the gauge showed',
  left: 'As it was left',
} as const;
export type PhotoSubject = keyof typeof photoSubjects;
export const photoSubjectNames = Object.keys(photoSubjects) as [PhotoSubject, ...PhotoSubject[]];
