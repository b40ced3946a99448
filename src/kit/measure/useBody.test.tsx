import { act, render } from '@testing-library/react';
import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import { FOUND_POINTS, type Found } from '../../core';
import type { PoseAsked, PoseSaid } from '../../workers/pose';
import type { Picture } from './picture';
import { useBody } from './useBody';

/** The model in small: what was asked of it, and what it says when it is told to. */
let asked: PoseAsked[] = [];
const workers: { onmessage: (event: { data: PoseSaid }) => void }[] = [];
beforeEach(() => {
  asked = [];
  vi.stubGlobal('createImageBitmap', () => Promise.resolve({ close: () => undefined }));
  vi.stubGlobal(
    'Worker',
    class {
      onmessage: (event: { data: PoseSaid }) => void = () => undefined;
      constructor() {
        workers.push(this);
      }
      postMessage(said: PoseAsked) {
        asked.push(said);
      }
      terminate() {
        return undefined;
      }
    },
  );
});
afterEach(() => vi.unstubAllGlobals());

const picture = (url: string): Picture => ({ url, blob: new Blob(['x']), width: 10, height: 10 });
const body = (x: number): Found[] => FOUND_POINTS.map(() => ({ x, y: 5, sure: 0.9 }));
function Seen({ of, onFound }: { of: Picture | null; onFound: (found: readonly Found[]) => void }) {
  const looking = useBody(of, onFound);
  return <p>{looking.at}</p>;
}
const say = (data: PoseSaid) => act(() => workers.at(-1)!.onmessage({ data }));

it('what is found in a picture that gave way is nobody in the next one', async () => {
  const onFound = vi.fn();
  const [first, second] = [picture('blob:1'), picture('blob:2')];
  const { rerender, container } = render(<Seen of={first} onFound={onFound} />);
  await vi.waitFor(() => expect(asked).toHaveLength(1));
  rerender(<Seen of={second} onFound={onFound} />);
  await vi.waitFor(() => expect(asked).toHaveLength(2));
  say({ found: body(1), turn: asked[0]!.turn });
  expect(onFound).not.toHaveBeenCalled();
  expect(container.textContent).toBe('looking');
  // Nor does it count that the first one failed.
  say({ failed: true, turn: asked[0]!.turn });
  expect(container.textContent).toBe('looking');
  say({ found: body(2), turn: asked[1]!.turn });
  expect(onFound).toHaveBeenCalledExactlyOnceWith(body(2));
  expect(container.textContent).toBe('idle');
});

it('how much is fetched is said, and a failure of this very picture', async () => {
  const { container } = render(<Seen of={picture('blob:1')} onFound={() => undefined} />);
  await vi.waitFor(() => expect(asked).toHaveLength(1));
  say({ loaded: 0.5 });
  expect(container.textContent).toBe('loading');
  say({ loaded: 1 });
  expect(container.textContent).toBe('looking');
  say({ failed: true, turn: asked[0]!.turn });
  expect(container.textContent).toBe('failed');
});
