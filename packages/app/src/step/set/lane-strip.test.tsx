import { gaugePa, inTurns, type NextMove, type SettingView } from '@holvek/core';
import { render } from '@testing-library/react';
import { TamaguiProvider } from '@/ui/kit';
import { config } from '@/theme/tamagui.config';
import { LaneStrip } from './lane-strip';
import { ScrewDial } from '../parts/screw-dial';

const aim: SettingView['aim'] = {
  target: gaugePa(520_000),
  lower: gaugePa(505_000),
  upper: gaugePa(535_000),
  limit: gaugePa(660_000),
  approach: 'from_below',
  guard: 3000,
  chancePastLane: 0.1,
  chancePastLimit: 0.01,
  largestTurn: inTurns(3),
};
const dot = (pressure: number, turns: number, inControl = true) => ({
  pressure,
  turns,
  inControl,
  atMs: pressure,
});
const move: NextMove = {
  kind: 'turn',
  turns: inTurns(0.375),
  predicted: { mean: gaugePa(517_000), low: gaugePa(505_000), high: gaugePa(528_000) },
  chancePastLane: 0.05,
};
const show = (element: React.ReactElement) =>
  render(
    <TamaguiProvider config={config} defaultTheme="light">
      {element}
    </TamaguiProvider>,
  ).container;

describe('the lane strip', () => {
  test('walks from dot to dot and draws the next move ahead', () => {
    const strip = show(
      <LaneStrip
        aim={aim}
        dots={[dot(0, 0), dot(250_000, 1), dot(416_000, 0.625)]}
        move={move}
        live={416_000}
        resolution={2000}
      />,
    );
    expect(strip.textContent).toContain('lane 520\u00A0±\u00A015');
    expect(strip.textContent).toContain('416');
    expect(strip.textContent).toContain('3/8');
    expect(strip.textContent).toContain('506 to 528');
    expect(strip.querySelectorAll('circle')).toHaveLength(4);
  });

  test('says in words what it draws', () => {
    const strip = show(
      <LaneStrip
        aim={aim}
        dots={[dot(250_000, 0)]}
        move={undefined}
        live={undefined}
        resolution={2000}
      />,
    );
    expect(strip.querySelector('[role="img"]')?.getAttribute('aria-label')).toBe(
      'Readings 250; target 520\u00a0kPa',
    );
  });

  test('a long setting keeps its last five readings in sight', () => {
    const dots = Array.from({ length: 9 }, (_, i) => dot(100_000 + i * 45_000, 0.25));
    expect(
      show(
        <LaneStrip aim={aim} dots={dots} move={undefined} live={undefined} resolution={2000} />,
      ).querySelectorAll('circle'),
    ).toHaveLength(5);
  });

  test('a limit far above the moves is named at the edge, and the moves fill the strip', () => {
    const strip = show(
      <LaneStrip
        aim={{ ...aim, limit: gaugePa(2_000_000) }}
        dots={[dot(480_000, 0), dot(500_000, 0.25)]}
        move={undefined}
        live={undefined}
        resolution={2000}
      />,
    );
    expect(strip.textContent).toContain('000 ›');
    const [first, last] = [...strip.querySelectorAll('circle')].map((each) =>
      Number(each.getAttribute('cx')),
    );
    expect(last! - first!).toBeGreaterThan(30);
  });

  test('what stands over the lane keeps clear of the limit’s figure', () => {
    const texts = (limit: number) =>
      [
        ...show(
          <LaneStrip
            aim={{ ...aim, limit: gaugePa(limit) }}
            dots={[]}
            move={undefined}
            live={undefined}
            resolution={2000}
          />,
        ).querySelectorAll('text'),
      ].map((each) => ({
        x: Number(each.getAttribute('x')),
        text: each.textContent,
      }));
    for (const limit of [540_000, 560_000, 600_000, 900_000]) {
      const all = texts(limit);
      const lane = all.find(({ text }) => text.startsWith('lane'))!;
      const end = all.find(({ text }) => /^\d+( ›)?$/u.test(text))!;
      expect(lane.x + lane.text.length * 3.4).toBeLessThan(end.x - end.text.length * 7);
      expect(lane.x - lane.text.length * 3.4).toBeGreaterThan(0);
    }
  });

  test('without any reading it still shows the lane', () => {
    expect(
      show(<LaneStrip aim={aim} dots={[]} move={undefined} live={undefined} resolution={2000} />)
        .textContent,
    ).toContain('660');
  });
});

describe('the screw dial', () => {
  test('shows one slot when there is nothing to turn, two and an arrow when there is', () => {
    expect(show(<ScrewDial position={0.25} turns={0} />).querySelectorAll('path')).toHaveLength(0);
    expect(
      show(<ScrewDial position={0.25} turns={0.375} />).querySelectorAll('path').length,
    ).toBeGreaterThanOrEqual(3);
  });

  test('whole turns fill the ring', () => {
    const path = show(<ScrewDial position={0} turns={1} />).querySelector('path')!;
    expect(path.getAttribute('d')).toMatch(/A.* 0 1 1 /);
  });
});
