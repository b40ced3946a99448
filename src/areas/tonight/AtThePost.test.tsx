import { render, screen } from '@testing-library/react';
import { expect, it } from 'vitest';
import { ALONE, EMPTY_BLOCK, type Block } from '../../core';
import { HEEL, kitOf, student, technique } from '../../kit/mat/testing/kit';
import { AtThePost } from './AtThePost';
import { oddPlaceOf } from './oddPlaceOf';
import { shortInPlan } from './shortOf';

const kick = technique([HEEL]);
const POST = { id: 'on a post', name: 'on a post', ...ALONE, gear: 'striking post' as const, home: false };
const block: Block = {
  ...EMPTY_BLOCK,
  id: 'b',
  name: 'The post',
  minutes: 15,
  items: [{ item: { technique: kick.id }, conditionId: POST.id }],
};
const post = (sound: number) => ({
  id: 'p',
  name: 'Striking post',
  serves: 'striking post' as const,
  fromAge: 16,
  fromRankId: null,
  people: 1,
  all: 2,
  sound,
});
const kit = (sound: number) => kitOf({ techniques: [kick], conditions: [POST], store: [post(sound)] });
const aiko = student(1, 'Aiko Dunmore', { strikes: { says: 'Right 50; left none.', any: true } });
const mei = student(2, 'Mei Tolland', { strikes: { says: 'Right none: right hand numb.', any: false } });
const nell = student(3, 'Nell Okafor', { age: 12, soft: 'Soft targets only: from 16 years on.' });
const farid = student(4, 'Farid Weir');
const shown = (people: (typeof aiko)[], sound = 1) =>
  render(<AtThePost kit={kit(sound)} block={block} people={people} from={1120} />);

it('who may takes turns with the number of tonight; who is stopped and who is too young stand with why', () => {
  shown([aiko, mei, nell, farid]);
  expect(screen.getByText('1 place, 2 students: 7.5 minutes each.')).toBeTruthy();
  const lines = screen.getAllByRole('listitem').map((l) => l.textContent);
  expect(lines).toEqual([
    '18:40 Aiko Dunmore: Right 50; left none.',
    '18:47 Farid Weir: begins with twenty, easy.',
    'Not tonight: Mei Tolland. Right none: right hand numb.',
  ]);
  expect(screen.getByText(/Soft targets only:/).parentElement!.textContent).toContain('Nell Okafor');
});

it('is empty where everybody is stopped, where no post is sound, and where the block has none', () => {
  const { unmount } = shown([mei, nell]);
  expect(screen.getByText('Nobody here may strike what is hard tonight: pads and air instead.')).toBeTruthy();
  unmount();
  const { unmount: gone } = shown([aiko], 0);
  expect(screen.getByText('No post is sound and looked over: pads and air instead.')).toBeTruthy();
  gone();
  const { container } = render(<AtThePost kit={kit(1)} block={EMPTY_BLOCK} people={[aiko]} from={null} />);
  expect(container.textContent).toBe('');
});

it('the plan says what is short on the device alone, and the odd one is not sent to a post that is not theirs', () => {
  const plan = { starts: 1120, minutes: 15, blocks: [block] };
  const short = (people: (typeof aiko)[], sound: number) => [...shortInPlan(kit(sound), plan, people).entries()];
  expect(short([aiko, farid, mei, nell], 2)).toEqual([]);
  expect(short([aiko, farid, mei, nell], 1)).toEqual([['b', [{ name: 'Striking post', short: 1, wanted: 2 }]]]);
  expect(short([mei, nell], 0)).toEqual([]);
  expect(oddPlaceOf(kit(1), aiko, 1)).toBe('at the post');
  expect([1, 2, 3].map((n) => oddPlaceOf(kit(1), mei, n))).not.toContain('at the post');
  expect([1, 2, 3].map((n) => oddPlaceOf(kit(0), aiko, n))).not.toContain('at the post');
});
