import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import type { FieldError } from '../../contracts/commands';
import { Peg } from './Peg';
import type { TheGuests } from './useGuests';

/** Guests and first-timers: a name, and of a minor whom to call. They are watched by a teacher and paired with nobody. */
export function Guests({ of }: { of: TheGuests }) {
  const [open, setOpen] = useState(false);
  const [name, setName] = useState('');
  const [minor, setMinor] = useState(true);
  const [phone, setPhone] = useState('');
  const [wrong, setWrong] = useState<FieldError[]>([]);
  const wrongAt = (path: string) => wrong.find((e) => e.path === path)?.message ?? '';
  const add = () => {
    const errors = of.add(name, minor, phone);
    setWrong(errors);
    if (errors.length > 0) return;
    setName('');
    setPhone('');
    setOpen(false);
  };
  return (
    <div className="guests">
      {of.guests.length > 0 && (
        <ul>
          {of.guests.map((g) => (
            <li key={g.id}>
              <Peg state="here" />
              <span>
                {g.name}{' '}
                <small>
                  guest{g.minor ? ', not of age' : ''}
                  {g.phone === '' ? '' : `, ${g.phone}`}
                </small>
              </span>
              <button type="button" className="leave" onClick={() => of.remove(g)}>
                take out<span className="hidden"> {g.name}</span>
              </button>
            </li>
          ))}
        </ul>
      )}
      {open ? (
        <form
          noValidate
          onSubmit={(e) => {
            e.preventDefault();
            add();
          }}
        >
          <TextField
            label="Name of the guest"
            value={name}
            onChange={(e) => setName(e.target.value)}
            error={wrongAt('name') !== ''}
            helperText={wrongAt('name')}
          />
          <FormControlLabel
            control={<Checkbox checked={minor} />}
            label="Not of age, or nobody asked"
            onChange={(_, yes) => setMinor(yes)}
          />
          <TextField
            label={minor ? 'A guardian’s telephone' : 'Telephone'}
            type="tel"
            value={phone}
            onChange={(e) => setPhone(e.target.value)}
            error={wrongAt('phone') !== ''}
            helperText={wrongAt('phone')}
          />
          <div className="row wrap">
            <Button type="submit" variant="contained">
              The guest is here
            </Button>
            <Button onClick={() => setOpen(false)}>Leave it</Button>
          </div>
        </form>
      ) : (
        <Button size="small" onClick={() => setOpen(true)}>
          A guest
        </Button>
      )}
      {of.guests.length > 0 && (
        <p className="second">
          A guest has given no consent: no contact, and nobody’s partner. The head puts whoever stays on the roll.
        </p>
      )}
    </div>
  );
}
