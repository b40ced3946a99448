import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import { useState } from 'react';
import type { EditInput } from '../../contracts/syllabus';
import type { PlacedRequirement } from '../../core';
import { newId } from '../../kit/send';

/** Asks an item again for several belts at once, as its last test asks it. */
export function TestAgain({
  like,
  ranks,
  edit,
}: {
  /** The test that is repeated. */
  like: PlacedRequirement;
  /** Belts that do not test it yet, from the lowest. */
  ranks: readonly { id: string; name: string }[];
  edit: (edits: EditInput[]) => void;
}) {
  const [open, setOpen] = useState(false);
  const [chosen, setChosen] = useState<readonly string[]>([]);
  if (ranks.length === 0) return null;
  if (!open)
    return (
      <Button variant="text" onClick={() => setOpen(true)}>
        Test it again at other belts
      </Button>
    );
  return (
    <fieldset className="stack">
      <legend>Test it again, as it is asked now, for</legend>
      <div className="row wrap">
        {ranks.map((r) => (
          <FormControlLabel
            key={r.id}
            control={
              <Checkbox
                checked={chosen.includes(r.id)}
                onChange={(_, on) => setChosen(on ? [...chosen, r.id] : chosen.filter((x) => x !== r.id))}
              />
            }
            label={r.name}
          />
        ))}
      </div>
      <div className="row">
        <Button
          variant="contained"
          disabled={chosen.length === 0}
          onClick={() => {
            edit(
              ranks
                .filter((r) => chosen.includes(r.id))
                .map((r) => ({ op: 'requirement.put', requirement: { ...like, id: newId(), rankId: r.id } })),
            );
            setOpen(false);
            setChosen([]);
          }}
        >
          Test it there
        </Button>
        <Button onClick={() => setOpen(false)}>Back</Button>
      </div>
    </fieldset>
  );
}
