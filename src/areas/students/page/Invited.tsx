import Button from '@mui/material/Button';
import type { StudentView } from '../../../contracts/views';
import { dateInWords } from '../../../core';
import { Belt } from '../../../kit/marks/Belt';

/** At which grading somebody is put forward; they, or the guardian, say whether they come. */
export function Invited({ view, onSay }: { view: StudentView; onSay: ((yes: boolean) => void) | null }) {
  const g = view.invited;
  if (!g) return null;
  const mine = view.reader === 'student';
  const said = g.yes === null ? 'nobody has said yet' : g.yes ? 'said yes' : 'said no';
  return (
    <section className="sheet" aria-label="Put forward">
      <div className="spread">
        <h2>{mine ? 'You are put forward' : 'Put forward'}</h2>
        <Belt name={g.to.name} cloth={g.to.cloth} width={64} height={17} />
      </div>
      <p>
        For {g.to.name}, on {dateInWords(g.day)}
        {g.out === null ? `: ${said}.` : `. Taken out: ${g.out}.`}
      </p>
      {onSay && g.out === null && (
        <div className="row wrap no-print">
          <Button
            variant={g.yes === true ? 'outlined' : 'contained'}
            disabled={g.yes === true}
            onClick={() => onSay(true)}
          >
            {mine ? 'I come' : 'Yes'}
          </Button>
          <Button disabled={g.yes === false} onClick={() => onSay(false)}>
            Not this time
          </Button>
        </div>
      )}
      {view.reader === 'teacher' && <a href={`/gradings/${g.gradingId}`}>Who goes up?</a>}
    </section>
  );
}
