import Button from '@mui/material/Button';
import type { ReactNode, SyntheticEvent } from 'react';
import { FormProvider, type FieldValues } from 'react-hook-form';
import type { SheetState } from './useSheet';

/** The frame of every sheet that opens beside a page: what it asks, its fields, what went wrong, and a foot. */
export function SheetForm<V extends FieldValues>({
  sheet,
  title,
  label = title,
  saves,
  disabled = false,
  leave,
  leaves = 'Leave it',
  more,
  children,
}: {
  sheet: SheetState<V>;
  title: ReactNode;
  label?: ReactNode;
  /** What the button says that does it. */
  saves: string;
  disabled?: boolean;
  leave?: () => void;
  leaves?: string;
  /** Further buttons of the foot. */
  more?: ReactNode;
  children: ReactNode;
}) {
  return (
    <FormProvider {...sheet.form}>
      <form
        className={title === '' ? 'stack' : 'sheet stack'}
        noValidate
        aria-label={typeof label === 'string' ? label : undefined}
        onSubmit={(e: SyntheticEvent) => {
          e.preventDefault();
          e.stopPropagation();
          void sheet.save();
        }}
      >
        {title !== '' && <h2>{title}</h2>}
        {children}
        <div role="alert">{sheet.wrong !== '' && <p className="message wrong">{sheet.wrong}</p>}</div>
        <div className="row wrap">
          <Button type="submit" variant="contained" disabled={disabled}>
            {saves}
          </Button>
          {leave && <Button onClick={leave}>{leaves}</Button>}
          {more}
        </div>
      </form>
    </FormProvider>
  );
}
