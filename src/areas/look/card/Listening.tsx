import Button from '@mui/material/Button';
import { useEffect, useRef, useState } from 'react';
import { tempoInWords, tempoOf } from '../../../core';
import levelUrl from '../../../workers/level?worker&url';

/** Opens the microphone, tells the time of each hit in milliseconds, and gives back how to close it. */
async function listen(onHit: (at: number) => void): Promise<() => void> {
  const stream = await navigator.mediaDevices.getUserMedia({
    audio: { echoCancellation: false, noiseSuppression: false, autoGainControl: false },
  });
  const context = new AudioContext();
  const close = () => {
    for (const track of stream.getTracks()) track.stop();
    void context.close();
  };
  try {
    await context.audioWorklet.addModule(levelUrl);
    const level = new AudioWorkletNode(context, 'level');
    level.port.onmessage = ({ data }: MessageEvent<number>) => onHit(data);
    context.createMediaStreamSource(stream).connect(level);
    await context.resume();
    return close;
  } catch (error) {
    close();
    throw error;
  }
}

/** Hits counted by ear: only when it is asked for, on this device, and no sound is kept. */
export function Listening({ onHit }: { onHit: () => void }) {
  const [state, setState] = useState<'off' | 'asked' | 'on' | 'refused'>('off');
  const [times, setTimes] = useState<readonly number[]>([]);
  const close = useRef<(() => void) | null>(null);
  const wanted = useRef(false);
  const tell = useRef(onHit);
  useEffect(() => {
    tell.current = onHit;
  });
  const stop = () => {
    wanted.current = false;
    close.current?.();
    close.current = null;
  };
  useEffect(() => stop, []);
  const begin = async () => {
    setState('asked');
    setTimes([]);
    wanted.current = true;
    try {
      const end = await listen((at) => {
        setTimes((all) => [...all, at]);
        tell.current();
      });
      // Left meanwhile: the microphone does not stay open.
      if (!wanted.current) return end();
      close.current = end;
      setState('on');
    } catch {
      stop();
      setState('refused');
    }
  };
  return (
    <div className="listening">
      {state === 'on' ? (
        <Button
          aria-pressed
          onClick={() => {
            stop();
            setState('off');
          }}
        >
          Stop listening
        </Button>
      ) : (
        <Button disabled={state === 'asked'} onClick={() => void begin()}>
          Count by ear
        </Button>
      )}
      <p aria-live="polite">
        {state === 'refused'
          ? 'There is no microphone, or it may not be used: tap each try.'
          : state === 'on' || times.length > 0
            ? `${times.length === 1 ? 'One hit' : `${times.length} hits`} heard${state === 'on' ? '; tap what missed' : ''}. ${tempoInWords(tempoOf(times))}`.trim()
            : 'By the microphone, on this device; no sound is kept.'}
      </p>
    </div>
  );
}
