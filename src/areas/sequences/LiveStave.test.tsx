import { act, render, screen, waitFor } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import { makeVocabulary } from '../../core';
import { LiveStave } from './LiveStave';
import { liveText, type Drawing } from './score';

const drawing: Drawing = {
  vocabulary: makeVocabulary([]),
  keeper: '',
  stature: 1.7,
  sectioning: 1,
  computed: null,
  parent: null,
  recipe: null,
};
const FIRST = 'step L, front stance, punch R\nstep R, front stance, punch L';
const columns = () => [...document.querySelectorAll('.stave .col')].map((c) => c.innerHTML);
const said = () => screen.getByRole('list', { name: 'Counts of First Causeway' }).textContent;

function show(text: string) {
  const live = liveText(text);
  render(
    <LiveStave
      live={live}
      drawing={drawing}
      title="First Causeway"
      lit={null}
      follow
      onOver={() => undefined}
      onPick={() => undefined}
    />,
  );
  return live;
}

describe('the stave of what is being typed', () => {
  it('shows a changed count at once, and says it a moment later', async () => {
    const live = show(FIRST);
    const before = columns();
    // No act(): what is drawn must not wait for React.
    live.set(FIRST.replace('punch R', 'punch R high'));
    const after = columns();
    expect(after[0]).not.toBe(before[0]);
    expect(after[1]).toBe(before[1]);
    expect(said()).not.toContain('upper');
    await waitFor(() => {
      expect(said()).toContain('upper');
    });
    expect(columns()).toEqual(after);
  });

  it('a key that follows at once is the one that is said', async () => {
    const live = show(FIRST);
    live.set(FIRST.replace('punch R', 'punch R high'));
    live.set(FIRST.replace('punch R', 'punch R low'));
    await waitFor(() => {
      expect(said()).toContain('lower');
    });
    expect(said()).not.toContain('upper');
  });

  it('counts that come and go, and none at all', () => {
    const live = show(FIRST);
    act(() => {
      live.set(`${FIRST}\ndraw R`);
    });
    expect(columns()).toHaveLength(3);
    act(() => {
      live.set('');
    });
    expect(screen.getByText(/Type the first count at the left/)).toBeTruthy();
    act(() => {
      live.set('punch R');
    });
    expect(columns()).toHaveLength(1);
  });
});
