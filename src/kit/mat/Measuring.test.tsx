import { render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useState } from 'react';
import { expect, it } from 'vitest';
import { Measuring } from './Measuring';

const user = userEvent.setup();
let told: (number | null)[] = [];
function Held({ unit }: { unit: string }) {
  const [value, setValue] = useState<number | null>(null);
  return (
    <>
      <Measuring
        point={{ unit, wanted: null }}
        range={{ lo: 70, hi: 100 }}
        value={value}
        onValue={(v) => {
          told.push(v);
          setValue(v);
        }}
      />
      <button onClick={() => setValue(null)}>another</button>
    </>
  );
}
const field = () => screen.getByRole<HTMLInputElement>('textbox', { name: /^Measured, in/ });

it('inches are understood and stay as they were typed; what is no number is said and is none', async () => {
  told = [];
  render(<Held unit="cm" />);
  await user.type(field(), '33 in');
  expect(told.at(-1)).toBe(83.82);
  expect(field().value).toBe('33 in');
  expect(screen.getByText('83.82 cm: accepted')).toBeTruthy();
  await user.clear(field());
  await user.type(field(), 'wide');
  expect(told.at(-1)).toBeNull();
  expect(field().value).toBe('wide');
  expect(screen.getByText('this is no number yet')).toBeTruthy();
  expect(field().getAttribute('aria-invalid')).toBe('true');
});

it('a step goes from what was typed, and another person begins empty', async () => {
  told = [];
  render(<Held unit="°" />);
  await user.type(field(), '71,5');
  expect(told.at(-1)).toBe(71.5);
  await user.click(screen.getByRole('button', { name: 'More' }));
  expect(Number(field().value)).toBeGreaterThan(71.5);
  expect(Number(field().value)).toBe(told.at(-1));
  await user.type(field(), '{Control>}a{/Control}60');
  await user.click(screen.getByRole('button', { name: 'another' }));
  expect(field().value).toBe('');
  await user.click(screen.getByRole('button', { name: 'Less' }));
  expect(field().value).toBe('85');
});
