type SignQuestion = {
  /** Key of the evidence. */
  readonly key: string;
  readonly ask: string;
  readonly words: Readonly<Record<string, string>>;
};

/** What anybody can say of a valve that misbehaves, before any check. */
export const signQuestions: readonly SignQuestion[] = [
  {
    key: 'answer',
    ask: 'What does it do when it is turned?',
    words: {
      no_change: 'nothing',
      wrong_way: 'goes the other way',
      too_little: 'moves too little',
      too_much: 'moves too much',
    },
  },
  {
    key: 'trend',
    ask: 'How does the gauge stand?',
    words: {
      still: 'still',
      creeping_up: 'creeps up',
      falling: 'falls',
      swinging: 'swings',
    },
  },
];
