import { coachBench } from './coach';
import { crashBench } from './crash';
import { crewBench } from './crew';
import { crackingBench, millionRows } from './cracking';
import { eventsBench } from './events';
import { familiesBench } from './families';
import { edgesBench, tuningBench, zeroSpanBench } from './instruments';
import { fleetBench } from './fleet';
import { fuzzBench } from './fuzz';
import { ladderBench } from './ladder';
import { lockupBench } from './lockup';
import { print } from './print';
import { rampsBench } from './ramps';
import { regimeBench } from './regimes';
import { lostDayBench } from './lost-day';
import { seasonBench } from './season';
import { twinBench } from './twin';
import { webBench } from './web';

/**
 * `npm run bench [coach|regimes|fleet|twin|events|web|ladder|cracking|lockup|families|zerospan|edges|tuning|season|fuzz|crash|crew]
 * [-- --quick]`: figures as ratios within one run.
 */
const wanted = process.argv.slice(2).filter((word) => !word.startsWith('--'));
const isQuick = process.argv.includes('--quick');
const does = (name: string) => wanted.length === 0 || wanted.includes(name);

if (does('coach')) print('1. Coach, on screws in miniature', coachBench(isQuick ? 2000 : 20_000));
if (does('regimes'))
  print('1b. Coach, in worlds that are worse than its model', regimeBench(isQuick ? 30 : 1500));
if (does('fleet'))
  print('1c. A valve never met, one of 200 in 12 kinds', fleetBench(isQuick ? 40 : 2000));
if (does('twin')) print('2. Twin', twinBench());
if (does('events')) print('3. Events', await eventsBench());
if (does('web')) print('4. Web', await webBench());
if (does('ladder')) print('5. Ladder', await ladderBench());
if (does('cracking')) {
  print('6. Cracking from ramps', crackingBench(isQuick ? 60 : 1000));
  print('6a. Cracking from made ramps', rampsBench(isQuick ? 30 : 400));
  print('6b. A log of a million rows', await millionRows());
}
if (does('lockup')) print('7. Lockup or creep', lockupBench(isQuick ? 40 : 400));
if (does('families'))
  print('8. Coach on the twins of every family', familiesBench(isQuick ? 20 : 150));
if (does('zerospan'))
  print('9. Zero and span, rounds to hold both ends', zeroSpanBench(isQuick ? 500 : 5000));
if (does('edges')) print('10. Edges of a flame', edgesBench(isQuick ? 200 : 2000));
if (does('tuning')) print('11. Step fits and their settings', tuningBench(isQuick ? 200 : 1000));
if (does('season')) {
  print('11a. Seasons whose best plan is known', seasonBench(isQuick));
  print('11b. A day is lost, and the season planned again', lostDayBench(isQuick));
}
if (does('fuzz'))
  print('13. Requests that nobody would send', await fuzzBench(isQuick ? 500 : 10_000));
// Minutes of kills: only when it is asked for.
if (wanted.includes('crash'))
  print(
    '12. Killed and started again',
    await crashBench(
      isQuick
        ? { starting: 6, working: 12, importing: 8 }
        : { starting: 60, working: 140, importing: 40 },
    ),
  );
if (wanted.includes('crew'))
  print(
    '14. Two weeks of a crew',
    await crewBench({ devices: isQuick ? 6 : 20, days: isQuick ? 3 : 14 }),
  );
