import { describe, expect, it } from 'vitest';
import { written } from '../testing/builders';
import { printStep } from '../notation/print';
import { NO_WORDS } from '../notation/vocabulary';
import { answer, COMMON_ANSWERS } from './answer';
import { parseAnswerRules, printAnswerRules } from './answerRules';

const rules = (text: string) => {
  const read = parseAnswerRules(text, NO_WORDS);
  if (!read.ok) throw new Error(read.error);
  return read.value;
};

describe('rules from attack to defence', () => {
  it('the first that fits is taken; by name, kind, height and side', () => {
    const own = rules(
      'hook punch: duck\nstrike high R: slide L left, rising block L\nstrike high: rising block L\nkick: step R back',
    );
    const { sequence, unanswered } = answer(
      written('hook punch L high\npunch R high\npunch L high\nfront kick L\npunch R low\nlow block L'),
      own,
    );
    expect(sequence.moves.map((m) => printStep(m.partner!))).toEqual([
      'duck',
      'slide L left, rising block L',
      'rising block R',
      'step L back',
      '-',
      '-',
    ]);
    expect(unanswered).toEqual([5]);
  });

  it('print and read without loss', () => {
    const own = [...COMMON_ANSWERS];
    expect(rules(printAnswerRules(own, NO_WORDS))).toEqual(own);
  });

  it.each([
    ['', 'There is no rule yet.'],
    ['hook punch duck', 'Line 1: between attack and defence stands a colon.'],
    ['kick: turn', 'Line 1: A turn says which way and how far.'],
  ])('%j is refused', (text, error) => {
    expect(parseAnswerRules(text, NO_WORDS)).toEqual({ ok: false, error });
  });
});
