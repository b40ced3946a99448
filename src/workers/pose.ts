import '@tensorflow/tfjs-backend-wasm';
import { setWasmPaths } from '@tensorflow/tfjs-backend-wasm';
import { loadGraphModel, type GraphModel } from '@tensorflow/tfjs-converter';
import { io, ready, setBackend, tensor4d, type Tensor } from '@tensorflow/tfjs-core';
import modelUrl from './models/movenet-thunder.json?url';
import part0 from './models/movenet-thunder-part00.bin?url';
import part1 from './models/movenet-thunder-part01.bin?url';
import part2 from './models/movenet-thunder-part02.bin?url';
import plainUrl from '../../node_modules/@tensorflow/tfjs-backend-wasm/dist/tfjs-backend-wasm.wasm?url';
import simdUrl from '../../node_modules/@tensorflow/tfjs-backend-wasm/dist/tfjs-backend-wasm-simd.wasm?url';
import threadedUrl from '../../node_modules/@tensorflow/tfjs-backend-wasm/dist/tfjs-backend-wasm-threaded-simd.wasm?url';
import { bodyBox, wholeBox, type Box, type Found } from '../core';

/** A picture to look for a body in; it is handed over. What is said: how much of the model is there, then what was found. */
export interface PoseAsked {
  picture: ImageBitmap;
  /** Where it stood a moment ago: then it is looked for there alone. */
  about?: Box;
  /** Comes back with the answer: another picture may have been taken meanwhile. */
  turn?: number;
}
export type PoseSaid =
  | { loaded: number }
  | { found: readonly Found[]; turn?: number | undefined }
  | { failed: true; turn?: number | undefined };

/** The side of the square in which the model looks. */
const SIDE = 256;

interface ModelFile {
  modelTopology: io.ModelArtifacts['modelTopology'];
  weightsManifest: { weights: io.WeightsManifestEntry[] }[];
}

/** In parts, in their order; so many bytes are all of them. */
const PARTS = [part0, part1, part2];
const ALL_BYTES = 12_477_112;

async function weights(): Promise<ArrayBuffer> {
  const bytes = new Uint8Array(ALL_BYTES);
  let got = 0;
  for (const url of PARTS) {
    const answer = await fetch(url);
    if (!answer.ok || !answer.body) throw new Error('no model');
    const reader = answer.body.getReader();
    for (;;) {
      const { done, value } = await reader.read();
      if (done) break;
      bytes.set(value, got);
      got += value.length;
      postMessage({ loaded: got / ALL_BYTES } satisfies PoseSaid);
    }
  }
  if (got !== ALL_BYTES) throw new Error('the model is cut short');
  return bytes.buffer;
}

async function load(): Promise<GraphModel> {
  setWasmPaths({
    'tfjs-backend-wasm.wasm': plainUrl,
    'tfjs-backend-wasm-simd.wasm': simdUrl,
    'tfjs-backend-wasm-threaded-simd.wasm': threadedUrl,
  });
  await setBackend('wasm');
  await ready();
  const [file, weightData] = await Promise.all([
    fetch(modelUrl).then((r) => r.json() as Promise<ModelFile>),
    weights(),
  ]);
  return loadGraphModel(
    io.fromMemory({
      modelTopology: file.modelTopology,
      weightSpecs: file.weightsManifest.flatMap((m) => m.weights),
      weightData,
    }),
  );
}

const square = new OffscreenCanvas(SIDE, SIDE);
const pen = square.getContext('2d', { willReadFrequently: true })!;

/** What the model finds in a square of the picture, in the picture’s pixels. */
async function look(model: GraphModel, picture: ImageBitmap, box: Box): Promise<Found[]> {
  pen.fillStyle = '#000';
  pen.fillRect(0, 0, SIDE, SIDE);
  pen.drawImage(picture, box.x, box.y, box.side, box.side, 0, 0, SIDE, SIDE);
  const { data } = pen.getImageData(0, 0, SIDE, SIDE);
  const colours = new Int32Array(SIDE * SIDE * 3);
  for (let i = 0, j = 0; i < data.length; i += 4) {
    colours[j++] = data[i]!;
    colours[j++] = data[i + 1]!;
    colours[j++] = data[i + 2]!;
  }
  const input = tensor4d(colours, [1, SIDE, SIDE, 3], 'int32');
  const output = model.execute(input) as Tensor;
  const said = await output.data();
  input.dispose();
  output.dispose();
  return Array.from({ length: said.length / 3 }, (_, i) => ({
    x: box.x + said[3 * i + 1]! * box.side,
    y: box.y + said[3 * i]! * box.side,
    sure: said[3 * i + 2]!,
  }));
}

let loading: Promise<GraphModel> | null = null;

addEventListener('message', (event: MessageEvent<PoseAsked>) => {
  const { picture, about, turn } = event.data;
  void (async () => {
    try {
      const model = await (loading ??= load());
      const whole = about ?? wholeBox(picture.width, picture.height);
      const first = await look(model, picture, whole);
      if (about) return postMessage({ found: first, turn } satisfies PoseSaid);
      // Once more from near, where the body was found: it then fills the square.
      const near = bodyBox(first, picture.width, picture.height);
      postMessage({ found: near ? await look(model, picture, near) : first, turn } satisfies PoseSaid);
    } catch {
      loading = null;
      postMessage({ failed: true, turn } satisfies PoseSaid);
    } finally {
      picture.close();
    }
  })();
});
