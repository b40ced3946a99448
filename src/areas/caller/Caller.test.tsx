import { act, fireEvent, render, screen, within } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { word } from '../../core/sequence/testing/builders';
import type { Word } from '../../core';
import { idFor } from '../../kit/testing/ids';
import { savedText, sequenceView } from '../../kit/testing/sequenceView';
import Caller from './Caller';

const FORM =
  'step L, front stance, low block L\nstep R, front stance, stepping punch R, shout\nturn L 180, rising block L';
const DRILL =
  'kind: partner drill\nstep R, front stance, stepping punch R | step R back, front stance, low block L\npunch L | inner block L';
const words: Word[] = [
  word('Low block', { kind: 'block', terms: ['sweep low'] }),
  word('Stepping punch', { kind: 'strike', terms: [] }),
];
const viewOf = (text: string) => sequenceView(savedText('Sluice', text), words);

let spoken: string[] = [];
beforeEach(() => {
  spoken = [];
  history.replaceState(null, '', '/');
  sessionStorage.clear();
  vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout', 'performance'] });
  vi.stubGlobal(
    'SpeechSynthesisUtterance',
    class {
      constructor(readonly text: string) {}
    },
  );
  vi.stubGlobal('speechSynthesis', {
    getVoices: () => [{ lang: 'en-GB' }],
    cancel: () => undefined,
    speak: (u: { text: string }) => spoken.push(u.text),
  });
});
afterEach(() => {
  vi.useRealTimers();
  vi.unstubAllGlobals();
});
const open = (text = FORM) => render(<Caller view={viewOf(text)} languages={['en']} />);
const button = (name: string | RegExp) => screen.getByRole('button', { name });
const press = (name: string | RegExp) => fireEvent.click(button(name));
const toggle = (name: string) => fireEvent.click(screen.getByRole('switch', { name }));
const type = (name: string, text: string) =>
  fireEvent.change(screen.getByRole('textbox', { name }), { target: { value: text } });
const choose = (name: string) => fireEvent.click(screen.getByRole('radio', { name }));
const after = (seconds: number) =>
  act(() => {
    vi.advanceTimersByTime(seconds * 1000);
  });
const board = () => document.querySelector('.face')!.textContent;
/** Goes on until a count stands on the board. */
const untilCount = (n: number) => {
  for (let i = 0; i < 200 && document.querySelector('.face .n')?.textContent !== String(n); i++) after(0.1);
  expect(document.querySelector('.face .n')?.textContent).toBe(String(n));
};

describe('before it is called', () => {
  it('asks how, and says which number cannot be; what is wrong is not taken', () => {
    open();
    expect(screen.getByRole('heading', { name: 'How shall it be called?' })).toBeTruthy();
    expect(screen.getByRole('link', { name: 'Sluice' }).getAttribute('href')).toBe(`/sequences/${idFor('Sluice')}`);
    type('Seconds a count', '0,1');
    expect(screen.getByText('from 0.4 to 10')).toBeTruthy();
    type('Seconds a count', '2,5');
    expect(screen.queryByText('from 0.4 to 10')).toBeNull();
    press('Begin');
    expect(screen.getByText('2.5').closest('p')!.textContent).toBe('2.5 s a count');
  });

  it.each([
    ['by tens a side', 'Times a side'],
    ['quarters at random', 'Counts'],
    ['by the clock', 'Round, seconds'],
  ])('%s asks for %s', (way, field) => {
    open();
    expect(screen.queryByRole('textbox', { name: field })).toBeNull();
    choose(way);
    expect(screen.getByRole('textbox', { name: field })).toBeTruthy();
  });

  it('of a form has no roles; of a drill whose work is called, and who is in charge of contact', () => {
    const { unmount } = open();
    expect(screen.queryByRole('radiogroup', { name: 'Whose work is called' })).toBeNull();
    expect(screen.queryByText(/in charge of all contact/)).toBeNull();
    unmount();
    open(DRILL);
    expect(screen.getByRole('radiogroup', { name: 'Whose work is called' })).toBeTruthy();
    expect(screen.getByText(/in charge of all contact/)).toBeTruthy();
    expect(screen.getByRole('switch', { name: 'Roles swap each round: no' })).toBeTruthy();
  });

  it('a device without a voice for the language says so; with names it needs none', () => {
    vi.stubGlobal('speechSynthesis', { getVoices: () => [], cancel: () => undefined, speak: () => undefined });
    open();
    after(0.4);
    expect(screen.getByText(/^This device has no voice for English/)).toBeTruthy();
    toggle('Voice: yes');
    expect(screen.queryByText(/no voice/)).toBeNull();
  });

  it('without a count there is nothing to call, and a way to write one', () => {
    open('');
    expect(screen.getByRole('heading', { name: 'There is nothing to call yet' })).toBeTruthy();
    expect(screen.queryByRole('button', { name: 'Begin' })).toBeNull();
  });

  it('as a block of the class asks for it, with the way back to the class', () => {
    history.replaceState(null, '', '/?for=class&mode=through&sides=mirrored&secondsPerCount=3&rounds=2&times=10');
    sessionStorage.setItem('stavewright-back', '/tonight/run');
    open();
    expect(screen.getByRole('heading', { name: 'How shall Sluice be called?' })).toBeTruthy();
    expect(screen.getByRole('link', { name: 'Back to the class' }).getAttribute('href')).toBe('/tonight/run');
    expect(screen.getByRole<HTMLInputElement>('textbox', { name: 'Seconds a count' }).value).toBe('3');
    expect(screen.getByRole<HTMLInputElement>('textbox', { name: 'Rounds' }).value).toBe('2');
    expect(screen.getByRole('radio', { name: 'the other side', checked: true })).toBeTruthy();
  });

  it('an address that asks for what cannot be called asks for nothing', () => {
    history.replaceState(null, '', '/?mode=through&secondsPerCount=99');
    open();
    expect(screen.getByRole<HTMLInputElement>('textbox', { name: 'Seconds a count' }).value).not.toBe('99');
  });
});

describe('while it is called', () => {
  it('each count stands on the board with what is done, and what comes next; at the last comes the end', () => {
    open();
    press('Begin');
    untilCount(1);
    expect(board()).toMatch(/low block/i);
    expect(board()).toMatch(/next 2 /);
    untilCount(2);
    expect(board()).toContain('with a shout');
    untilCount(3);
    expect(board()).toContain('next the end');
    expect(spoken.length).toBeGreaterThanOrEqual(3);
  });

  it('is held and goes on where it was, by hand and by the space bar', () => {
    open();
    press('Begin');
    untilCount(2);
    press('Hold');
    const held = board();
    after(30);
    expect(board()).toBe(held);
    fireEvent.keyDown(window, { key: ' ' });
    expect(button('Hold')).toBeTruthy();
    untilCount(3);
    fireEvent.keyDown(window, { key: ' ' });
    expect(button('Go on')).toBeTruthy();
  });

  it('stops at once, by hand and by Escape', () => {
    open();
    press('Begin');
    untilCount(1);
    press('Stop');
    expect(button('Begin')).toBeTruthy();
    press('Begin');
    untilCount(1);
    fireEvent.keyDown(window, { key: 'Escape' });
    expect(button('Begin')).toBeTruthy();
    const said = spoken.length;
    after(30);
    expect(spoken.length).toBe(said);
  });

  it('gets slower and faster by a fifth of a second, never beyond what can be followed', () => {
    open();
    type('Seconds a count', '0.5');
    press('Begin');
    press('Faster');
    press('Faster');
    expect(document.querySelector('.pc')!.textContent).toBe('0.4 s a count');
    press('Slower');
    expect(document.querySelector('.pc')!.textContent).toBe('0.6 s a count');
  });

  it('without voice nothing is said', () => {
    open();
    toggle('Voice: yes');
    press('Begin');
    untilCount(2);
    expect(spoken).toEqual([]);
  });

  it('by the school’s terms says the term, and the name where there is none', () => {
    open();
    fireEvent.mouseDown(screen.getByRole('combobox', { name: 'Counted in' }));
    fireEvent.click(screen.getByRole('option', { name: 'the school’s terms' }));
    press('Begin');
    untilCount(1);
    expect(board()).toContain('sweep low');
    expect(spoken.at(-1)).toBe('sweep low');
    untilCount(2);
    expect(spoken.at(-1)).toMatch(/stepping punch/i);
  });

  it('facing the class, what the instructor does is the mirror of it', () => {
    open();
    toggle('I face the class: no');
    press('Begin');
    untilCount(1);
    expect(within(document.querySelector<HTMLElement>('.do')!).getByText(/^you, facing them: .*right/i)).toBeTruthy();
  });

  it('of a drill says what the other does beside it', () => {
    open(DRILL);
    press('Begin');
    untilCount(1);
    expect(document.querySelector('.do')!.textContent).toMatch(/low block/i);
    expect(document.querySelector('.do')!.textContent).toMatch(/stepping punch/i);
  });
});
