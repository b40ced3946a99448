import Button from '@mui/material/Button';

/** A measured point may also be judged by eye: then the mark says so, and no measure is kept. */
export const ByEye = ({ on, onChange }: { on: boolean; onChange: (on: boolean) => void }) => (
  <Button className="by-eye" aria-pressed={on} onClick={() => onChange(!on)}>
    {on ? 'Measure it' : 'By eye instead'}
  </Button>
);
