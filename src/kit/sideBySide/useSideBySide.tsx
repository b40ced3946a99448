import Dialog from '@mui/material/Dialog';
import { useState, type ReactNode } from 'react';
import type { CommandDraft, CommandName, Meanwhile } from '../../contracts/commands';
import { Late, late } from '../late';
import { send, type Answer } from '../send';
import type { PlaceName } from './SideBySide';

// Two people rarely save the same thing: the screen for it is fetched when they do.
const SideBySide = late(async () => ({ default: (await import('./SideBySide')).SideBySide }));

interface Shape {
  from: (sent: object, began: object, by: 'was' | 'mine' | 'theirs') => object;
  to: (laid: object) => object;
}
const AS_SENT: Shape = { from: (sent) => sent, to: (laid) => laid };

/**
 * Saves what several people edit. `save` sends what was changed with the version it began from; where somebody saved
 * meanwhile, `meeting` is the screen on which both are shown side by side, and what is chosen there is saved.
 */
export function useSideBySide<N extends CommandName>(
  command: N,
  {
    title,
    nameOf,
    show,
    leave = 'Keep mine here, decide later',
    inDialog = true,
    shape = AS_SENT,
    done,
  }: {
    title: string;
    nameOf: (path: readonly string[]) => PlaceName;
    show?: (value: unknown, path: readonly string[]) => string;
    leave?: string;
    inDialog?: boolean;
    /** How it is laid side by side, where that is not as it is sent: from what is sent, seen from what both began with. */
    shape?: Shape;
    /** When what was chosen is saved. */
    done: () => Promise<void> | void;
  },
): {
  save: (was: object, mine: CommandDraft<N> & object, version: number | undefined) => Promise<Answer>;
  meeting: ReactNode;
} {
  const [met, setMet] = useState<{ began: object; was: object; mine: object; meanwhile: Meanwhile } | null>(null);
  const theirs = (m: Meanwhile, began: object): Meanwhile => ({
    ...m,
    now: shape.from(m.now as object, began, 'theirs'),
  });
  const [saving, setSaving] = useState(false);
  const [wrong, setWrong] = useState('');
  const save = async (was: object, mine: CommandDraft<N> & object, version: number | undefined): Promise<Answer> => {
    const answer = await send(command, { ...mine, version } as CommandDraft<N>);
    if (!answer.ok && answer.meanwhile)
      setMet({
        began: was,
        was: shape.from(was, was, 'was'),
        mine: shape.from(mine, was, 'mine'),
        meanwhile: theirs(answer.meanwhile, was),
      });
    return answer;
  };
  const settle = async (value: object) => {
    if (!met) return;
    setSaving(true);
    const answer = await send(command, { ...shape.to(value), version: met.meanwhile.version } as CommandDraft<N>);
    setSaving(false);
    // A third save adds its places; what was chosen stays chosen.
    if (!answer.ok && answer.meanwhile) setMet({ ...met, meanwhile: theirs(answer.meanwhile, met.began) });
    if (!answer.ok) return setWrong(answer.title);
    setMet(null);
    await done();
  };
  const screen = met && (
    <Late meanwhile={<p>One moment…</p>}>
      <SideBySide
        title={title}
        was={met.was}
        mine={met.mine}
        meanwhile={met.meanwhile}
        nameOf={nameOf}
        {...(show ? { show } : {})}
        saving={saving}
        wrong={wrong}
        onSave={(value) => void settle(value as object)}
        leave={leave}
        onLeave={() => setMet(null)}
      />
    </Late>
  );
  const meeting = inDialog
    ? screen && (
        <Dialog open fullWidth maxWidth="lg" onClose={() => setMet(null)} aria-label={title}>
          <div style={{ padding: 24 }}>{screen}</div>
        </Dialog>
      )
    : screen;
  return { save, meeting };
}
