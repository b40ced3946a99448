import { useEffect, useState } from 'react';
import { upon, type KeptKit } from '../../contracts/kit';
import type { LookKitView } from '../../contracts/views';
import { dropWhatIsOver } from '../pictures/keptPictures';
import { ask } from '../send';
import { keepKit, readKit } from './keptKit';

/** So long is a new evening waited for where the last one is here, in ms. */
const PATIENCE = 4000;

const later = (ms: number) => new Promise<null>((done) => setTimeout(() => done(null), ms));

/** What is new since the device last asked, laid upon what it has. */
async function fetchKit(kept: KeptKit | null): Promise<KeptKit | { title: string; status: number }> {
  const said = await ask('lookKit', kept ? { since: kept.version } : {});
  if (!said.ok) return said;
  const now = upon(kept, said.view);
  if (now) return now;
  return kept
    ? fetchKit(null)
    : { title: 'What the server sent does not fit together. Load the page again.', status: 0 };
}

/**
 * What the mat needs tonight: what the device has, with what is new since. Without a network, or where the server takes too
 * long, it is what was taken along last. Nothing changes any more once it is shown.
 */
export function useKit(personId: string): { kit: LookKitView | null; wrong: string } {
  const [found, setFound] = useState<{ kit: LookKitView | null; wrong: string }>({ kit: null, wrong: '' });
  useEffect(() => {
    let current = true;
    const show = (kit: LookKitView | null, wrong = '') => {
      if (current) setFound({ kit, wrong });
      current = false;
    };
    void (async () => {
      const kept = await readKit(personId);
      const fetching = fetchKit(kept).then((now) => {
        if ('kit' in now) {
          void keepKit(personId, now);
          // Who took it back is on no device any more as soon as it hears of it.
          const { students, today } = now.kit;
          void dropWhatIsOver(new Set(students.filter((s) => s.pictures).map((s) => s.id)), today);
        }
        return now;
      });
      const now = await (kept ? Promise.race([fetching, later(PATIENCE)]) : fetching);
      if (now && 'kit' in now) show(now.kit);
      // Who may not see it any more is not shown what is kept.
      else if (kept && (now === null || ![401, 403].includes(now.status))) show(kept.kit);
      else show(null, now?.title ?? '');
    })();
    return () => {
      current = false;
    };
  }, [personId]);
  return found;
}
