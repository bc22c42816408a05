import { Agent, request } from 'node:http';
import { text } from 'node:stream/consumers';
import { setTimeout as sleep } from 'node:timers/promises';
import { parentPort, workerData } from 'node:worker_threads';

/**
 * Phones of a bench, in a thread of their own: what they cost is not the server's. Each sends its posts one
 * after the other, at most one every `every_ms`, and waits for each answer.
 *
 * @type {{ url: string, cookie: string, phones: { after_ms: number, every_ms: number, posts: { path: string, body: string }[] }[] }}
 */
const { url, cookie, phones } = workerData;
const waits = [];

// The plain client of the machine: the page's own way of asking costs more than the answer.
const agent = new Agent({ keepAlive: true });

const answerTo = ({ path, body }) =>
  new Promise((done, failed) => {
    const headers = {
      'content-type': 'application/json',
      'content-length': Buffer.byteLength(body),
      cookie,
    };
    const asked = request(url + path, { method: 'POST', agent, headers }, (answer) => {
      text(answer).then((said) => {
        if (answer.statusCode === 200) done();
        else failed(new Error(said));
      }, failed);
    });
    asked.on('error', failed);
    asked.end(body);
  });

/** @returns ms until the answer was there */
async function post(each) {
  const start = performance.now();
  await answerTo(each);
  const wait = performance.now() - start;
  waits.push(wait);
  return wait;
}

const began = performance.now();
await Promise.all(
  phones.map(async ({ after_ms: after, every_ms: every, posts }) => {
    await sleep(after);
    for (const each of posts) await sleep(Math.max(0, every - (await post(each))));
  }),
);
parentPort.postMessage({ waits_ms: waits, seconds: (performance.now() - began) / 1000 });
agent.destroy();
