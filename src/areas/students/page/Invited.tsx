import Button from '@mui/material/Button';
import type { StudentView } from '../../../contracts/views';
import { dateInWords, listInWords, resultInWords } from '../../../core';
import { Belt } from '../../../kit/marks/Belt';

/** At which grading somebody is put forward; they, or the guardian, say whether they come. */
export function Invited({
  view,
  onSay,
}: {
  view: StudentView;
  onSay: ((gradingId: string, yes: boolean) => void) | null;
}) {
  return view.invited.map((g) => (
    <To key={g.gradingId} view={view} g={g} onSay={onSay && ((yes) => onSay(g.gradingId, yes))} />
  ));
}

function To({
  view,
  g,
  onSay,
}: {
  view: StudentView;
  g: StudentView['invited'][number];
  onSay: ((yes: boolean) => void) | null;
}) {
  const mine = view.reader === 'student';
  const said = g.yes === null ? 'nobody has said yet' : g.yes ? 'said yes' : 'said no';
  return (
    <section className="sheet" aria-label="Put forward">
      <div className="spread">
        <h2>{mine ? 'You are put forward' : 'Put forward'}</h2>
        <Belt name={g.to.name} cloth={g.to.cloth} width={64} height={17} />
      </div>
      <p>
        {g.midterm ? 'For a midterm, without a belt,' : `For ${g.to.name},`} on {dateInWords(g.day)}
        {g.out === null ? `: ${said}.` : `. Taken out: ${g.out}.`}
        {g.out === null && g.yes === null && g.answerBy && ` By ${dateInWords(g.answerBy)}, please.`}
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

/** What the last grading decided, once it is closed: what the student reads, and of a part again what and by when. */
export function Graded({ view }: { view: StudentView }) {
  const g = view.graded;
  if (!g) return null;
  return (
    <section aria-label="The last grading">
      <h2>
        The {g.midterm ? 'midterm' : 'grading'} of {dateInWords(g.day)}
      </h2>
      <p>
        <b>{resultInWords(g.result, g.midterm)}</b>{' '}
        {!g.midterm && <Belt name={g.to.name} cloth={g.to.cloth} width={52} height={14} />}
      </p>
      {g.again.length > 0 && (
        <p>
          Again: {listInWords(g.again)}
          {g.againBy && `, by ${dateInWords(g.againBy)}`}.
        </p>
      )}
      <p>{g.sentence}</p>
    </section>
  );
}
