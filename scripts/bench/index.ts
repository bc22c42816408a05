import { coachBench } from './coach';
import { eventsBench } from './events';
import { print } from './print';
import { twinBench } from './twin';
import { webBench } from './web';

/** `npm run bench [coach|twin|events|web] [-- --quick]`: figures as ratios within one run. */
const wanted = process.argv.slice(2).filter((word) => !word.startsWith('--'));
const isQuick = process.argv.includes('--quick');
const does = (name: string) => wanted.length === 0 || wanted.includes(name);

if (does('coach')) print('1. Coach, on screws in miniature', coachBench(isQuick ? 2000 : 20_000));
if (does('twin')) print('2. Twin', twinBench());
if (does('events')) print('3. Events', await eventsBench());
if (does('web')) print('4. Web', await webBench());
