import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import type { ReactNode } from 'react';
import type { FieldProps } from './form';

/** The fields that operations are made of: a choice, a line, another sequence, whose work. */
export function controls({ d, i, others, drill, set }: FieldProps) {
  const choose = <T extends string>(
    label: string,
    key: string,
    value: T,
    options: readonly (readonly [T, string])[],
    pick: (v: T) => void,
  ) => (
    <TextField
      id={`${key}-${i}`}
      label={label}
      select
      value={value}
      onChange={(e) => pick(e.target.value as T)}
      slotProps={{ select: { displayEmpty: true } }}
    >
      {options.map(([v, word]) => (
        <MenuItem key={v} value={v}>
          {word}
        </MenuItem>
      ))}
    </TextField>
  );
  const type = (label: string, key: string, value: string, put: (v: string) => void, more: object = {}) => (
    <TextField id={`${key}-${i}`} label={label} value={value} onChange={(e) => put(e.target.value)} {...more} />
  );
  const other = (label: string) =>
    choose(
      label,
      'other',
      d.other,
      others.map((o) => [o.id, `${o.title}, ${o.counts}`] as const),
      (v) => set({ other: v }),
    );
  const lane = (both: string) =>
    drill &&
    choose(
      'Whose work',
      'lane',
      d.lane,
      [
        ['', both],
        // Where lane A is meant anyway it is not offered twice.
        ...(both === 'both' || d.lane === 'A' ? ([['A', 'lane A']] as const) : []),
        ['B', 'lane B'],
      ],
      (l) => set({ lane: l }),
    );
  return { choose, type, other, lane } satisfies Record<string, (...args: never[]) => ReactNode>;
}
