import Button from '@mui/material/Button';
import type { ReactNode, SyntheticEvent } from 'react';

/** The frame of every sheet that opens beside a page: what it asks, its fields, what went wrong, and a foot. */
export function SheetForm({
  title,
  label = title,
  save,
  disabled = false,
  wrong,
  onSave,
  leave,
  more,
  children,
}: {
  title: ReactNode;
  label?: ReactNode;
  /** What the button says that does it. */
  save: string;
  disabled?: boolean;
  /** What came back when it could not be done; empty: nothing. */
  wrong: string;
  onSave: () => void;
  leave: () => void;
  /** Further buttons of the foot. */
  more?: ReactNode;
  children: ReactNode;
}) {
  return (
    <form
      className="sheet stack"
      noValidate
      aria-label={typeof label === 'string' ? label : undefined}
      onSubmit={(e: SyntheticEvent) => {
        e.preventDefault();
        onSave();
      }}
    >
      <h2>{title}</h2>
      {children}
      <div role="alert">{wrong !== '' && <p className="message wrong">{wrong}</p>}</div>
      <div className="row" style={{ flexWrap: 'wrap' }}>
        <Button type="submit" variant="contained" disabled={disabled}>
          {save}
        </Button>
        <Button onClick={leave}>Leave it</Button>
        {more}
      </div>
    </form>
  );
}
