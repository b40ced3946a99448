import Ajv2020 from 'ajv/dist/2020';
import fc from 'fast-check';
import { readFileSync } from 'node:fs';
import * as v from 'valibot';
import { describe, expect, it } from 'vitest';
import { parseSequence } from '../core';
import { anySequence } from '../core/sequence/testing/builders';
import { sequencesJsonSchema } from './sequenceSchema';
import { sequenceShape, storedSequence } from './stored/sequence';

// JSON Schema 2020-12, checked with the registry's ajv.
const validate = new Ajv2020({ strict: false }).compile(sequencesJsonSchema());
const file = (sequences: unknown[]) => ({
  format: 'stavewright-sequences',
  version: storedSequence.version,
  sequences,
});

describe('sequences as JSON', () => {
  it('the published schema is the one that the code makes', () => {
    const published: unknown = JSON.parse(readFileSync('docs/formats/sequences.schema.json', 'utf8'));
    expect(published).toEqual(JSON.parse(JSON.stringify(sequencesJsonSchema())));
  });

  it('every sequence passes the schema and the door, and comes through unchanged', () => {
    fc.assert(
      fc.property(anySequence(), (s) => {
        expect(validate(file([s])), JSON.stringify(validate.errors)).toBe(true);
        expect(v.parse(sequenceShape, JSON.parse(JSON.stringify(s)))).toEqual(s);
      }),
    );
  });

  it.each([
    ['an unknown kind', { kind: 'dance' }],
    ['a title that is no text', { title: 7 }],
    ['too many players', { players: 40 }],
  ])('refuses %s', (_what, change) => {
    const read = parseSequence('punch R');
    if (!read.ok) throw new Error('unreadable');
    const bad = { ...read.value, about: { ...read.value.about, ...change } };
    expect(validate(file([bad]))).toBe(false);
    expect(v.safeParse(sequenceShape, bad).success).toBe(false);
  });
});
