import { inWords, plural } from '../../core';
import type { useDraft } from './useDraft';

type Draft = ReturnType<typeof useDraft>;

/** What can be done to the way as a whole, and how far its changes are saved. */
export function Tools({
  draft,
  onOpen,
}: {
  draft: Draft;
  onOpen: (what: 'add' | 'belt' | 'conditions' | 'limits' | 'grading' | 'versions') => void;
}) {
  return (
    <p className="tools">
      <button type="button" className="link" onClick={() => onOpen('add')}>
        Add an item
      </button>
      <button type="button" className="link" onClick={() => onOpen('belt')}>
        Add a belt
      </button>
      <button type="button" className="link" onClick={() => onOpen('conditions')}>
        Conditions
      </button>
      <button type="button" className="link" onClick={() => onOpen('limits')}>
        Ages, equipment, standards
      </button>
      <button type="button" className="link" onClick={() => onOpen('grading')}>
        How gradings decide
      </button>
      <button type="button" className="link" onClick={() => onOpen('versions')}>
        Versions
      </button>
      <a href="/syllabus/exchange">Take out, bring in</a>
      <span className="saving second" role="status">
        {draft.saving === 'saving' && 'saving'}
        {draft.saving === 'waiting' &&
          `${inWords(draft.pending.length)} ${plural(draft.pending.length, 'change waits', 'changes wait')} ${draft.signedOut ? 'until you sign in again' : 'for the network'}, kept on this device`}
        {draft.undoes && draft.saving === 'saved' && (
          <>
            saved; changed: {draft.undoes}{' '}
            <button type="button" className="link" onClick={draft.undo}>
              undo
            </button>
          </>
        )}
      </span>
    </p>
  );
}

/** What went wrong with changes of the draft, and what can be done about it. */
export function Troubles({ draft }: { draft: Draft }) {
  return (
    <div role="alert">
      {(draft.wrong !== '' || draft.saving === 'aside') && (
        <p className="message wrong mb-3">
          {draft.wrong}
          {draft.saving === 'aside' && (
            <>
              {' '}
              Not taken, and kept here: {draft.pending.map((c) => c.label).join('; ')}.{' '}
              <button type="button" className="link" onClick={() => void draft.layOn()}>
                Lay {draft.pending.length === 1 ? 'it' : 'them'} on what stands now
              </button>{' '}
              or{' '}
              <button type="button" className="link" onClick={() => void draft.letThemGo()}>
                let {draft.pending.length === 1 ? 'it' : 'them'} go
              </button>
              .
            </>
          )}
        </p>
      )}
    </div>
  );
}
