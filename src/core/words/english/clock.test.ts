import { expect, it } from 'vitest';
import { clockInWords, readClock } from './clock';

it('is read as people type it, and written as clocks show it', () => {
  for (const [text, at] of [
    ['18:30', 1110],
    ['18.30', 1110],
    ['1830', 1110],
    ['6:30 pm', 1110],
    ['7pm', 1140],
    ['12 am', 0],
    ['12pm', 720],
    [' 9 ', 540],
  ] as const)
    expect([text, readClock(text)]).toEqual([text, at]);
  for (const text of ['', 'late', '25:00', '18:70', '13pm', '0pm'])
    expect([text, readClock(text)]).toEqual([text, null]);
  expect([clockInWords(1110), clockInWords(5), clockInWords(24 * 60 + 65)]).toEqual(['18:30', '00:05', '01:05']);
});
