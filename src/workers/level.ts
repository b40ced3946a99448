import { decibels, hear, SILENCE } from '../core/measure/beats';

// Runs where the sound is: of each few milliseconds only the level is taken, and of a hit only its time is told.
declare const currentTime: number;
declare const sampleRate: number;
declare class AudioWorkletProcessor {
  readonly port: MessagePort;
}
declare function registerProcessor(name: string, made: new () => AudioWorkletProcessor): void;

/** Milliseconds over which one level is taken: two blocks of 128 samples at the usual rates. */
const BLOCKS = 2;

class Level extends AudioWorkletProcessor {
  private state = SILENCE;
  private power = 0;
  private samples = 0;
  private blocks = 0;

  process(inputs: Float32Array[][]): boolean {
    const samples = inputs[0]?.[0];
    if (!samples) return true;
    for (const s of samples) this.power += s * s;
    this.samples += samples.length;
    this.blocks += 1;
    if (this.blocks < BLOCKS) return true;
    const at = (currentTime - this.samples / sampleRate) * 1000;
    const { state, hit } = hear(this.state, decibels(Math.sqrt(this.power / this.samples)), at);
    this.state = state;
    if (hit) this.port.postMessage(at);
    [this.power, this.samples, this.blocks] = [0, 0, 0];
    return true;
  }
}
registerProcessor('level', Level);
