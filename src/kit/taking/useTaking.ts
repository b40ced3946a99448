import { useEffect, useRef, useState } from 'react';
import { decodeAs, type Letters } from './decode';
import { readFile, type FileRead } from './file';
import type { Reading, TakingLine, Took } from './line';

/** What a list is read and taken with. */
export interface TakingBy<T> {
  /** Of the source as it is: what each line will do. */
  reading: Reading<T>;
  /** Takes these, says how far it is, and stops where it is told to. */
  take: (list: T[], progress: (done: number) => void, stopped: () => boolean) => Promise<Took<T>>;
  /** What stays in the source after these were taken. */
  stays: (taken: ReadonlySet<TakingLine<T>>) => string;
}

/**
 * The source of a list, typed, pasted or from a file, and how far its taking is. With `keptAs` it is remembered on the
 * device until it is taken.
 */
export function useSource({ most, keptAs }: { most: number; keptAs?: string }) {
  const [source, setSource] = useState('');
  const [opened, setOpened] = useState<Extract<FileRead, { ok: true }> | null>(null);
  const [wrong, setWrong] = useState('');
  // eslint-disable-next-line react-hooks/set-state-in-effect -- what the device kept, once it can be read
  useEffect(() => setSource(keptAs ? (localStorage.getItem(keptAs) ?? '') : ''), [keptAs]);
  const write = (text: string) => {
    setSource(text);
    if (!keptAs) return;
    try {
      if (text === '') localStorage.removeItem(keptAs);
      else localStorage.setItem(keptAs, text);
    } catch {
      // Without room it is only not remembered over a reload.
    }
  };
  return {
    source,
    opened,
    wrong,
    setWrong,
    write: (text: string) => {
      write(text);
      setOpened(null);
    },
    open: async (file: File) => {
      const read = await readFile(file, most);
      setWrong(read.ok ? '' : read.wrong);
      if (!read.ok) return;
      write(read.text);
      setOpened(read);
    },
    readAs: (letters: Letters) => {
      if (!opened) return;
      write(decodeAs(opened.bytes, letters));
      setOpened({ ...opened, letters });
    },
  };
}
export type Source = ReturnType<typeof useSource>;

/** The taking of what a source says: what was taken goes out of it, what stays out is kept to be mended. */
export function useTaking<T>(source: Source, { reading, take, stays }: TakingBy<T>) {
  const [taken, setTaken] = useState(0);
  const [working, setWorking] = useState<{ done: number; of: number } | null>(null);
  const stopped = useRef(false);
  const good = reading.lines.filter((l) => l.takes !== null);
  return {
    good,
    bad: reading.lines.filter((l) => l.takes === null && !l.isHere),
    taken,
    working,
    forget: () => setTaken(0),
    stop: () => {
      stopped.current = true;
    },
    take: async () => {
      stopped.current = false;
      source.setWrong('');
      setWorking({ done: 0, of: good.length });
      const took = await take(
        good.flatMap((l) => (l.takes === null ? [] : [l.takes])),
        (done) => setWorking({ done, of: good.length }),
        () => stopped.current,
      );
      setWorking(null);
      setTaken(took.taken.length);
      source.setWrong(took.wrong);
      const went = new Set(took.taken);
      if (went.size > 0) source.write(stays(new Set(good.filter((l) => l.takes !== null && went.has(l.takes)))));
    },
  };
}
