import { describe, expect, it } from 'vitest';
import { cautionInWords } from '../words';
import { rungInWords } from '../words/english/consent';
import { rungTogether } from './consent';
import { sumPractice, type Practice } from './practice';
import { restsWork, type RestedItem } from './rests';

const kick: RestedItem = {
  key: 't:k',
  name: 'Front kick',
  kind: 'kick',
  bodyParts: ['feet', 'knees', 'hips'],
  partner: false,
  impact: [],
};
const drill: RestedItem = {
  key: 's:d',
  name: 'Four quarters',
  kind: 'partner drill',
  bodyParts: [],
  partner: true,
  impact: [],
};
const injury = (what: string) => [{ what, until: '2026-03-20', itemKey: null }];

describe('work that rests', () => {
  it('by its name, its kind, the part of the body, or altogether', () => {
    expect(restsWork(kick, injury('Front kick'))?.until).toBe('2026-03-20');
    expect(restsWork(kick, injury('no kicks'))).not.toBeNull();
    expect(restsWork(kick, injury('left knee'))).not.toBeNull();
    expect(restsWork(kick, injury('All training'))).not.toBeNull();
    expect(restsWork(drill, injury('no contact'))).not.toBeNull();
  });
  it('what lays all of it off goes before a part, in whatever order it was written down, and parts add up', () => {
    const [knee, foot, all] = [injury('left knee'), injury('right ankle'), injury('no kicks')];
    expect(restsWork(kick, [...knee, ...all])?.parts).toBeNull();
    expect(restsWork(kick, [...all, ...knee])?.parts).toBeNull();
    expect([...restsWork(kick, [...knee, ...foot])!.parts!].sort()).toEqual(['feet', 'knees']);
    expect(restsWork(kick, knee)?.parts).toEqual(['knees']);
  });
  it('leaves other work alone', () => {
    expect(restsWork(kick, injury('right wrist'))).toBeNull();
    expect(restsWork(drill, injury('no kicks'))).toBeNull();
    expect(restsWork(kick, [])).toBeNull();
  });
  it('a pause rests the item it names and nothing else', () => {
    const pause = [{ what: 'kicking from the knee', until: null, itemKey: 't:k' }];
    expect(restsWork(kick, pause)?.what).toBe('kicking from the knee');
    expect(restsWork(drill, pause)).toBeNull();
  });
});

describe('open skin', () => {
  const skin = [{ what: 'the skin was open', until: '2026-03-15', itemKey: null, impact: 'hands' as const }];
  const punch: RestedItem = {
    key: 't:p',
    name: 'Punch',
    kind: 'strike',
    bodyParts: ['hand'],
    partner: false,
    impact: ['hands'],
  };
  it('rests what the hands strike, all of it, and nothing in the air or with the legs', () => {
    expect(restsWork(punch, skin)).toMatchObject({ until: '2026-03-15', parts: null });
    expect(restsWork({ ...punch, impact: [] }, skin)).toBeNull();
    expect(restsWork({ ...kick, impact: ['legs'] }, skin)).toBeNull();
    expect(restsWork(kick, [...skin, ...injury('no kicks')])?.what).toBe('no kicks');
  });
});

describe('practice at home', () => {
  const entry = (day: string, more: Partial<Practice> = {}): Practice => ({
    day,
    minutes: 10,
    repetitions: 30,
    strikes: 20,
    hands: 'fine',
    joints: 'fine',
    ...more,
  });
  it('adds up the last four weeks', () => {
    const s = sumPractice([entry('2026-03-01'), entry('2026-02-20'), entry('2026-01-01')], '2026-03-05');
    expect([s.minutes, s.repetitions, s.strikes, s.entries, cautionInWords(s)]).toEqual([20, 60, 40, 2, '']);
  });
  it('sends pain to those who know', () => {
    const said = (...list: Practice[]) => cautionInWords(sumPractice(list, '2026-03-05'));
    expect(said(entry('2026-03-01', { joints: 'pain' }))).toContain('doctor');
    expect(said(entry('2026-03-01', { joints: 'pain' }), entry('2026-03-03'))).toBe('');
  });
});

describe('two partners', () => {
  it('go no higher than the lower of the two, and nowhere where one has not agreed', () => {
    expect([rungTogether(3, 2), rungTogether(2, 3), rungTogether(2, 0), rungTogether(null, 3)]).toEqual([2, 2, 0, 0]);
    expect([rungInWords(0), rungInWords(2)]).toEqual(['no contact', 'at most: slow, with checks']);
  });
});
