import { render, screen } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import type { HomeView, MissedView } from '../../../contracts/views';
import { parseSequence } from '../../../core';
import MissedList from '../lists/MissedList';
import HomeSheet from './HomeSheet';

const cloth = { colour: '#FFFFFF', second: null, stripe: null, bars: 0 };
const [white, straw] = ['White', 'Straw'].map((name) => ({ id: name, name, cloth }));
const read = parseSequence('title: Short Walk\nstep R, front stance, punch R mid\nstep L, front stance, punch L mid');
if (!read.ok) throw new Error('the form of this test cannot be read');
const viewOf = (more: Partial<HomeView> = {}): HomeView => ({
  school: 'Causeway Hall',
  student: { name: 'Ilse Marrow', age: 14, rank: white! },
  next: straw!,
  today: '2026-03-05',
  room: { width: 2.5, depth: 3, stature: 1.6 },
  focus: null,
  praise: 'eyes stay up held 5 of 5.',
  cautions: ['Pain: stop, and ask a doctor or physiotherapist.'],
  strikes: ['Strikes: Right 20; left 20.'],
  items: [
    {
      key: 's:walk',
      name: 'Short Walk',
      condition: 'in air',
      why: 'It holds; keep it.',
      times: 'Three times, slowly.',
      cues: ['Push the floor.'],
      fit: 'Counts 1 to 2 fit your floor.',
      body: read.value,
      stances: [],
    },
  ],
  left: [{ name: 'Kick shield', why: 'needs a partner: in the hall' }],
  ...more,
});
const page = (more?: Partial<HomeView>) => {
  render(<HomeSheet view={viewOf(more)} studentId="ilse" />);
  return document.body.textContent;
};

describe('the home sheet', () => {
  it('says for which floor it is, what to do how often with which cue, and draws the form', () => {
    const text = page();
    expect(text).toMatch(/Causeway Hall, 5 March 2026\. For a floor of 2\.5 m by 3 m\./);
    expect(text).toMatch(/Three times, slowly\. It holds; keep it\.“Push the floor\.”Counts 1 to 2 fit your floor\./);
    expect(document.querySelectorAll('article svg').length).toBeGreaterThan(0);
    expect(screen.getByText('needs a partner: in the hall')).toBeTruthy();
  });

  it('cautions stand on every sheet', () => {
    expect(page()).toMatch(/Take carePain: stop, and ask a doctor or physiotherapist\./);
  });

  it('without a floor written down nothing is claimed to fit', () => {
    expect(page({ room: { width: null, depth: null, stature: 1.7 } })).toMatch(/what fits is not reckoned/);
  });

  it('says why it is empty', () => {
    expect(page({ items: [] })).toMatch(/the list below says why/);
    expect(page({ items: [], next: null, left: [] })).toMatch(/This is the last belt: nothing is asked\./);
  });
});

describe('who has something to make up', () => {
  const cover: MissedView['items'][number] = {
    item: 'Cover',
    itemKey: 't:cover',
    condition: 'in air',
    points: [{ name: 'Elbows in', cue: '' }],
    version: 'Ten on each side.',
    drill: '',
  };
  it('names each with what was shown, and leads to the look that ticks it off', () => {
    const missed = [{ day: '2026-03-01', item: 0 }];
    const ilse = { id: 'ilse', name: 'Ilse Marrow', rank: white!, missed, more: 7 };
    render(<MissedList view={{ items: [cover], students: [ilse] }} />);
    expect(document.body.textContent).toMatch(/1 student missed what was shown in the last five weeks/);
    expect(screen.getByText('Elbows in Ten on each side.')).toBeTruthy();
    expect(screen.getByRole('link', { name: 'look' }).getAttribute('href')).toBe('/look?student=ilse&item=t%3Acover');
    expect(screen.getByRole('link', { name: '7 more' }).getAttribute('href')).toBe('/students/ilse');
  });
  it('says that there is nothing', () => {
    render(<MissedList view={{ items: [], students: [] }} />);
    expect(document.body.textContent).toMatch(/^Who has something to make up\?Nobody:/);
  });
});
