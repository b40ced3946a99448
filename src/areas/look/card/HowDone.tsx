import Button from '@mui/material/Button';
import { useState } from 'react';
import { STAGES } from '../../../core';
import { Switch } from '../../../kit/Switch';
import type { How } from './useCard';

/** Purpose and stage, folded away since most looks do not need them. */
export function HowDone({ how, onHow }: { how: How; onHow: (how: How) => void }) {
  const [open, setOpen] = useState(false);
  return (
    <>
      <Button onClick={() => setOpen(!open)} aria-expanded={open}>
        {how.purpose === null && how.stage === null ? 'How' : [how.purpose, how.stage].filter(Boolean).join(', ')}
      </Button>
      {open && (
        <>
          <Switch
            mat
            label="Purpose"
            value={how.purpose ?? 'either'}
            onChange={(p) => onHow({ ...how, purpose: p === 'either' ? null : p })}
            options={[
              { value: 'either', word: 'either' },
              { value: 'show', word: 'to show' },
              { value: 'study', word: 'to study' },
            ]}
          />
          <Switch
            mat
            label="Stage"
            value={how.stage ?? 'any'}
            onChange={(s) => onHow({ ...how, stage: s === 'any' ? null : s })}
            options={[{ value: 'any', word: 'not said' }, ...STAGES.map((s) => ({ value: s, word: s }))]}
          />
        </>
      )}
    </>
  );
}
