import { useState } from 'react';
import { schoolInput } from '../../contracts/school';
import { NumberField } from '../../kit/form/fields';
import { SheetForm } from '../../kit/form/SheetForm';
import { useCommandSheet } from '../../kit/form/useSheet';

/** What the school sets for all its teachers. */
export function SchoolSheet({ classDays }: { classDays: number }) {
  const [saved, setSaved] = useState(false);
  const sheet = useCommandSheet<'school.set'>({
    command: 'school.set',
    schema: schoolInput,
    start: { classDays },
    done: () => setSaved(true),
  });
  return (
    <SheetForm sheet={sheet} title="Classes put right" saves="Save">
      <NumberField
        name="classDays"
        label="Days"
        help="So long after a class its teachers may change who was there; a head instructor may always. Every change stays in the history."
      />
      <p role="status">{saved ? 'Saved.' : ''}</p>
    </SheetForm>
  );
}
