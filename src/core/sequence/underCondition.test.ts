import { describe, expect, it } from 'vitest';
import { checkSequence, PLAIN_CONTEXT } from './checks';
import { gradedStep } from './graded';
import { printSequence } from './notation/print';
import { readSequence } from './notation/read';
import { moveSaid } from './spoken';
import { underCondition } from './underCondition';

describe('what holds only under some conditions', () => {
  const text = [
    'punch R',
    '! (only still target, moving holder) reach',
    '!> (felt) (ONLY air) no pause',
    '! (as in the hall) eyes ahead',
    '~* Reed House (only "slow: gently, first", air): punch L',
    '~ Brae (the old one): kick R',
  ];
  const { sequence, problems } = readSequence(text.join('\n'));
  it('is read and written back, with any name a condition may have', () => {
    expect(problems).toEqual([]);
    const [move] = sequence.moves;
    expect(move!.points.map((p) => [p.name, p.felt, p.only])).toEqual([
      ['reach', false, ['still target', 'moving holder']],
      ['no pause', true, ['air']],
      ['(as in the hall) eyes ahead', false, []],
    ]);
    expect(move!.variants.map((x) => [x.school, x.graded, x.only])).toEqual([
      ['Reed House', true, ['slow: gently, first', 'air']],
      ['Brae (the old one)', false, []],
    ]);
    expect(readSequence(printSequence(sequence)).sequence).toEqual(sequence);
  });
  it('is not there under another', () => {
    const under = (condition: string) => {
      const [m] = underCondition(sequence, condition).moves;
      return [...m!.points.map((p) => p.name), ...m!.variants.map((x) => x.school)];
    };
    expect(under('Air')).toEqual(['no pause', '(as in the hall) eyes ahead', 'Reed House', 'Brae (the old one)']);
    expect(under('still target')).toEqual(['reach', '(as in the hall) eyes ahead', 'Brae (the old one)']);
    expect(under('')).toEqual(['(as in the hall) eyes ahead', 'Brae (the old one)']);
    expect(gradedStep(sequence.moves[0]!, 'air')).toEqual(sequence.moves[0]!.variants[0]!.step);
    expect(gradedStep(sequence.moves[0]!, 'still target')).toEqual(sequence.moves[0]!.step);
  });
  it('is said where the count is read out', () => {
    const said = moveSaid(sequence.moves[0]!, 1);
    expect(said).toContain('reach, only still target or moving holder.');
    expect(said).toContain('Variant of Reed House, shown at gradings, only slow: gently, first or air:');
  });
  it('names conditions of the school, or is told', () => {
    const told = (conditions: string[]) =>
      checkSequence(sequence, { ...PLAIN_CONTEXT, conditions }).filter((f) => f.check === 'condition');
    expect(told([])).toEqual([]);
    expect(told(['air', 'Still target', 'moving holder', 'slow: gently, first'])).toEqual([]);
    expect(told(['air', 'still target', 'moving holder'])).toMatchObject([
      {
        ok: false,
        counts: [1],
        text: expect.stringContaining('no condition is called “slow: gently, first”') as string,
      },
    ]);
  });
});
