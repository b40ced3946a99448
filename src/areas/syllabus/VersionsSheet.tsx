import Button from '@mui/material/Button';
import { useState } from 'react';
import { syllabusPublish } from '../../contracts/syllabus';
import type { SyllabusView } from '../../contracts/views';
import { capital, dateInWords, inWords, plural } from '../../core';
import { TextField } from '../../kit/form/fields';
import { SheetForm } from '../../kit/form/SheetForm';
import { useCommandSheet } from '../../kit/form/useSheet';
import { newId } from '../../kit/send';
import { useAsked } from '../../kit/useAsked';
import type { Does } from './BeltSheet';

/** Publishing: what is different, whom it touches, and from when it counts. */
export function PublishSheet({
  view,
  version,
  does,
  leave,
}: {
  view: SyllabusView;
  version: () => number | null;
  does: Does;
  leave: () => void;
}) {
  const { view: compared, wrong } = useAsked('syllabusCompare', view.over ? { was: view.over.id } : null);
  const sheet = useCommandSheet({
    command: 'syllabus.publish',
    schema: syllabusPublish,
    start: { id: newId(), title: '', from: view.today, version: null as number | null },
    make: (x) => ({ ...x, version: version() }),
    sending: (draft) => does('syllabus.publish', draft),
    done: () => undefined,
  });
  return (
    <SheetForm
      sheet={sheet}
      title="From when does it count?"
      label="Publish the draft"
      saves="Publish it"
      leave={leave}
      leaves="Not yet"
    >
      <TextField name="title" label="It is called" placeholder="Spring, with the staff" />
      <TextField name="from" label="It counts from" help="For everybody whose cycle begins on that day or later." />
      {view.over ? (
        compared ? (
          <>
            <p>
              <b>
                {compared.differences.length === 0
                  ? 'Nothing is different.'
                  : `${capital(inWords(compared.differences.length))} ${plural(compared.differences.length, 'difference')} to “${view.over.title}”.`}
              </b>{' '}
              <a href={`/syllabus/compare?was=${view.over.id}`}>See them</a>
            </p>
            <p className="second">
              {compared.touched.length === 0
                ? 'It touches nobody who follows that version now.'
                : `It would touch ${inWords(compared.touched.length)} who ${plural(compared.touched.length, 'follows', 'follow')} that version: ${compared.touched
                    .slice(0, 5)
                    .map((x) => x.name)
                    .join(
                      ', ',
                    )}${compared.touched.length > 5 ? ', …' : ''}. They stay on it until their next belt, or until you move them.`}
            </p>
          </>
        ) : (
          wrong !== '' && <p className="message">What is different could not be compared. {wrong}</p>
        )
      ) : (
        <p className="second">The first version: everybody is judged by it from now on.</p>
      )}
      <p className="second">What is published never changes.</p>
    </SheetForm>
  );
}

/** The published versions, from the newest, and the draft's end. */
export function VersionsSheet({
  view,
  version,
  does,
  leave,
}: {
  view: SyllabusView;
  version: () => number | null;
  does: Does;
  leave: () => void;
}) {
  const [sure, setSure] = useState(false);
  return (
    <section className="sheet stack" aria-label="Versions">
      <h2>Which versions are there?</h2>
      <ul className="plain">
        {view.versions.length === 0 && <li className="second">None is published yet.</li>}
        {[...view.versions].reverse().map((v, i, all) => (
          <li key={v.id}>
            <b>{v.title}</b>{' '}
            <span className="second">
              from {dateInWords(v.from)}, followed by {inWords(v.followers)}
              {v.from > view.today && '; it does not count yet'}
            </span>
            <br />
            {all[i + 1] && <a href={`/syllabus/compare?was=${all[i + 1]!.id}&now=${v.id}`}>What it changed</a>}
            {all[i + 1] && ' · '}
            <a href={`/syllabus/follow?to=${v.id}`}>Move students to it</a>
          </li>
        ))}
      </ul>
      {view.version !== null && view.versions.length > 0 && (
        <>
          <h3>The draft</h3>
          {sure ? (
            <div className="stack" role="alertdialog" aria-label="Throw the draft away">
              <p>
                Every change since “{view.over?.title}” is lost: {view.version} of them. Nobody’s verdict changes.
              </p>
              <div className="row">
                <Button variant="contained" onClick={() => void does('syllabus.discard', { version: version() })}>
                  Throw it away
                </Button>
                <Button onClick={() => setSure(false)}>Keep it</Button>
              </div>
            </div>
          ) : (
            <Button onClick={() => setSure(true)}>Throw the draft away</Button>
          )}
        </>
      )}
      <Button onClick={leave}>Close</Button>
    </section>
  );
}
