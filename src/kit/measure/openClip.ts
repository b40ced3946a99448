import type { ClipEvent, FrameTimes } from '../../core';

/** A clip as it is measured: on this device and in this page’s memory alone; `close` takes it away. */
export interface Clip {
  width: number;
  height: number;
  /** When each frame is shown, in milliseconds of the file’s own clock. */
  times: FrameTimes;
  /** The picture of a frame, one asked for after the other: a film stands at one place at a time. */
  picture: (frame: number, size: { width: number; height: number }) => Promise<ImageBitmap>;
  /** The film goes: nothing of it is kept. */
  close: () => void;
  /** Of a drawing it is known what is true: milliseconds between two events, the share of the hand's way at one. */
  drawn?: {
    between: (from: ClipEvent, to: ClipEvent) => number | null;
    share: (event: ClipEvent) => number | null;
  };
}

const LARGEST = 500_000_000;
const LONGEST_MS = 60_000;
const MOST_FRAMES = 6000;

export type WhyNot = 'no clip' | 'too long';

const came = (video: HTMLVideoElement, event: 'loadeddata' | 'seeked') =>
  new Promise<void>((done, failed) => {
    const ended = new AbortController();
    const over = setTimeout(() => {
      ended.abort();
      failed(new Error(`no ${event}`));
    }, 15_000);
    const on = (name: string, then: () => void) =>
      video.addEventListener(
        name,
        () => {
          clearTimeout(over);
          ended.abort();
          then();
        },
        { signal: ended.signal },
      );
    on(event, done);
    on('error', () => failed(new Error('not playable')));
  });

/** The file’s own timestamps, sorted: coded frames may stand in another order than they are shown. */
async function timesOf(file: Blob): Promise<number[]> {
  // Fetched with the first clip: no other page reads files of films.
  const { BlobSource, EncodedPacketSink, Input, MATROSKA, MP4, QTFF, WEBM } = await import('mediabunny');
  const input = new Input({ source: new BlobSource(file), formats: [MP4, QTFF, WEBM, MATROSKA] });
  const track = await input.getPrimaryVideoTrack();
  if (!track) return [];
  const times: number[] = [];
  for await (const packet of new EncodedPacketSink(track).packets(undefined, undefined, { metadataOnly: true })) {
    times.push(packet.timestamp * 1000);
    if (times.length > MOST_FRAMES) break;
  }
  return [...new Set(times)].sort((a, b) => a - b).filter((t) => t >= 0);
}

/** Opens a short film: its frames and when each was taken. Otherwise why it cannot be measured. */
export async function openClip(file: File): Promise<Clip | WhyNot> {
  if (file.size > LARGEST) return 'too long';
  const url = URL.createObjectURL(file);
  try {
    const times = await timesOf(file);
    if (times.length < 3) throw new Error('no film');
    if (times.length > MOST_FRAMES || times.at(-1)! - times[0]! > LONGEST_MS) {
      URL.revokeObjectURL(url);
      return 'too long';
    }
    const video = document.createElement('video');
    video.muted = true;
    video.playsInline = true;
    video.preload = 'auto';
    const there = came(video, 'loadeddata');
    video.src = url;
    await there;
    const picture: Clip['picture'] = async (frame, { width, height }) => {
      const next = times[frame + 1] ?? times[frame]! + 1;
      const shown = came(video, 'seeked');
      // In the middle of its time, where no rounding shows another.
      video.currentTime = (times[frame]! + next) / 2000;
      await shown;
      return createImageBitmap(video, { resizeWidth: width, resizeHeight: height });
    };
    const close = () => {
      video.removeAttribute('src');
      video.load();
      URL.revokeObjectURL(url);
    };
    return { width: video.videoWidth, height: video.videoHeight, times, picture, close };
  } catch {
    URL.revokeObjectURL(url);
    return 'no clip';
  }
}

const LONGEST_SIDE = 640;

/**
 * Pictures of single frames in their turn, the last ones kept. Who asked before and needs it no more is passed over.
 */
export function frameReader(clip: Clip) {
  const kept = new Map<number, ImageBitmap>();
  let last: Promise<unknown> = Promise.resolve();
  const k = Math.min(1, LONGEST_SIDE / Math.max(clip.width, clip.height));
  const size = { width: Math.round(clip.width * k), height: Math.round(clip.height * k) };
  async function read(frame: number): Promise<ImageBitmap> {
    const before = kept.get(frame);
    if (before) return before;
    const picture = await clip.picture(frame, size);
    kept.set(frame, picture);
    for (const old of kept.keys()) {
      if (kept.size <= 60) break;
      kept.delete(old);
    }
    return picture;
  }
  return (frame: number, wanted: () => boolean): Promise<ImageBitmap | null> => {
    const mine = last.then(() => (wanted() ? read(frame) : null));
    last = mine.catch(() => undefined);
    return mine.catch(() => null);
  };
}
export type FrameReader = ReturnType<typeof frameReader>;
