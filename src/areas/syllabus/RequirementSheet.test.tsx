import { render, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { v7 } from 'uuid';
import { describe, expect, it, vi } from 'vitest';
import type { SyllabusView } from '../../contracts/views';
import { type PlacedRequirement } from '../../core';
import { asks, syllabus } from '../../core/syllabus/testing/builders';
import { RequirementSheet } from './RequirementSheet';

const cloth = { colour: '#FFFFFF', second: null, stripe: null, bars: 0 };
const [rankId, threadId, conditionId] = [v7(), v7(), v7()];
const value: PlacedRequirement = asks(threadId, rankId, { id: v7(), conditionId });
const view = {
  ranks: [{ id: rankId, name: 'Fern', cloth, wornBy: 0, version: 1 }],
  conditions: [
    {
      id: conditionId,
      name: 'in air',
      partner: false,
      gear: null,
      home: true,
      attacker: null,
      defender: null,
      version: 1,
    },
  ],
} as unknown as SyllabusView;
function open(opens: PlacedRequirement['opens'] = null) {
  const edit = vi.fn((_edits: unknown, _says: string): string | null => null);
  const leave = vi.fn();
  render(
    <RequirementSheet
      view={view}
      syllabus={syllabus({})}
      item={undefined}
      value={{ ...value, opens }}
      isNew={false}
      edit={edit}
      leave={leave}
    />,
  );
  return { edit, leave, user: userEvent.setup({ delay: null }) };
}
const choose = async (user: ReturnType<typeof userEvent.setup>, word: string) => {
  await user.click(screen.getByLabelText('Opens with'));
  await user.click(screen.getByRole('option', { name: word }));
};

describe('what an item waits for', () => {
  it('is chosen with its number, and saved with the requirement', async () => {
    const { edit, leave, user } = open();
    await choose(user, 'hours');
    await user.type(screen.getByLabelText('Hours'), '40');
    await user.click(screen.getByRole('button', { name: 'Save' }));
    await waitFor(() => expect(leave).toHaveBeenCalled());
    expect(edit.mock.calls[0]![0]).toEqual([
      { op: 'requirement.put', requirement: { ...value, opens: { kind: 'hours', amount: 40 } } },
    ]);
  });
  it('says at its field what nobody could pass, and is kept as it was typed', async () => {
    const { edit, user } = open({ kind: 'age', amount: 14 });
    const years = screen.getByLabelText('Years');
    expect(years).toHaveProperty('value', '14');
    await user.clear(years);
    await user.type(years, '140');
    await user.click(screen.getByRole('button', { name: 'Save' }));
    expect(await screen.findByText('Nobody is that old.')).toBeTruthy();
    expect(edit).not.toHaveBeenCalled();
    expect(years).toHaveProperty('value', '140');
  });
  it('is taken away by “the belt”', async () => {
    const { edit, leave, user } = open({ kind: 'age', amount: 14 });
    await choose(user, 'the belt');
    await user.click(screen.getByRole('button', { name: 'Save' }));
    await waitFor(() => expect(leave).toHaveBeenCalled());
    expect(edit.mock.calls[0]![0]).toEqual([{ op: 'requirement.put', requirement: value }]);
  });
});
