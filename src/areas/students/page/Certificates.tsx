import Button from '@mui/material/Button';
import { useState } from 'react';
import { certificateBackInput } from '../../../contracts/grading';
import type { CertificateShown, StudentView } from '../../../contracts/views';
import { dateInWords } from '../../../core';
import { CertificateLinks } from '../../../kit/certificates/CertificateLinks';
import { TextField } from '../../../kit/form/fields';
import { SheetForm } from '../../../kit/form/SheetForm';
import { useCommandSheet } from '../../../kit/form/useSheet';
import { Belt } from '../../../kit/marks/Belt';

/** The certificates of a student's belts, for print and as files that others can check; a head gives and takes back. */
export function Certificates({
  view,
  onGive,
  done,
}: {
  view: StudentView;
  /** For a head alone; null: only read. */
  onGive: ((heldId: string) => void) | null;
  done: () => Promise<void>;
}) {
  const [taking, setTaking] = useState<string | null>(null);
  const give = view.certifiable;
  if (view.certificates.length === 0 && !(onGive && give)) return null;
  return (
    <section aria-label="Certificates" className="no-print">
      <h2>Certificates</h2>
      <ul>
        {view.certificates.map((c) => (
          <li key={c.id} className="line py-2">
            <p className="row">
              <Belt name={c.to.name} cloth={c.to.cloth} width={52} height={14} /> {c.to.name}, {dateInWords(c.day)}
            </p>
            <CertificateLinks of={c} />
            {onGive && !c.back && taking !== c.id && (
              <Button variant="text" aria-label={`Take back number ${c.number}`} onClick={() => setTaking(c.id)}>
                take back
              </Button>
            )}
            {taking === c.id && <TakeBack of={c} done={done} leave={() => setTaking(null)} />}
          </li>
        ))}
      </ul>
      {onGive && give && <Button onClick={() => onGive(give)}>Give a certificate for {view.student.rank.name}</Button>}
    </section>
  );
}

/** Takes a certificate back where what it says is wrong; the belt stays, and a new one can be given. */
function TakeBack({ of: c, done, leave }: { of: CertificateShown; done: () => Promise<void>; leave: () => void }) {
  const sheet = useCommandSheet<'certificate.back'>({
    command: 'certificate.back',
    schema: certificateBackInput,
    start: { id: c.id, reason: '' },
    done: async () => {
      leave();
      await done();
    },
  });
  return (
    <SheetForm sheet={sheet} title={`Take number ${c.number} back?`} saves="Take it back" leave={leave}>
      <p className="second">
        Whoever checks it reads that it does not count any more, never why. The belt stays; a new certificate can be
        given for it.
      </p>
      <TextField name="reason" label="Because" />
    </SheetForm>
  );
}
