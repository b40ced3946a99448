import type { CertificateShown } from '../../contracts/views';

/** Where a certificate is printed, and its file; one that was taken back says so. */
export function CertificateLinks({ of: c }: { of: CertificateShown }) {
  const at = `/certificates/${c.id}`;
  return (
    <p className="row wrap second">
      <span>
        Number {c.number}
        {c.back && ', taken back'}
      </span>
      <a href={`${at}.pdf`} target="_blank" rel="noreferrer">
        Print on A4
      </a>
      <a href={`${at}.pdf?paper=letter`} target="_blank" rel="noreferrer">
        on Letter
      </a>
      <a href={`${at}.jws`} download>
        File to be checked
      </a>
    </p>
  );
}
