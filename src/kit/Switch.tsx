import type { ReactNode } from 'react';
import ButtonBase from '@mui/material/ButtonBase';
import { roving } from './roving';
import { Lashing } from './marks/small';

/** Words on a thin rod; the chosen one is bold and lashed in pine. Left and right move the choice; up and down stay with the screen. */
export function Switch<T extends string>({
  label,
  value,
  options,
  onChange,
  mat = false,
}: {
  label: string;
  value: T;
  options: readonly { value: T; word: ReactNode }[];
  onChange: (value: T) => void;
  mat?: boolean;
}) {
  const at = options.findIndex((o) => o.value === value);
  return (
    <div
      className={`switch${mat ? ' mat' : ''}`}
      role="radiogroup"
      aria-label={label}
      onKeyDown={(e) => {
        const all = e.currentTarget.children;
        const taken = roving(
          e,
          { row: 0, column: at },
          { columns: options.length, round: true },
          ({ column }) => onChange(options[column]!.value),
          ({ column }) => all[column] as HTMLElement,
        );
        if (taken) e.stopPropagation();
      }}
    >
      {options.map((o) => {
        const on = o.value === value;
        return (
          <ButtonBase
            key={o.value}
            role="radio"
            aria-checked={on}
            tabIndex={on || at < 0 ? 0 : -1}
            className={on ? 'on' : ''}
            onClick={() => onChange(o.value)}
          >
            <span className="word">{o.word}</span>
            {on && <Lashing width={mat ? 66 : 48} height={mat ? 12 : 10} />}
          </ButtonBase>
        );
      })}
    </div>
  );
}
