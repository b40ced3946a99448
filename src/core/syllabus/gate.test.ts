import { describe, expect, it } from 'vitest';
import { gateInWords } from '../words/english/gate';
import { judgeGate } from './gate';

const facts = { born: '2012-06-14', rankSince: '2025-08-09', classes: 41, hours: 61.5 };
const today = '2026-02-05';

describe('gates', () => {
  it('time in rank opens on its day', () => {
    const six = { id: 'g', kind: 'time in rank' as const, amount: 6 };
    const v = judgeGate(six, facts, today);
    expect(v).toMatchObject({ word: 'short', has: 5, missing: 1, opens: '2026-02-09' });
    expect(gateInWords(v, 'Amber', today)).toEqual({ has: '5 months as Amber', asks: 'asks 6, open on 9 February' });
    expect(judgeGate(six, facts, '2026-02-09').word).toBe('met');
  });

  it('age opens on the birthday', () => {
    const v = judgeGate({ id: 'g', kind: 'age', amount: 14 }, facts, today);
    expect(v).toMatchObject({ word: 'short', has: 13, opens: '2026-06-14' });
    expect(judgeGate({ id: 'g', kind: 'age', amount: 13 }, facts, today).word).toBe('met');
  });

  it('hours and classes are not opened by time', () => {
    const v = judgeGate({ id: 'g', kind: 'hours', amount: 72 }, facts, today);
    expect(v).toMatchObject({ word: 'short', has: 61.5, missing: 10.5, opens: null });
    expect(gateInWords(v, 'Amber', today).has).toBe('61.5 of 72 hours of class');
    expect(judgeGate({ id: 'g', kind: 'classes', amount: 41 }, facts, today).word).toBe('met');
  });

  it('a missing date shuts the gate and says so', () => {
    const v = judgeGate({ id: 'g', kind: 'age', amount: 14 }, { ...facts, born: null }, today);
    expect(v.word).toBe('short');
    expect(gateInWords(v, 'Amber', today).has).toBe('No date of birth');
  });
});
