import { createElement, type FunctionComponent } from 'react';
import { renderToStaticMarkup } from 'react-dom/server';
import { describe, expect, it } from 'vitest';
import { VERDICTS, type VerdictWord } from '../../core';
import { Belt } from './Belt';
import { BodyFigure } from './BodyFigure';
import { KeyWood } from './Key';
import { Lozenge, VerdictMark } from './Lozenge';
import { RuleMark, ShareMark } from './small';
import { Stick } from './Stick';

const draw = <P extends object>(component: FunctionComponent<P>, props: P): string =>
  renderToStaticMarkup(createElement(component, props));

describe('the verdict', () => {
  it('looks different for each word, by form and not by colour', () => {
    const drawn = VERDICTS.map((word: VerdictWord) => draw(Lozenge, { word }).replace(/aria-label="\w+"/, ''));
    expect(new Set(drawn).size).toBe(VERDICTS.length);
    for (const d of drawn) expect(d.replace(/var\(--ink2?\)/g, '')).not.toMatch(/var\(--(pine|lacquer|brass)/);
  });

  it('always says its word, and to those who listen too', () => {
    for (const word of VERDICTS) {
      expect(draw(VerdictMark, { word })).toContain(word);
      expect(draw(Lozenge, { word })).toContain(`aria-label="${word}"`);
    }
  });
});

describe('the belt', () => {
  const cloth = { colour: '#5B8A52', second: null, stripe: null, bars: 0 };

  it('is named, and shows second colour, stripe and bars', () => {
    const plain = draw(Belt, { name: 'Fern', cloth });
    expect(plain).toContain('aria-label="Fern belt"');
    const rich = draw(Belt, { name: 'Fern', cloth: { ...cloth, second: '#F7F3E8', stripe: '#2A2725', bars: 3 } });
    expect(rich).toContain('#F7F3E8');
    expect(rich).toContain('stroke="#2A2725"');
    const paths = (svg: string) => svg.match(/<path/g)!.length;
    expect(paths(rich) - paths(plain)).toBe(1 + 1 + 3);
  });
});

describe('wooden marks', () => {
  it('left is outlined, right is solid, what has no sides is pale', () => {
    const fill = (side: 'left' | 'right' | 'none') => /fill="(var[^"]+)"/.exec(draw(Stick, { marks: ['H'], side }))![1];
    expect([fill('left'), fill('right'), fill('none')]).toEqual([
      'var(--left-fill)',
      'var(--wood)',
      'var(--pale-wood)',
    ]);
  });

  it('a stick tells its marks in words', () => {
    expect(draw(Stick, { marks: ['H', 'S', 'U'], side: 'left', label: 'left' })).toContain(
      'aria-label="left: held, slipped, not seen"',
    );
  });

  it('keys show three different cuts', () => {
    const drawn = (['H', 'S', 'U'] as const).map((notch) => draw(KeyWood, { notch, height: 100 }));
    expect(new Set(drawn).size).toBe(3);
  });

  it('a rule says what is accepted and wanted, with its unit, and keeps stray values on the wood', () => {
    const svg = draw(RuleMark, {
      accepted: { lo: 90, hi: 180 },
      wanted: { lo: 125, hi: 150 },
      unit: '°',
      values: [-900, 100, 9000],
      width: 120,
    });
    expect(svg).toContain('aria-label="accepted 90 to 180°, wanted 125 to 150°"');
    const xs = [...svg.matchAll(/d="M([-\d.]+) 1V5"/g)].map((m) => Number(m[1]));
    expect(xs).toHaveLength(3);
    expect(Math.min(...xs)).toBeGreaterThanOrEqual(0);
    expect(Math.max(...xs)).toBeLessThanOrEqual(120);
    expect(draw(RuleMark, { accepted: { lo: -100, hi: 100 }, wanted: null, unit: 'ms' })).toContain(
      'aria-label="accepted -100 to 100 ms"',
    );
    expect(draw(ShareMark, { held: 3, of: 0 })).not.toContain('NaN');
  });
});

describe('the figure', () => {
  it('numbers every point once, and no two numbers lie on each other', () => {
    const parts = [
      'feet',
      'feet',
      'feet',
      'knees',
      'hips',
      'trunk',
      'limb',
      'hand',
      'other hand',
      'breath',
      'eyes',
      'timing',
    ] as const;
    for (const kind of ['stance', 'kick', 'strike', 'fall', 'weapon cut'] as const) {
      const svg = draw(BodyFigure, {
        kind,
        points: parts.map((bodyPart, i) => ({ id: `p${i}`, name: bodyPart, bodyPart })),
        width: 256,
        height: 330,
      });
      expect(svg).not.toContain('NaN');
      const labels = [...svg.matchAll(/<circle cx="([\d.-]+)" cy="([\d.-]+)" r="9.5"/g)].map(
        (m) => [Number(m[1]), Number(m[2])] as const,
      );
      expect(labels).toHaveLength(parts.length);
      labels.forEach(([x, y], i) => {
        expect(x).toBeGreaterThan(9);
        expect(x).toBeLessThan(247);
        for (const [a, b] of labels.slice(i + 1)) expect(Math.hypot(a - x, b - y)).toBeGreaterThan(20);
      });
    }
  });
});
