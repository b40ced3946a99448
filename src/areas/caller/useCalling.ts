import { useCallback, useEffect, useRef, useState } from 'react';
import { callTimeline, type Call, type Pace, type Sequence } from '../../core';
import { hush, say, Tone } from './sound';
import type { Said } from './Tapped';

export interface Calling {
  state: 'ready' | 'running' | 'held' | 'over';
  calls: Call[];
  at: number;
  wrong: string;
}
const IDLE: Calling = { state: 'ready', calls: [], at: -1, wrong: '' };

export interface Spoken {
  voice: boolean;
  tone: boolean;
  /** What is said for a call; the call's own words where it gives nothing. */
  wordsFor: (call: Call) => { say: string; lang: string };
}

/** Plays a timeline: the device's clock says which call it is, so that a late timer catches up and never drifts. */
export function useCalling(seq: Sequence, spoken: Spoken) {
  const [calling, setCalling] = useState<Calling>(IDLE);
  const run = useRef({ calls: [] as Call[], at: -1, begun: 0, timer: 0, pausedAt: 0, running: false });
  /** When each count was said, by the device's clock in milliseconds. */
  const said = useRef<Said[]>([]);
  const tone = useRef(new Tone());
  const how = useRef(spoken);
  useEffect(() => {
    how.current = spoken;
  });

  const announce = useCallback((call: Call) => {
    const { voice, tone: tones, wordsFor } = how.current;
    if (tones)
      tone.current.sound(
        call.kind === 'count' ? (call.mirrored ? 740 : 880) : call.kind === 'switch' ? 1320 : 440,
        call.kind === 'count' ? 0.09 : 0.3,
      );
    if (voice) {
      const w = wordsFor(call);
      say(w.say, w.lang);
    }
  }, []);

  const tick = useCallback(
    function again() {
      const r = run.current;
      if (!r.running) return;
      const now = (performance.now() - r.begun) / 1000;
      let next = r.at;
      while (next + 1 < r.calls.length && r.calls[next + 1]!.at <= now + 0.004) next++;
      if (next !== r.at) {
        r.at = next;
        const call = r.calls[next]!;
        const over = call.kind === 'end';
        if (call.kind === 'count') said.current.push({ at: performance.now(), call });
        if (over) r.running = false;
        announce(call);
        setCalling((c) => ({ ...c, at: next, state: over ? 'over' : 'running' }));
        if (over) return;
      }
      const due = r.calls[r.at + 1];
      const wait = due ? Math.max(4, due.at * 1000 - (performance.now() - r.begun)) : 50;
      r.timer = window.setTimeout(again, Math.min(wait, 250));
    },
    [announce],
  );

  const stop = useCallback(() => {
    const r = run.current;
    r.running = false;
    window.clearTimeout(r.timer);
    hush();
    tone.current.silence();
    r.at = -1;
    setCalling(IDLE);
  }, []);

  const start = useCallback(
    (pace: Partial<Pace>) => {
      const made = callTimeline(seq, pace);
      if (!made.ok) {
        setCalling({ ...IDLE, wrong: made.error });
        return;
      }
      tone.current.open();
      said.current = [];
      Object.assign(run.current, { calls: made.value, at: -1, begun: performance.now(), running: true });
      setCalling({ state: 'running', calls: made.value, at: -1, wrong: '' });
      tick();
    },
    [seq, tick],
  );

  const hold = useCallback(() => {
    const r = run.current;
    if (r.running) {
      r.running = false;
      window.clearTimeout(r.timer);
      r.pausedAt = performance.now();
      hush();
      setCalling((c) => ({ ...c, state: 'held' }));
    } else if (r.at >= 0 || r.calls.length > 0) {
      r.begun += performance.now() - r.pausedAt;
      r.running = true;
      setCalling((c) => ({ ...c, state: 'running' }));
      tick();
    }
  }, [tick]);

  /** Another pace from the next call on: the place in the sequence stays. */
  const repace = useCallback(
    (pace: Partial<Pace>) => {
      const r = run.current;
      if (r.calls.length === 0) return;
      const made = callTimeline(seq, pace);
      if (!made.ok) return;
      const at = Math.min(Math.max(0, r.at), made.value.length - 2);
      const now = r.running ? performance.now() : r.pausedAt;
      Object.assign(r, { calls: made.value, at, begun: now - made.value[at]!.at * 1000 });
      window.clearTimeout(r.timer);
      setCalling((c) => ({ ...c, calls: made.value, at }));
      if (r.running) tick();
    },
    [seq, tick],
  );

  useEffect(
    () => () => {
      run.current.running = false;
      window.clearTimeout(run.current.timer);
      hush();
      tone.current.silence();
    },
    [],
  );
  // The screen stays awake while somebody is being called.
  const awake = calling.state === 'running' || calling.state === 'held';
  useEffect(() => {
    if (!awake || !('wakeLock' in navigator)) return;
    let lock: WakeLockSentinel | null = null;
    let left = false;
    const take = () =>
      void navigator.wakeLock.request('screen').then(
        (l) => {
          if (left) void l.release();
          else lock = l;
        },
        () => undefined,
      );
    take();
    const again = () => {
      if (document.visibilityState === 'visible') take();
    };
    document.addEventListener('visibilitychange', again);
    return () => {
      left = true;
      document.removeEventListener('visibilitychange', again);
      void lock?.release();
    };
  }, [awake]);
  /** What was said so far, and when. */
  const saidSoFar = useCallback(() => said.current, []);
  return { calling, start, stop, hold, repace, saidSoFar };
}
