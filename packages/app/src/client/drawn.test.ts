import { drawnPath, drawnSchema } from '@holvek/core';
import { drawnIn } from './drawn';

const box = { width: 300, height: 100 };

test('is kept in a box of its own, whatever the screen, and never leaves it', () => {
  const drawn = drawnIn(
    [
      [
        { x: 0, y: 0 },
        { x: 150, y: 50 },
        { x: 320, y: -20 },
      ],
    ],
    box,
  );
  expect(drawn).toEqual([
    [
      [0, 0],
      [300, 100],
      [600, 0],
    ],
  ]);
  expect(drawnSchema.safeParse(drawn).success).toBe(true);
});

test('points that lie on one another tell nothing; a dot stays one', () => {
  const still = { x: 10, y: 10 };
  expect(drawnIn([[still, still, { x: 10.4, y: 10 }, { x: 11, y: 10 }], [], [still]], box)).toEqual(
    [
      [
        [20, 20],
        [22, 20],
      ],
      [[20, 20]],
    ],
  );
});

test('is drawn again stroke by stroke', () => {
  expect(
    drawnPath([
      [
        [1, 2],
        [3, 4],
        [5, 6],
      ],
      [[7, 8]],
    ]),
  ).toBe('M1 2L3 4L5 6M7 8l0.1 0');
});
