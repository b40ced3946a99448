import { useEffect, useRef, useState } from 'react';
import type { Found } from '../../core';
import type { PoseAsked, PoseSaid } from '../../workers/pose';
import type { Picture } from './picture';

/** How far it is with looking for somebody in the picture. */
export type Looking = { at: 'idle' } | { at: 'loading'; share: number } | { at: 'looking' } | { at: 'failed' };

/**
 * Looks for a body in a picture, in a worker on this device; what is found is told once. It is fetched with the first
 * picture and works without a network from then on. Everything can be set by thumb without it.
 */
export function useBody(picture: Picture | null, onFound: (found: readonly Found[]) => void): Looking {
  const [looking, setLooking] = useState<Looking>({ at: 'idle' });
  const worker = useRef<Worker | null>(null);
  const turns = useRef(0);
  const tell = useRef(onFound);
  useEffect(() => {
    tell.current = onFound;
  });
  useEffect(() => {
    if (!picture) return;
    let wanted = true;
    const turn = (turns.current += 1);
    const w = (worker.current ??= new Worker(new URL('../../workers/pose.ts', import.meta.url), { type: 'module' }));
    w.onmessage = ({ data }: MessageEvent<PoseSaid>) => {
      if (!wanted) return;
      if ('loaded' in data)
        return setLooking(data.loaded < 1 ? { at: 'loading', share: data.loaded } : { at: 'looking' });
      // Of the picture before, or of a drawing: nobody in this one.
      if (data.turn !== turn) return;
      setLooking({ at: 'failed' in data ? 'failed' : 'idle' });
      if ('found' in data) tell.current(data.found);
    };
    w.onerror = () => wanted && setLooking({ at: 'failed' });
    void (async () => {
      setLooking({ at: 'looking' });
      const bitmap = await createImageBitmap(picture.blob);
      if (wanted) w.postMessage({ picture: bitmap, turn } satisfies PoseAsked, [bitmap]);
    })().catch(() => wanted && setLooking({ at: 'failed' }));
    return () => {
      wanted = false;
    };
  }, [picture]);
  useEffect(() => () => worker.current?.terminate(), []);
  return looking;
}
