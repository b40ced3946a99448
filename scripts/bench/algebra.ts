// P7: algebra and layout of a long sequence against JSON.parse of the same data.
import { build } from 'esbuild';
import { DEMO_VOCABULARY } from '../../src/data/demo/hall';
import type { algebraWork } from './algebraWork';
import { longText } from './long';
import { median } from './timing';

/** Runs by which the compiler of the engine has done its work. */
const WARM = 15;

async function asShipped(): Promise<typeof algebraWork> {
  const made = await build({
    entryPoints: ['scripts/bench/algebraWork.ts'],
    bundle: true,
    write: false,
    minify: true,
    format: 'esm',
    logLevel: 'error',
  });
  const script = `data:text/javascript;base64,${Buffer.from(made.outputFiles[0]!.contents).toString('base64')}`;
  return ((await import(script)) as { algebraWork: typeof algebraWork }).algebraWork;
}

export async function benchAlgebra() {
  const form = (await asShipped())(longText(200), [...DEMO_VOCABULARY.words]);
  const ours: number[] = [];
  const parse: number[] = [];
  let moves = 0;
  for (let i = 0; i < 40; i++) {
    let t = performance.now();
    for (let k = 0; k < 20; k++) JSON.parse(form.json);
    parse.push((performance.now() - t) / 20);
    t = performance.now();
    moves = form.work();
    ours.push(performance.now() - t);
  }
  const [o, p] = [median(ours.slice(WARM)), median(parse.slice(WARM))];
  const perMove = o / moves / (p / form.moves);
  return {
    id: 'P7',
    what: `algebra, floor and stave: ${Math.round((moves / o) * 1000)} moves a second; a move takes as long as JSON.parse of ${perMove.toFixed(1)} moves`,
    ratio: perMove,
    goal: '<= 10',
    ok: perMove <= 10,
  };
}
