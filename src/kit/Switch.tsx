import type { ReactNode } from 'react';
import ButtonBase from '@mui/material/ButtonBase';
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
  const move = (by: number) => {
    const next = options[(at + by + options.length) % options.length];
    if (next) onChange(next.value);
  };
  return (
    <div
      className={`switch${mat ? ' mat' : ''}`}
      role="radiogroup"
      aria-label={label}
      onKeyDown={(e) => {
        const by = e.key === 'ArrowRight' ? 1 : e.key === 'ArrowLeft' ? -1 : 0;
        if (by === 0) return;
        e.preventDefault();
        e.stopPropagation();
        move(by);
        const group = e.currentTarget;
        requestAnimationFrame(() => group.querySelector<HTMLElement>('[aria-checked=true]')?.focus());
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
