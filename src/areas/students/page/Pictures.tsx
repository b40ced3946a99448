import Button from '@mui/material/Button';
import ButtonBase from '@mui/material/ButtonBase';
import Dialog from '@mui/material/Dialog';
import { useEffect, useState } from 'react';
import { picturesInput } from '../../../contracts/pictures';
import type { StudentView } from '../../../contracts/views';
import { countOf, dateInWords, isPictureKept } from '../../../core';
import { DateField, SwitchField, TextField } from '../../../kit/form/fields';
import { SheetForm } from '../../../kit/form/SheetForm';
import { useCommandSheet } from '../../../kit/form/useSheet';
import { dropPictures, picturesOf, type KeptPicture } from '../../../kit/pictures/keptPictures';
import { newId } from '../../../kit/send';
import './Pictures.css';
import type { Sheet } from './sheet';

/** Whether pictures may be kept, or not any more, which needs no reason. A minor's guardian agrees too. */
export function AgreePictures({ view, done, leave }: Sheet) {
  const { most, asksGuardian, because, minor } = view.picturesSaid!;
  const fromPaper = view.reader === 'teacher';
  const sheet = useCommandSheet<'pictures.agree'>({
    command: 'pictures.agree',
    schema: picturesInput,
    start: {
      id: newId(),
      studentId: view.student.id,
      agreed: view.pictures?.agreed === true && most > 0,
      day: view.today,
      guardian: view.pictures?.guardian ?? '',
    },
    make: (p) => ({ ...p, guardian: p.agreed ? p.guardian : '' }),
    done,
  });
  const agreed = sheet.form.watch('agreed');
  return (
    <SheetForm sheet={sheet} title="May pictures be kept?" saves={most > 0 ? 'Record it' : 'Say no'} leave={leave}>
      {most > 0 ? (
        <SwitchField
          name="agreed"
          label="Pictures that are measured from"
          options={[
            { value: false, word: 'no' },
            { value: true, word: 'may be kept' },
          ]}
        />
      ) : (
        <p>{because}</p>
      )}
      {asksGuardian && agreed && <TextField name="guardian" label="Guardian who agrees" />}
      {fromPaper && <DateField name="day" label="Said on" />}
      <p className="second">
        A picture stays on the one device that took it: it is never sent, and goes after a year, when somebody signs out
        there, or as soon as this is taken back. No reason is asked.{' '}
        {minor && 'Of a minor, or with the date of birth unknown, it counts only with a guardian’s agreement. '}
        Local law on pictures comes first.
      </p>
    </SheetForm>
  );
}

/** What was said about pictures, and those that this very device has kept. */
export function Pictures({ view, onAgree }: { view: StudentView; onAgree: (() => void) | null }) {
  const { pictures: said, student, today } = view;
  const counts = said?.counts === true;
  const [kept, setKept] = useState<KeptPicture[]>([]);
  const teaches = view.reader === 'teacher';
  useEffect(() => {
    let current = true;
    void (async () => {
      const here = teaches ? await picturesOf(student.id) : [];
      // Taken back elsewhere, or a year old: it goes as soon as this device hears of it.
      const agreed = new Set(counts ? [student.id] : []);
      const over = here.filter((p) => !isPictureKept(p, agreed, today));
      await dropPictures(over.map((p) => p.id));
      if (current) setKept(here.filter((p) => !over.includes(p)));
    })();
    return () => {
      current = false;
    };
  }, [student.id, counts, teaches, today]);
  const take = (ids: readonly string[]) => {
    void dropPictures(ids);
    setKept(kept.filter((p) => !ids.includes(p.id)));
  };
  return (
    <section className="no-print">
      <h2>Pictures</h2>
      <p className="line spread py-1">
        <span>
          {said === null
            ? 'None are kept: nobody was asked'
            : said.agreed
              ? 'May be kept on a device'
              : 'None are kept'}
          {said && (
            <span className="second">
              , {dateInWords(said.day)}
              {said.guardian !== '' && `, ${said.guardian} agrees`}
              {said.agreed && !said.counts && '; a guardian’s agreement is missing'}
            </span>
          )}
        </span>
        {onAgree && (
          <Button variant="text" onClick={onAgree}>
            {teaches ? 'Record what was said' : 'Say whether they may'}
          </Button>
        )}
      </p>
      {kept.length > 0 && (
        <>
          <p className="spread">
            <span className="second">{countOf(kept.length, 'picture')} on this device alone</span>
            <Button variant="text" onClick={() => take(kept.map((p) => p.id))}>
              Take all away
            </Button>
          </p>
          <ul className="kept-pictures">
            {kept.map((p) => (
              <Kept key={p.id} picture={p} onTake={() => take([p.id])} />
            ))}
          </ul>
        </>
      )}
    </section>
  );
}

function Kept({ picture, onTake }: { picture: KeptPicture; onTake: () => void }) {
  const [large, setLarge] = useState(false);
  const [url] = useState(() => URL.createObjectURL(new Blob([picture.jpeg], { type: 'image/jpeg' })));
  useEffect(() => () => URL.revokeObjectURL(url), [url]);
  const what = `${picture.of}: ${picture.says}, ${dateInWords(picture.day)}`;
  return (
    <li>
      <ButtonBase onClick={() => setLarge(true)} aria-label={`${what}, larger`}>
        <img src={url} alt="" />
      </ButtonBase>
      <span>
        <b>{picture.of}</b>
        <span className="second">
          {picture.says}, {dateInWords(picture.day)}
        </span>
        <Button variant="text" aria-label={`Take away ${what}`} onClick={onTake}>
          Take away
        </Button>
      </span>
      <Dialog open={large} onClose={() => setLarge(false)} maxWidth="lg" className="kept-picture-large">
        <img src={url} alt={what} />
        <p className="spread">
          <span>{what}</span>
          <Button onClick={() => setLarge(false)}>Close</Button>
        </p>
      </Dialog>
    </li>
  );
}
