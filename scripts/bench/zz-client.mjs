import { parentPort, workerData } from 'node:worker_threads';
import http from 'node:http';
const { port, cookie, runs, clients } = workerData;
const agent = new http.Agent({ keepAlive: true, maxSockets: clients });
const post = (path, body) => new Promise((done, failed) => {
  const r = http.request({ host:'127.0.0.1', port, path, method:'POST', agent, headers:{'content-type':'application/json', cookie, 'content-length': Buffer.byteLength(body)} }, (a)=>{ const parts=[]; a.on('data',d=>parts.push(d)); a.on('end',()=> a.statusCode===200?done():failed(new Error(Buffer.concat(parts).toString())));});
  r.on('error', failed); r.end(body);
});
const waiting=[...runs];
const t=performance.now(); let n=0;
await Promise.all(Array.from({length:clients}, async()=>{ for(let run=waiting.shift();run;run=waiting.shift()) for(const [path,body] of run){ await post(path,body); n++; } }));
parentPort.postMessage({n, s:(performance.now()-t)/1000});
