import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { anySequence, word, written } from '../testing/builders';
import { printSequence, printStep } from './print';
import { parseSequence, parseStep, readSequence, readLines } from './read';
import { makeVocabulary } from './vocabulary';

const library = makeVocabulary([
  word('Stepping punch', { terms: ['追い突き', 'cios z krokiem'] }),
  word('Roundhouse kick', { kind: 'kick', terms: ['kopnięcie okrężne'] }),
  word('Marsh wind', { kind: 'block', zone: 'upper' }),
  word('Heron stance', { kind: 'stance', terms: ['postawa czapli'] }),
]);

describe('reading a line', () => {
  it('takes a count with turn, foot, stance, two hands at once and breath', () => {
    const { moves } = written('turn R 90, R foot, front stance, rising block R + punch L, mid, in');
    expect(moves).toHaveLength(1);
    const { step } = moves[0]!;
    expect(step.turn).toEqual({ degrees: 90, by: 'swing' });
    expect(step.foot).toEqual({ side: 'right', way: 'step', toward: 0 });
    expect(step.stance).toBe('front stance');
    expect(step.actions.map((a) => [a.name, a.kind, a.side, a.zone])).toEqual([
      ['rising block', 'block', 'right', 'upper'],
      ['punch', 'strike', 'left', 'middle'],
    ]);
    expect(step.breath).toBe('in');
  });

  it.each([
    ['step L,front stance,low block L,out', '  12.  Step left ,  front ,  low block   left;OUT'],
    ['turn R 180, R foot across, front stance', 'turn right 180°, R foot across, front'],
    ['turn L 90, step L', 'turn 90° L, step L'],
    ['turn L 90 in place, back stance, outer block L', 'pivot L 90, back, outer block l'],
    ['punch R high, shout', 'punch R, high, shout'],
    ['step L right 45', 'step L R 45'],
    ['weight 40/60 > 60/40', 'weight 40/60>60'],
  ])('is forgiving: %s', (tidy, loose) => {
    expect(written(loose).moves).toEqual(written(tidy).moves);
  });

  it('keeps sections, second sectionings, variants, branches, both lanes, comments and headings', () => {
    const seq = written(`title: Reed Gate
kind: partner drill
rank: Lake
sections 2: Old count
loop: yes

# mind the distance
= Out
=2 First water
step R, punch R mid | step R back, inner block L # softly
~* Sluice Hall: punch R mid, shout
? the attacker goes on
> step L back, low block L
> punch R
switch
- | punch L`);
    expect(seq.about).toMatchObject({ title: 'Reed Gate', kind: 'partner drill', rank: 'Lake', loop: true });
    expect(seq.about.sectionings).toEqual([{ sectioning: 2, name: 'Old count' }]);
    const [one, two, three] = seq.moves;
    expect(one).toMatchObject({ notes: ['mind the distance'], remark: 'softly', swaps: false });
    expect(one!.begins).toEqual([
      { sectioning: 1, name: 'Out' },
      { sectioning: 2, name: 'First water' },
    ]);
    expect(one!.variants[0]).toMatchObject({ school: 'Sluice Hall', graded: true });
    expect(one!.branches[0]!.steps).toHaveLength(2);
    expect(two!.swaps).toBe(true);
    expect(three!.partner!.actions[0]!.side).toBe('left');
  });

  it('finds a technique by any of its terms, accents and case aside', () => {
    const read = parseSequence('postawa czapli L, CIOS Z KROKIEM R\nKOPNIECIE OKREZNE L\nmarsh wind R', library);
    if (!read.ok) throw new Error('refused');
    expect(read.value.moves.map((m) => m.step.actions[0]?.name)).toEqual([
      'stepping punch',
      'roundhouse kick',
      'marsh wind',
    ]);
    expect(read.value.moves[0]!.step).toMatchObject({ stance: 'heron stance', lead: 'left' });
    expect(read.value.moves[2]!.step.actions[0]).toMatchObject({ kind: 'block', zone: 'upper' });
  });
});

describe('a text with mistakes', () => {
  it('says line and column, what was expected and the nearest technique, and keeps the rest', () => {
    const { sequence, problems, lineOf } = readSequence(
      'step L, front stance, punch L\nstep L, stepping pumch R\nturn L, zzz qq\nstep, punch R',
      library,
    );
    expect(sequence.moves).toHaveLength(4);
    expect(lineOf).toEqual([0, 1, 2, 3]);
    const at = problems.map((p) => [p.line, p.column, p.severity]);
    expect(at).toEqual([
      [1, 23, 'unknown'],
      [2, 9, 'error'],
      [3, 1, 'error'],
      [3, 9, 'error'],
      [4, 1, 'error'],
      [4, 7, 'unknown'],
    ]);
    expect(problems[1]!.near).toEqual(['stepping punch']);
    expect(problems[2]!.expected).toContain('turn L 90');
  });

  it.each([
    ['punch "R', 'never closed'],
    ['weight 40/70', 'hundredths'],
    ['punch R | block L | block R', 'two lanes'],
    ['~ Reed House: punch R', 'no count yet'],
    ['punch R\n> punch L', 'no branch yet'],
    ['kind: dance\npunch R', 'no kind of sequence'],
    ['colour: red\npunch R', 'no heading'],
    ['punch R\n= Home', 'has no count'],
    ['players: 40\npunch R', 'from 1 to 12'],
    ['punch R + , out', 'stands a technique'],
    ['marsh grass (flower) R', 'no kind of technique'],
  ])('%s', (text, message) => {
    const read = parseSequence(text);
    expect(read.ok).toBe(false);
    if (!read.ok) expect(read.error.map((e) => e.message).join(' ')).toContain(message);
  });

  it('never throws, whatever is typed, and takes no text for more counts than lines', () => {
    fc.assert(
      fc.property(fc.string({ unit: 'grapheme', maxLength: 200 }), (text) => {
        const { sequence, lineOf } = readSequence(text, library);
        expect(sequence.moves.length).toBe(lineOf.length);
        expect(sequence.moves.length).toBeLessThanOrEqual(text.split(/\r\n?|\n/).length);
      }),
    );
  });
});

describe('several of one thing', () => {
  it.each([
    ['turn L 90, turn R 90', 'A count turns once.', 12],
    ['step L, step R', 'A count moves one foot once.', 9],
    ['step L, R foot', 'A count moves one foot once.', 9],
    ['front stance, stand crane', 'A count ends in one stance.', 15],
    ['weight 60/40, weight 40/60', 'A count shifts the weight once.', 15],
    ['rise, sink', 'A count rises or sinks, once.', 7],
    ['in, breath out', 'A count has one breath.', 5],
    ['slow, quick', 'A count is slow or quick, not both.', 7],
    ['cue one, cue two', 'A count begins on one cue.', 10],
  ])('%s: the first stays, and the second is an error at its place', (text, message, column) => {
    const { problems, sequence } = readSequence(text);
    expect(problems.map((p) => [p.message, p.column])).toEqual([[message, column]]);
    const first = readSequence(text.split(',')[0]!).sequence.moves[0]!.step;
    expect(sequence.moves[0]!.step).toEqual(first);
  });

  it('ways of power are kept, each once, in the order in which they were said', () => {
    const read = readSequence('punch R, power swing, power drop, power swing');
    expect(read.problems).toEqual([]);
    expect(read.sequence.moves[0]!.step.powers).toEqual(['swing', 'drop']);
  });

  it('a section may be called by numbers; only a digit at the sign numbers the sectioning', () => {
    const { sequence, problems } = readSequence('= 1 to 3\n=2 9\npunch R');
    expect(problems).toEqual([]);
    expect(sequence.moves[0]!.begins).toEqual([
      { sectioning: 1, name: '1 to 3' },
      { sectioning: 2, name: '9' },
    ]);
  });
});

describe('printing and reading', () => {
  it('are inverse on every sequence', () => {
    fc.assert(
      fc.property(anySequence(), (seq) => {
        const read = parseSequence(printSequence(seq));
        if (!read.ok) throw new Error(JSON.stringify(read.error) + printSequence(seq));
        expect(read.value).toEqual(seq);
      }),
      { numRuns: 400 },
    );
  });

  it('are inverse with a library too', () => {
    fc.assert(
      fc.property(anySequence(), (seq) => {
        const once = parseSequence(printSequence(seq, library), library);
        if (!once.ok) throw new Error(JSON.stringify(once.error));
        expect(parseSequence(printSequence(once.value, library), library)).toEqual(once);
      }),
    );
  });

  it('are the same line by line while it is typed as read from nothing', () => {
    const lines = fc.constantFrom(
      ...[
        '= Out',
        '=2 Half',
        '# slowly',
        '',
        'kind: form',
        'loop: yes',
        '~ Reed House: punch L',
        '? steps back',
        '> punch R',
      ],
      ...[
        '! no pause',
        '3',
        '4 // by number',
        'step L, front stance, punch R',
        'punch L | inner block R',
        'flub R',
        'rank: Fern',
      ],
    );
    fc.assert(
      fc.property(fc.array(lines, { maxLength: 12 }), fc.array(lines, { maxLength: 4 }), fc.nat(), (text, typed, n) => {
        const words = makeVocabulary([]);
        const at = n % (text.length + 1);
        for (const line of typed) {
          const now = text.toSpliced(at, 0, line).join('\n');
          readSequence(text.join('\n'), words);
          expect(readSequence(now, words)).toEqual(readSequence(now, makeVocabulary([])));
        }
      }),
    );
  });

  it('a line that is put in, taken out or changed leaves the counts of all others the very ones they were', () => {
    const words = makeVocabulary([]);
    const lines = ['step L, front stance, low block L', 'punch R', 'step R, front stance, punch R', 'rising block L'];
    const before = readLines(lines, words).sequence.moves;
    const longer = readLines(lines.toSpliced(2, 0, 'shift'), words);
    expect(longer.lineOf).toEqual([0, 1, 2, 3, 4]);
    expect(longer.sequence.moves.filter((m) => before.includes(m))).toHaveLength(4);
    const shorter = readLines(lines.toSpliced(1, 1), words).sequence.moves;
    expect(shorter.every((m) => before.includes(m))).toBe(true);
    const other = readLines(lines.with(1, 'punch L'), words).sequence.moves;
    expect(other.map((m, n) => m === before[n])).toEqual([true, false, true, true]);
    // A line is no count where it opens a text as a heading, whatever was known of it further down.
    const heading = 'kind: form';
    readLines(['punch R', heading], words);
    expect(readLines([heading, 'punch R'], words)).toEqual(readLines([heading, 'punch R'], makeVocabulary([])));
  });

  it('give one step in one line', () => {
    const step = parseStep('turn L 90, L foot, back stance, outer block L, in');
    expect(step.ok && printStep(step.value)).toBe('turn L 90, L foot, back stance, outer block L, in');
    expect(parseStep('').ok).toBe(false);
    expect(parseStep('punch R | punch L').ok).toBe(false);
  });
});

describe('other names, who passed it on, and points at places', () => {
  it('are read with the text', () => {
    const { sequence, problems } = readSequence(
      [
        'also: Reed House: Mill gate: the long one',
        'handed on by: Odo Fenwick, until 1988',
        'handed on by: Brae',
        'punch R',
        '! eyes to the left',
        '!> (felt) no pause',
        'punch L',
      ].join('\n'),
    );
    expect(problems).toEqual([]);
    expect(sequence.about.names).toEqual([{ school: 'Reed House', name: 'Mill gate: the long one' }]);
    expect(sequence.about.lineage).toEqual(['Odo Fenwick, until 1988', 'Brae']);
    expect(sequence.moves[0]!.points).toEqual([
      { name: 'eyes to the left', felt: false, between: false, only: [] },
      { name: 'no pause', felt: true, between: true, only: [] },
    ]);
    expect(sequence.moves[1]!.points).toEqual([]);
  });
  it.each([
    ['also: Mill gate', 'Another name says whose it is.'],
    ['handed on by:', 'Say who passed it on.'],
    ['! eyes', 'There is no count yet to which this belongs.'],
    ['punch R\n!> (felt)', 'Say what is looked at.'],
    ['punch R\n! (only ) reach', 'Name one to 6 conditions, and close the bracket.'],
    ['punch R\n! (only air reach', 'Name one to 6 conditions, and close the bracket.'],
    ['punch R\n~ Brae (only air punch L', 'Name one to 6 conditions, and close the bracket.'],
    [`punch R\n! (only ${'a, '.repeat(7)}b) reach`, 'Name one to 6 conditions, and close the bracket.'],
    ['punch R\n! (only air)', 'Say what is looked at.'],
    [`punch R${'\n! eyes'.repeat(7)}`, 'A count has at most 6 points of its own.'],
    ['also: A: b\n'.repeat(10), 'A sequence has at most 9 other names.'],
  ])('%j is a mistake at its place', (text, message) => {
    expect(readSequence(text).problems.map((p) => p.message)).toEqual([message]);
  });
});

describe('texts made to hold a reader up', () => {
  // Each of these took from half a minute to minutes where a letter was looked at again and again.
  const hostile: [string, string][] = [
    ['a first line of spaces', `a${' '.repeat(3900)}x`],
    ['a heading of signs', `= a${' ='.repeat(100_000)}x`],
    ['a bracket that never closes', `punch R\n! (only ${'a'.repeat(3900)}`],
    ['brackets within brackets', `punch R\n~ ${'(only '.repeat(700)}`],
    ['a variant without its colon', `punch R\n~${' '.repeat(3900)}x`],
    ['one line without end', 'punch R '.repeat(25_000)],
    ['a count of too many actions', `punch R${' + punch L'.repeat(300)}`],
    ['a count of too many parts', `punch R${', slow'.repeat(500)}`],
    ['too many remarks', '# x\n'.repeat(50_000)],
    ['too many variants', `punch R\n${'~ a: -\n'.repeat(25_000)}`],
    ['too many branches and steps', `punch R\n${'? a\n'.repeat(200)}${'> -\n'.repeat(25_000)}`],
    ['too many points of a count', `punch R\n${'! a\n'.repeat(25_000)}`],
    ['quotes that are never closed', '"'.repeat(100_000)],
    ['brackets that are never closed', `${'('.repeat(3000)}\n`.repeat(60)],
  ];
  it.each(hostile)('%s is answered at once, and said', (_, text) => {
    const { sequence, problems } = readSequence(text);
    expect(problems.length).toBeGreaterThan(0);
    expect(problems.length).toBeLessThanOrEqual(401);
    for (const m of sequence.moves) {
      expect(m.step.actions.length).toBeLessThanOrEqual(6);
      expect(m.variants.length).toBeLessThanOrEqual(9);
      expect(m.branches.length).toBeLessThanOrEqual(9);
    }
  });
});
