import { writeFileSync } from 'node:fs';
import { seeded } from '../src/core';

const RATE = 48_000;

/** Records a pad that is struck so often, so far apart, in a hall that hums, as a sound file for the browser's stand-in of a microphone. */
export function recordClicks(file: string, { clicks, apart }: { clicks: number; apart: number }): void {
  const random = seeded(8);
  const samples = Math.round(((clicks + 3) * apart * RATE) / 1000);
  const wave = Buffer.alloc(44 + 2 * samples);
  wave.write('RIFF', 0);
  wave.writeUInt32LE(36 + 2 * samples, 4);
  wave.write('WAVEfmt ', 8);
  wave.writeUInt32LE(16, 16);
  // One channel of sixteen bits, not packed.
  wave.writeUInt16LE(1, 20);
  wave.writeUInt16LE(1, 22);
  wave.writeUInt32LE(RATE, 24);
  wave.writeUInt32LE(2 * RATE, 28);
  wave.writeUInt16LE(2, 32);
  wave.writeUInt16LE(16, 34);
  wave.write('data', 36);
  wave.writeUInt32LE(2 * samples, 40);
  for (let i = 0; i < samples; i += 1) {
    const ms = (i * 1000) / RATE;
    const click = Math.floor(ms / apart) - 1;
    const since = ms - (click + 1) * apart;
    const loud = click >= 0 && click < clicks ? 0.6 * Math.exp(-since / 18) : 0;
    wave.writeInt16LE(Math.round(32_000 * (loud + 0.004) * (2 * random() - 1)), 44 + 2 * i);
  }
  writeFileSync(file, wave);
}

/**
 * In the page: whoever opens the sound from now on hears the track at `url` instead of the microphone, reckoned at once
 * and the same on every machine, instead of at the pace of a clock.
 */
export async function playTrack(url: string): Promise<void> {
  const recorded = await (await fetch(url)).arrayBuffer();
  const track = await new OfflineAudioContext(1, 1, 48_000).decodeAudioData(recorded);
  window.AudioContext = class {
    constructor() {
      const sound = new OfflineAudioContext(1, track.length, track.sampleRate);
      const played = sound.createBufferSource();
      played.buffer = track;
      return Object.assign(sound, {
        createMediaStreamSource: () => played,
        resume: async () => {
          played.start();
          await sound.startRendering();
        },
        close: () => Promise.resolve(),
      });
    }
  } as unknown as typeof AudioContext;
}
