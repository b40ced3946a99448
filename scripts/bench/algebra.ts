// P7: algebra and layout of a long sequence against JSON.parse of the same data.
import {
  chain,
  invert,
  layoutStave,
  mirror,
  parseSequence,
  parseStep,
  printSequence,
  readSequence,
  substitute,
  svgOf,
} from '../../src/core';
import { DEMO_VOCABULARY } from '../../src/data/demo/hall';
import { longText } from './long';
import { median } from './timing';

export function benchAlgebra() {
  const text = longText(200);
  const { sequence } = readSequence(text, DEMO_VOCABULARY);
  const kick = parseStep('front kick R mid', DEMO_VOCABULARY);
  if (!kick.ok) throw new Error('the kick cannot be read');
  const json = JSON.stringify(sequence);
  const ours: number[] = [];
  const parse: number[] = [];
  let moves = 0;
  for (let i = 0; i < 30; i++) {
    let t = performance.now();
    for (let k = 0; k < 20; k++) JSON.parse(json);
    parse.push((performance.now() - t) / 20);
    t = performance.now();
    const kicked = substitute(
      sequence,
      { kind: 'strike', advancing: true },
      { do: 'before', step: kick.value },
      DEMO_VOCABULARY,
    );
    const made = chain(mirror(kicked), invert(sequence, 'high and low'));
    const layout = layoutStave(made);
    for (const c of layout.columns) svgOf(c.primitives, (tone) => tone);
    ours.push(performance.now() - t);
    moves = made.moves.length;
  }
  const round = parseSequence(printSequence(sequence, DEMO_VOCABULARY), DEMO_VOCABULARY);
  if (!round.ok) throw new Error('the long form cannot be read again');
  const [o, p] = [median(ours.slice(5)), median(parse.slice(5))];
  const perMove = o / moves / (p / sequence.moves.length);
  return {
    id: 'P7',
    what: `algebra, floor and stave: ${Math.round((moves / o) * 1000)} moves a second; a move takes as long as JSON.parse of ${perMove.toFixed(1)} moves`,
    ratio: perMove,
    goal: '<= 10',
    ok: perMove <= 10,
  };
}
