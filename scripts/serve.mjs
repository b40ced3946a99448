// The server of a built Stavewright: precompressed assets from memory or disk, everything else from Astro.
process.env.NODE_ENV ??= 'production';
import http from 'node:http';
import path from 'node:path';
import { monitorEventLoopDelay } from 'node:perf_hooks';
import compression from 'compression';
import sirv from 'sirv';
import { inMemory } from './inMemory.mjs';
import { project } from './machine.mjs';

process.env.STAVEWRIGHT_JOBS ??= path.join(project, 'dist/server/jobs/thread.mjs');
const { handler } = await import(path.join(project, 'dist/server/entry.mjs'));
/** @param {string} file */
const headersOf = (file) => ({
  'x-content-type-options': 'nosniff',
  ...(process.env.APP_ORIGIN?.startsWith('https:') ? { 'strict-transport-security': 'max-age=31536000' } : {}),
  'cache-control': file.startsWith('/_astro/') ? 'public, max-age=31536000, immutable' : 'no-cache',
});
const assets = sirv(path.join(project, 'dist/client'), {
  dotfiles: false,
  etag: true,
  brotli: true,
  gzip: true,
  setHeaders: (res, file) => {
    for (const [name, value] of Object.entries(headersOf(file))) res.setHeader(name, value);
  },
});
const fromMemory = inMemory(path.join(project, 'dist/client/_astro'), headersOf);
const squeeze = compression();

const server = http.createServer((req, res) => {
  // What a caller says about itself is not believed: the address is the socket's, unless a proxy of ours is named.
  if (process.env.BEHIND_PROXY !== '1') {
    for (const name of ['x-forwarded-for', 'x-forwarded-proto', 'x-forwarded-host', 'x-forwarded-port', 'forwarded'])
      delete req.headers[name];
    req.headers['x-client-ip'] = req.socket.remoteAddress;
  } else
    req.headers['x-client-ip'] =
      String(req.headers['x-forwarded-for'] ?? '')
        .split(',')
        .at(-1)
        ?.trim() || req.socket.remoteAddress;
  const app = () =>
    handler(req, res, (error) => {
      // What went wrong may name people; the app has written down what is needed to find it.
      if (error) console.error(`unanswered: ${error.name ?? 'error'}`);
      res.statusCode = error ? 500 : 404;
      res.end(error ? 'Something is wrong on our side.' : 'There is no such page.');
    });
  // Answers to commands are a few bytes and come by the thousand: nothing to look up on disk, nothing to squeeze.
  if (req.method === 'POST') {
    // Head and body leave in one packet.
    res.cork();
    app();
  } else if (!fromMemory(req, res)) assets(req, res, () => squeeze(req, res, app));
});

server.on('error', (error) => {
  const port = process.env.PORT;
  if (error.code === 'EADDRINUSE')
    console.error(`Port ${port} is taken by another program. Choose one: PORT=4400 npm start`);
  else if (error.code === 'EACCES')
    console.error(`This user may not open port ${port}. Choose one above 1023: PORT=4400 npm start`);
  else console.error(error.message);
  process.exit(1);
});
server.listen(Number(process.env.PORT ?? 4310), process.env.HOST ?? '127.0.0.1', () => {
  process.send?.('listening');
  if (!process.send) console.log(`listening on ${process.env.HOST ?? '127.0.0.1'}:${server.address().port}`);
});

const close = () => {
  server.close(() => process.exit(0));
  server.closeIdleConnections();
  setTimeout(() => process.exit(0), 2000).unref();
};
for (const signal of ['SIGTERM', 'SIGINT']) process.on(signal, close);
// Whoever started us may ask how long the thread that takes the marks was held up since it last asked, in ms.
if (process.send) {
  const held = monitorEventLoopDelay({ resolution: 5 });
  held.enable();
  process.on('message', (said) => {
    if (said !== 'how long held') return;
    process.send({ p99: held.percentile(99) / 1e6, most: held.max / 1e6 });
    held.reset();
  });
}
// Whoever started us is gone: nobody would end us any more.
if (process.send) process.once('disconnect', close);
