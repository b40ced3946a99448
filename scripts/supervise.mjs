// Keeps one child running: whoever falls is started again, with a pause that grows while it keeps falling.

/** A child that stood so long, in ms, has stood: its next fall counts as the first. */
export const STOOD_AFTER = 10_000;
/** So many tries in a row that never got as far as being ready, and it is given up. */
export const TRIES = 6;
/** The pause after so many quick falls in a row, in ms. */
export const pauseAfter = (falls) => Math.min(30_000, 500 * 2 ** Math.max(0, falls - 1));

/**
 * `begin()` starts a child and returns it with a promise `ready` (rejects or never settles if it falls before). `fell`
 * is told why, the pause and how many tries were left; `gaveUp` is called once when it never gets ready. `wait` and
 * `now` are the clock, for tests. Returns `stop`, after which nothing is started any more.
 */
export function keepUp({
  begin,
  ready,
  fell,
  gaveUp,
  wait = (ms) => new Promise((r) => setTimeout(r, ms)),
  now = Date.now,
}) {
  let stopped = false;
  let falls = 0;
  let neverReady = 0;
  const once = () => {
    const began = now();
    let isReady = false;
    const child = begin();
    child.once('message', () => {
      isReady = true;
      neverReady = 0;
      ready?.(child);
    });
    child.once('exit', (code, signal) => {
      if (stopped) return;
      if (!isReady) neverReady += 1;
      if (neverReady >= TRIES) {
        stopped = true;
        gaveUp(code ?? 1);
        return;
      }
      falls = now() - began >= STOOD_AFTER ? 1 : falls + 1;
      const pause = pauseAfter(falls);
      fell({ code, signal, pause, isReady });
      void wait(pause).then(() => {
        if (!stopped) once();
      });
    });
  };
  once();
  return {
    stop: () => {
      stopped = true;
    },
  };
}
