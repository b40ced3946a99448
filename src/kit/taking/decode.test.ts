import { describe, expect, it } from 'vitest';
import { decode, decodeAs, type Letters } from './decode';

// Invented names; the code pages are those of the WHATWG Encoding Standard, as every TextDecoder knows them.
const WEST = 'Zoë Brückner\nRené Garçon\nAña Núñez\nSøren Ågård';
const POLISH = 'Łucja Źrebięca\nPaweł Świerszczyk\nMałgosia Żółwińska';
const CZECH = 'Jiří Rákosník\nŠárka Čejkovská\nZdeněk Hůlkař';
const HUNGARIAN = 'Győző Nádas\nÖrs Fűzfasi';

/** A text in one byte a letter. */
function encode(text: string, letters: Letters): Uint8Array {
  const table = new Map(Array.from({ length: 256 }, (_, b) => [decodeAs(new Uint8Array([b]), letters), b]));
  return new Uint8Array([...text].map((c) => table.get(c)!));
}
const utf8 = (text: string) => new TextEncoder().encode(text);

describe('a list as some program wrote it', () => {
  it.each([
    ['Unicode', utf8(POLISH), POLISH, 'utf-8'],
    ['Unicode with its mark', new Uint8Array([0xef, 0xbb, 0xbf, ...utf8(CZECH)]), CZECH, 'utf-8'],
    ['Western', encode(WEST, 'windows-1252'), WEST, 'windows-1252'],
    ['Polish', encode(POLISH, 'windows-1250'), POLISH, 'windows-1250'],
    ['Czech', encode(CZECH, 'windows-1250'), CZECH, 'windows-1250'],
    ['Hungarian', encode(HUNGARIAN, 'windows-1250'), HUNGARIAN, 'windows-1250'],
  ] as const)('%s is read as it was meant', (_, bytes, text, letters) => {
    const read = decode(bytes)!;
    expect([read.text, read.letters]).toEqual([text, letters]);
    expect(read.text).not.toContain('\uFFFD');
  });

  it('two bytes a letter are known by their mark', () => {
    const bytes = new Uint8Array([
      0xff,
      0xfe,
      ...[...WEST].flatMap((c) => [c.charCodeAt(0) & 255, c.charCodeAt(0) >> 8]),
    ]);
    expect(decode(bytes)).toMatchObject({ text: WEST, letters: 'utf-16le' });
  });

  it('where the bytes do not say it, both could are offered', () => {
    expect(decode(encode('Zoë', 'windows-1252'))?.could).toEqual(['windows-1252', 'windows-1250']);
    expect(decode(utf8('Zoë'))?.could).toEqual(['utf-8']);
  });

  it('a workbook is no list', () => {
    expect(decode(new Uint8Array([0x50, 0x4b, 3, 4]))).toBeNull();
    expect(decode(new Uint8Array([65, 0, 66]))).toBeNull();
  });
});
