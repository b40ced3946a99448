import Button from '@mui/material/Button';
import { useEffect, useState } from 'react';
import { Late, late } from '../late';
import { keepSending, type QueueState } from '../deviceQueue/deviceQueue';
import './SaveState.css';

// Rarely needed, so it is fetched after the page stands; the service worker keeps it for the hall.
const StandsAside = late(() => import('./StandsAside'));

/** How the marks stand, always in words: on this tablet, waiting for the network, or aside and why. */
export function SaveState({
  by,
  problem,
  what = 'marks',
}: {
  by: string;
  problem: string;
  what?: 'marks' | 'changes';
}) {
  const [state, setState] = useState<QueueState | null>(null);
  const [shown, setShown] = useState(false);
  useEffect(() => keepSending(by, setState), [by]);
  const n = state?.waiting ?? 0;
  const open = state?.open ?? 0;
  const aside = state?.aside ?? [];
  return (
    <div className="save" role="status" aria-live="polite">
      {problem !== '' || (state?.unkept ?? '') !== '' ? (
        <b className="hurts">{problem || state?.unkept}</b>
      ) : (
        <>
          <b>
            {state === null
              ? 'Reading what this tablet keeps…'
              : n + open === 0
                ? aside.length === 0
                  ? `All ${what} are saved.`
                  : `All other ${what} are saved.`
                : `All ${what} are saved on this tablet.`}
          </b>
          <span>
            {state === null ? (
              ''
            ) : n + open === 0 ? (
              'None waits for the network.'
            ) : n === 0 ? (
              open === 1 ? (
                'What is open goes when it is closed.'
              ) : (
                `${open} are open and go when each is closed.`
              )
            ) : state?.trouble === 'signed out' ? (
              <>
                {n} {n === 1 ? 'waits' : 'wait'}: <a href="/signin?to=/look">sign in again</a> to send{' '}
                {n === 1 ? 'it' : 'them'}.
              </>
            ) : state?.trouble === 'other person' ? (
              `${n} wait for the person who made them to sign in.`
            ) : (
              `${n} ${n === 1 ? 'waits' : 'wait'} for the network.`
            )}
          </span>
        </>
      )}
      {aside.length > 0 && (
        <>
          <Button variant="text" className="refused" aria-expanded={shown} onClick={() => setShown(!shown)}>
            {aside.length} {aside.length === 1 ? 'stands' : 'stand'} aside: see why
          </Button>
          {shown && (
            <Late>
              <StandsAside commands={aside} />
            </Late>
          )}
        </>
      )}
    </div>
  );
}

/** Keeps the screen awake while somebody marks; browsers that cannot do so simply do not. */
export function useAwake(): void {
  useEffect(() => {
    let lock: WakeLockSentinel | null = null;
    const hold = () => {
      if (document.visibilityState === 'visible')
        navigator.wakeLock?.request('screen').then(
          (l) => (lock = l),
          () => undefined,
        );
    };
    hold();
    document.addEventListener('visibilitychange', hold);
    return () => {
      document.removeEventListener('visibilitychange', hold);
      void lock?.release();
    };
  }, []);
}
