import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { label, shape, svgElement, svgOf, type Primitive, type Tone } from './drawing';

const tone = fc.constantFrom<Tone>('ink', 'ground', 'slate', 'none');
const number = fc.integer({ min: -400, max: 400 }).map((n) => n / 10);
const some = <T>(of: fc.Arbitrary<T>) => fc.option(of, { nil: undefined });
/** Only what is given: a style that is left out is not a style of nothing. */
const given = <T extends object>(style: T) =>
  Object.fromEntries(Object.entries(style).filter(([, value]) => value !== undefined));
const aShape: fc.Arbitrary<Primitive> = fc
  .record({
    fill: some(tone),
    stroke: some(tone),
    width: some(number),
    dash: some(fc.constant('3 2')),
    round: some(fc.boolean()),
    at: some(fc.record({ x: number, y: number, turn: number, sx: number, sy: number })),
  })
  .map((style) => shape('M0 0L4 4', given(style)));
const aLabel: fc.Arbitrary<Primitive> = fc.tuple(number, number, fc.string(), number).chain(([x, y, text, size]) =>
  fc
    .record({
      tone: some(tone),
      anchor: some(fc.constantFrom('start', 'middle', 'end')),
      weight: some(number),
      serif: some(fc.boolean()),
      rim: some(fc.boolean()),
    })
    .map((style) => label(x, y, text, size, given(style))),
);
const colour = (t: Tone) => `<${t} & "kin">`.replace(/[<>&"]/g, '');
const escaped = (t: string) =>
  t.replaceAll('&', '&amp;').replaceAll('<', '&lt;').replaceAll('>', '&gt;').replaceAll('"', '&quot;');

describe('what is drawn', () => {
  it('is the same as text as it is as an element, in the same order', () => {
    fc.assert(
      fc.property(fc.array(fc.oneof(aShape, aLabel), { maxLength: 4 }), (primitives) => {
        const said = primitives.map((p) => {
          const { tag, attributes, text } = svgElement(p, colour);
          const named = Object.entries(attributes).map(([name, value]) => ` ${name}="${value}"`);
          return tag === 'path' ? `<path${named.join('')}/>` : `<text${named.join('')}>${escaped(text)}</text>`;
        });
        expect(svgOf(primitives, colour)).toBe(said.join(''));
      }),
    );
  });

  it('takes a style for what it says, and nothing for what it leaves out', () => {
    expect(shape('M0 0')).toEqual({ is: 'shape', d: 'M0 0', fill: 'none', stroke: 'none', width: 1 });
    expect(shape('M0 0', { fill: 'ink', dash: '1 2', round: true })).toMatchObject({
      fill: 'ink',
      dash: '1 2',
      round: true,
    });
    expect(label(1.26, -0.01, 'low', 13)).toEqual({
      is: 'label',
      x: 1.3,
      y: 0,
      text: 'low',
      size: 13,
      tone: 'ink',
      anchor: 'middle',
      weight: 430,
    });
  });
});
