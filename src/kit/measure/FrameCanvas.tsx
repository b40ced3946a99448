import { useEffect, useRef } from 'react';
import type { FrameReader } from './openClip';

/** One frame of the clip, drawn as soon as the film stands there. */
export function FrameCanvas({
  read,
  frame,
  label,
}: {
  read: FrameReader;
  frame: number;
  /** Empty: it stands beside words that say what it is. */
  label: string;
}) {
  const canvas = useRef<HTMLCanvasElement>(null);
  useEffect(() => {
    let wanted = true;
    void read(frame, () => wanted).then((picture) => {
      const c = canvas.current;
      if (!wanted || !picture || !c) return;
      c.width = picture.width;
      c.height = picture.height;
      c.getContext('2d')!.drawImage(picture, 0, 0);
      c.dataset['frame'] = String(frame);
    });
    return () => {
      wanted = false;
    };
  }, [read, frame]);
  return <canvas ref={canvas} {...(label === '' ? { 'aria-hidden': true } : { role: 'img', 'aria-label': label })} />;
}
