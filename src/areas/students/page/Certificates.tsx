import Button from '@mui/material/Button';
import type { StudentView } from '../../../contracts/views';
import { dateInWords } from '../../../core';
import { CertificateLinks } from '../../../kit/certificates/CertificateLinks';
import { Belt } from '../../../kit/marks/Belt';

/** The certificates of a student's belts, for print and as files that others can check. */
export function Certificates({ view, onGive }: { view: StudentView; onGive: ((heldId: string) => void) | null }) {
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
          </li>
        ))}
      </ul>
      {onGive && give && <Button onClick={() => onGive(give)}>Give a certificate for {view.student.rank.name}</Button>}
    </section>
  );
}
