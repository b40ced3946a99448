import type { LookKitView } from '../../contracts/views';
import { dayInWords } from '../../core';
import { NoteList } from './Notes';

/** What was to be remembered of the last class, and what was noted in it. */
export function LastClass({ kit }: { kit: LookKitView }) {
  const last = (kit.plansBefore ?? []).find((p) => p.note !== '' || (p.notes ?? []).length > 0);
  if (!last) return null;
  return (
    <section aria-labelledby="last-head">
      <div className="spread">
        <h2 id="last-head">From last time</h2>
        <span className="second">{dayInWords(last.day, kit.today)}</span>
      </div>
      {last.note !== '' && <p className="second">{last.note}</p>}
      <NoteList notes={last.notes ?? []} />
    </section>
  );
}
