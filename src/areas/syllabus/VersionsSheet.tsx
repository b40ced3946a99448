import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { useEffect, useState, type SyntheticEvent } from 'react';
import type { CommandDraft, FieldError } from '../../contracts/commands';
import type { SyllabusCompareView, SyllabusView } from '../../contracts/views';
import { ask, errorAt, newId } from '../../kit/send';
import { capital, dateInWords, inWords, plural } from '../../kit/words';
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
  const [title, setTitle] = useState('');
  const [from, setFrom] = useState(view.today);
  const [errors, setErrors] = useState<FieldError[]>([]);
  const [compared, setCompared] = useState<SyllabusCompareView | null>(null);
  const overId = view.over?.id;
  useEffect(() => {
    if (overId) void ask('syllabusCompare', { was: overId }).then((c) => setCompared(c ?? null));
  }, [overId]);
  const save = async (e: SyntheticEvent) => {
    e.preventDefault();
    const input: CommandDraft<'syllabus.publish'> = { id: newId(), version: version(), title, from };
    setErrors((await does('syllabus.publish', input)) ?? []);
  };
  return (
    <form className="sheet stack" onSubmit={(e) => void save(e)} noValidate aria-label="Publish the draft">
      <h2>From when does it count?</h2>
      <TextField
        id="publish-title"
        label="It is called"
        value={title}
        onChange={(e) => setTitle(e.target.value)}
        placeholder="Spring, with the staff"
        error={!!errorAt(errors, 'title')}
        helperText={errorAt(errors, 'title')}
      />
      <TextField
        id="publish-from"
        label="It counts from"
        value={from}
        onChange={(e) => setFrom(e.target.value)}
        error={!!errorAt(errors, 'from')}
        helperText={errorAt(errors, 'from') ?? 'For everybody whose cycle begins on that day or later.'}
      />
      {view.over ? (
        compared && (
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
        )
      ) : (
        <p className="second">The first version: everybody is judged by it from now on.</p>
      )}
      <p className="second">What is published never changes.</p>
      <div className="row">
        <Button type="submit" variant="contained">
          Publish it
        </Button>
        <Button onClick={leave}>Not yet</Button>
      </div>
    </form>
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
