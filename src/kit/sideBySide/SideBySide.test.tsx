import { render, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { describe, expect, it, vi } from 'vitest';
import { SideBySide } from './SideBySide';

const was = { name: 'Front kick', why: 'The knee leads the foot.', from: 120, points: [{ id: 'hands', why: 'up' }] };
const mine = {
  ...was,
  why: 'The knee passes the other knee.',
  from: 125,
  points: [{ id: 'hands', why: 'at the cheek' }],
};
const theirs = { ...was, why: 'The knee points at the target.', from: 130, points: [] as typeof was.points };
const open = () => {
  const onSave = vi.fn();
  const onLeave = vi.fn();
  render(
    <SideBySide
      title="Which front kick shall stand?"
      was={was}
      mine={mine}
      meanwhile={{ version: 7, by: 'Idris Vane', at: '2026-03-05T18:10:00Z', now: theirs }}
      nameOf={(path) => ({ where: path.join(' '), what: 'differs' })}
      saving={false}
      wrong=""
      onSave={onSave}
      leave="Keep mine as a draft"
      onLeave={onLeave}
    />,
  );
  return { onSave, onLeave, user: userEvent.setup({ delay: null }) };
};
const save = () => screen.getByRole('button', { name: 'Save as version 8' });
const group = (name: RegExp) => within(screen.getByRole('radiogroup', { name }));

describe('two saves side by side', () => {
  it('shows only what differs, and saves when every place is chosen', async () => {
    const { user, onSave } = open();
    expect(screen.getByText(/You both began from version 6\. Three places differ\./)).toBeTruthy();
    expect(screen.queryByText('name', { selector: 'li b' })).toBeNull();
    expect(save()).toHaveProperty('disabled', true);
    await user.click(group(/of why/).getByRole('radio', { name: /both/ }));
    await user.click(group(/of from/).getByRole('radio', { name: /yours/ }));
    expect(screen.getByText('Two of three chosen; “points hands” is open.')).toBeTruthy();
    // One took it out, the other changed it: asked in those words.
    await user.click(group(/points hands/).getByRole('radio', { name: /take it out/ }));
    await user.click(save());
    expect(onSave).toHaveBeenCalledWith({
      ...was,
      why: 'The knee points at the target. The knee passes the other knee.',
      from: 125,
      points: [],
    });
  });

  it('goes by keys: a number chooses and moves on', async () => {
    const { user, onSave } = open();
    await user.keyboard('1');
    await user.keyboard('2');
    await user.keyboard('{ArrowUp}{ArrowDown}');
    await user.keyboard('2');
    await user.click(save());
    expect(onSave).toHaveBeenCalledWith({ ...was, why: theirs.why, from: 125, points: mine.points });
  });

  it('all of one side in a tap, and nothing is saved by leaving', async () => {
    const { user, onSave, onLeave } = open();
    await user.click(screen.getByRole('button', { name: 'All of Idris’s' }));
    await user.click(save());
    expect(onSave).toHaveBeenCalledWith(theirs);
    await user.click(screen.getByRole('button', { name: 'Keep mine as a draft' }));
    expect(onLeave).toHaveBeenCalledOnce();
    expect(onSave).toHaveBeenCalledOnce();
  });
});
