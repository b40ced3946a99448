import {
  bodyBox,
  firstFrames,
  framesAbout,
  isFoundEvent,
  pegOf,
  type Box,
  type ClipEvent,
  type Found,
  type FrameSeen,
  type FrameTimes,
  type Gap,
} from '../../../core';
import type { PoseAsked, PoseSaid } from '../../../workers/pose';
import type { FrameReader } from './openClip';

/** How far it is with looking: a share of the model that is fetched, or frames looked at of those that are to be. */
export type PegsLooked = { share: number } | { looked: number; of: number };

/** Asks the worker for one picture after the other. */
function asking(worker: Worker, onLoaded: (share: number) => void) {
  let done: ((said: readonly Found[] | null) => void) | null = null;
  worker.onmessage = ({ data }: MessageEvent<PoseSaid>) => {
    if ('loaded' in data) return onLoaded(data.loaded);
    done?.('found' in data ? data.found : null);
  };
  worker.onerror = () => done?.(null);
  return (asked: PoseAsked) =>
    new Promise<readonly Found[] | null>((resolve) => {
      done = resolve;
      worker.postMessage(asked, [asked.picture]);
    });
}

/**
 * Where the pegs of these events may stand, by a model that runs over the frames on this device: one by one, null where it
 * cannot tell. Null altogether: it could not be run, or was stopped.
 */
export async function findPegs(
  read: FrameReader,
  times: FrameTimes,
  events: readonly ClipEvent[],
  tell: (far: PegsLooked) => void,
  stop: AbortSignal,
): Promise<(Gap | null)[] | null> {
  const worker = new Worker(new URL('../../../workers/pose.ts', import.meta.url), { type: 'module' });
  const ended = () => worker.terminate();
  stop.addEventListener('abort', ended);
  try {
    const ask = asking(worker, (share) => share < 1 && tell({ share }));
    const found = events.filter(isFoundEvent);
    const seen: FrameSeen[] = [];
    let about: Box | null = null;
    for (let next = firstFrames(times.length); next.length > 0;) {
      const all = seen.length + next.length;
      for (const frame of next) {
        tell({ looked: seen.length, of: all });
        const picture = await read(frame, () => !stop.aborted);
        if (stop.aborted || !picture) return null;
        // What is handed over is gone here: a copy goes.
        const copy = await createImageBitmap(picture);
        const points = await Promise.race([
          ask(about ? { picture: copy, about } : { picture: copy }),
          new Promise<null>((no) => stop.addEventListener('abort', () => no(null), { once: true })),
        ]);
        if (points === null) return null;
        about = bodyBox(points, picture.width, picture.height);
        seen.push({ frame, points });
      }
      seen.sort((a, b) => a.frame - b.frame);
      next = framesAbout(found, times.length, seen);
    }
    return events.map((e) => (isFoundEvent(e) ? pegOf(e, times, seen) : null));
  } catch {
    return null;
  } finally {
    stop.removeEventListener('abort', ended);
    worker.terminate();
  }
}
