import Button from '@mui/material/Button';
import type { useKept } from '../deviceQueue/useKept';

/** What could not be saved of a document that is saved whole: somebody was quicker, or it was refused; with both ways out. */
export function KeptAside({
  kept: { aside, keepMine, takeTheirs },
  what,
}: {
  kept: Pick<ReturnType<typeof useKept>, 'aside' | 'keepMine' | 'takeTheirs'>;
  /** "this plan". */
  what: string;
}) {
  if (!aside) return null;
  return (
    <div className="message wrong row wrap" role="alert">
      <p>
        {aside.quicker
          ? `Somebody else changed ${what} meanwhile. Yours is kept on this device.`
          : `${aside.title} What you did is kept on this device.`}
      </p>
      <Button onClick={() => void keepMine()}>{aside.quicker ? 'Keep mine' : 'Send it again'}</Button>
      <Button onClick={() => void takeTheirs()}>{aside.quicker ? 'Take theirs' : 'Back to what is saved'}</Button>
    </div>
  );
}
