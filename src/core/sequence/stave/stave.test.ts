import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { anyMove, anySequence, written } from '../testing/builders';
import { svgOf } from '../drawing';
import type { Body } from '../../floor/trace';
import type { Sequence } from '../move';
import { readSequence } from '../notation/read';
import { makeVocabulary } from '../notation/vocabulary';
import { moveSaid } from '../spoken';
import { tally, tallyWords } from '../tally';
import { twoLines } from './column';
import { layoutStave } from './layout';
import { markOf, turnArc } from './marks';

const plain = (tone: string) => tone;
const words = makeVocabulary([]);

describe('the stave', () => {
  it('draws a column a count, each inside its place, with every number finite', () => {
    fc.assert(
      fc.property(anySequence(), fc.constantFrom(null, 3, 10), (s, perLine) => {
        const l = layoutStave(s, { perLine });
        expect(l.columns).toHaveLength(s.moves.length);
        expect(l.lines.reduce((n, x) => n + x.to - x.from, 0)).toBe(s.moves.length);
        for (const c of l.columns) {
          expect(c.x + l.column).toBeLessThanOrEqual(l.width);
          expect(c.y + l.lineHeight).toBeLessThanOrEqual(l.height);
          expect(svgOf(c.primitives, plain)).not.toMatch(/NaN|Infinity|undefined/);
        }
        for (const line of l.lines) expect(svgOf(line.primitives, plain)).not.toMatch(/NaN|Infinity|undefined/);
      }),
    );
  });

  it('right is solid, left outlined; strike, block, kick and cut differ in shape', () => {
    const fill = (side: 'left' | 'right') =>
      markOf('strike', side, 0, 0, 1).map((p) => (p.is === 'shape' ? p.fill : ''));
    expect(fill('right')).toEqual(['ink']);
    expect(fill('left')).toEqual(['ground']);
    const kinds = ['strike', 'block', 'kick', 'weapon cut', 'grip', 'fall', 'evasion'] as const;
    expect(new Set(kinds.map((k) => svgOf(markOf(k, 'right', 0, 0, 1), plain))).size).toBe(kinds.length);
  });

  it('is the same while counts are typed as drawn from nothing, for one and for two', () => {
    const drawn = (seq: Sequence, body: Body) => {
      const l = layoutStave(seq, { body });
      return [...l.columns, ...l.lines].map((c) => svgOf(c.primitives, plain));
    };
    fc.assert(
      fc.property(
        anySequence(undefined, 1),
        fc.array(anyMove, { minLength: 1, maxLength: 3 }),
        fc.nat(),
        (seq, typed, n) => {
          const body = { stature: 1.7 };
          drawn(seq, body);
          for (const move of typed) {
            const now = { ...seq, moves: seq.moves.with(n % seq.moves.length, move) };
            expect(drawn(now, body)).toEqual(drawn(structuredClone(now), { ...body }));
          }
        },
      ),
    );
  });

  it('a drill’s column that nobody touched is not drawn again', () => {
    const [one, two] = ['punch R', 'punch R high'].map((first) =>
      layoutStave(readSequence(`${first} | inner block L\npunch L | step R back`, words).sequence),
    );
    expect(two!.columns[1]!.primitives).toBe(one!.columns[1]!.primitives);
    expect(two!.columns[0]!.primitives).not.toEqual(one!.columns[0]!.primitives);
  });

  it('one column stays the same text wherever it stands, so that only what changed is drawn again', () => {
    const tail = 'turn R 180, R foot across, front stance, low block R\npunch L';
    const at = (text: string, i: number) => svgOf(layoutStave(written(text)).columns[i]!.primitives, plain);
    expect(at(`step L, front stance, punch L\n${tail}`, 2)).toBe(at(`step L, front stance, low block L\n${tail}`, 2));
  });

  it('labels, lines and sections are not drawn again while a count is typed; a section that moves is', () => {
    const around = (text: string) => layoutStave(written(text)).lines[0]!.primitives;
    const one = around('= Out\nstep L, punch R\n= Back\nstep L back, low block L');
    expect(around('= Out\nstep L, punch L\n= Back\nstep L back, low block L')).toBe(one);
    const moved = around('= Out\nstep L, punch R\nstep L back, low block L\n= Back\nshift');
    expect(svgOf(moved, plain)).not.toBe(svgOf(one, plain));
    expect(svgOf(around('= Out\nstep L, punch R\n= Home\nstep L back, low block L'), plain)).toContain('Home');
  });

  it('marks departures, gaps, sections, variants and switches', () => {
    const s = written('= Out\npunch R\n~ Reed House: punch R high\npunch L, switch\n= Home\nblock R');
    const bare = layoutStave(s);
    const marked = layoutStave(s, { departs: new Set([1]), gaps: [2] });
    expect(svgOf(marked.columns[1]!.primitives, plain)).toContain('pine');
    expect(svgOf(bare.columns[1]!.primitives, plain)).not.toContain('pine');
    expect(svgOf(marked.lines[0]!.primitives, plain)).toContain('pine');
    expect(svgOf(bare.lines[0]!.primitives, plain)).toContain('Home');
    expect(svgOf(bare.columns[0]!.primitives, plain)).not.toBe(
      svgOf(layoutStave(written('punch R')).columns[0]!.primitives, plain),
    );
  });

  it('two lanes face each other, with a tie from attack to answer', () => {
    const s = written('punch R high | rising block L\nfront kick R | step L back');
    const l = layoutStave(s);
    expect(l.lineHeight).toBeGreaterThan(layoutStave(written('punch R high')).lineHeight + 80);
    const ties = l.columns.map((c) => c.primitives.filter((p) => p.is === 'shape' && p.stroke === 'slate').length);
    expect(ties).toEqual([1, 0]);
  });

  it('escapes what people write', () => {
    const s = written('"<img src=x onerror=alert(1)> & co" (strike) R');
    const svg = svgOf(layoutStave(s, { column: 400 }).columns[0]!.primitives, plain);
    expect(svg).not.toContain('<img');
    expect(svg).toContain('&lt;img');
  });

  it('puts long names in two short lines', () => {
    expect(twoLines(['rising block', 'punch'], 9)).toEqual(['rising b.', '+ punch']);
    expect(twoLines(['front kick'], 9)).toEqual(['front', 'kick']);
    expect(twoLines(['punch'], 9)).toEqual(['punch']);
    expect(turnArc(0, 0, 0, 720, 1)).toHaveLength(2);
  });
});

describe('in words', () => {
  it('reads a count aloud', () => {
    const s = written(
      '= Back\nturn R 90, R foot, front stance, rising block R + punch L, mid, in | step L back\n~* Reed House: punch L, shout\n? he steps back\n> punch R',
    );
    expect(moveSaid(s.moves[0]!, 6)).toBe(
      'Section Back. Count 6: turn 90 degrees right; step with the right foot forward; front stance; rising block right, upper height; punch left, middle height; breath in.' +
        ' Partner: step with the left foot back. Variant of Reed House, shown at gradings: punch left; shout. If he steps back: punch right.',
    );
  });
  it('tells the tally as instructors say it', () => {
    const s = written('punch L\npunch R, shout\nlow block L + rising block R\nfront kick R');
    expect(tallyWords(tally(s))).toBe(
      'Four counts: two strikes, two blocks and one kick; two left, three right; one shout.',
    );
    expect(tallyWords(tally(written('')))).toBe('No counts yet.');
  });
});
