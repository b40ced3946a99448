import {
  bodyBox,
  boxAbout,
  firstFrames,
  framesAbout,
  isFoundEvent,
  pegOf,
  wholeBox,
  type Box,
  type ClipEvent,
  type Found,
  type FrameSeen,
  type FrameTimes,
  type Gap,
} from '../../core';
import type { PoseAsked, PoseSaid } from '../../workers/pose';
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
  const worker = new Worker(new URL('../../workers/pose.ts', import.meta.url), { type: 'module' });
  const ended = () => worker.terminate();
  stop.addEventListener('abort', ended);
  try {
    const ask = asking(worker, (share) => share < 1 && tell({ share }));
    const found = events.filter(isFoundEvent);
    const n = times.length;
    const look = async (frame: number, about: Box | null) => {
      const picture = await read(frame, () => !stop.aborted);
      if (stop.aborted || !picture) return null;
      // What is handed over is gone here: a copy goes.
      const copy = await createImageBitmap(picture);
      const points = await Promise.race([
        ask(about ? { picture: copy, about } : { picture: copy }),
        new Promise<null>((no) => stop.addEventListener('abort', () => no(null), { once: true })),
      ]);
      return points && { points, box: bodyBox(points, picture.width, picture.height), picture };
    };
    // Where somebody is in the film at all.
    const few = firstFrames(n, 5);
    let next = firstFrames(n);
    const boxes: Box[] = [];
    let about: Box | null = null;
    for (const [i, frame] of few.entries()) {
      tell({ looked: i, of: few.length + next.length });
      const seen = await look(frame, null);
      if (!seen) return null;
      boxes.push(seen.box ?? wholeBox(seen.picture.width, seen.picture.height));
      about = boxAbout(boxes);
    }
    const seen: FrameSeen[] = [];
    while (next.length > 0) {
      const before = few.length + seen.length;
      for (const [i, frame] of next.entries()) {
        tell({ looked: before + i, of: before + next.length });
        const said = await look(frame, about);
        if (!said) return null;
        seen.push({ frame, points: said.points });
      }
      seen.sort((x, y) => x.frame - y.frame);
      next = framesAbout(found, n, seen);
    }
    return events.map((e) => (isFoundEvent(e) ? pegOf(e, times, seen) : null));
  } catch {
    return null;
  } finally {
    stop.removeEventListener('abort', ended);
    worker.terminate();
  }
}
