import Button from '@mui/material/Button';
import type { RestShown } from '../../contracts/views';
import { capital, restInWords } from '../../core';
import { nameParts, type KitStudent } from '../../kit/mat/line';

/** Somebody would be watched doing what rests for them: it is asked once, before anything can be marked. */
export function RestAsks({
  student,
  rest,
  today,
  onLook,
  onPass,
}: {
  student: KitStudent;
  rest: RestShown;
  today: string;
  onLook: () => void;
  onPass: () => void;
}) {
  return (
    <section className="keys rest-asks" aria-label="Look at what rests?">
      <p className="hurts">
        <b>{student.name}</b>: {capital(restInWords(rest, today))}.
      </p>
      <p>A doctor’s word comes first, then yours.</p>
      <Button variant="contained" onClick={onPass}>
        Pass over
      </Button>
      <Button onClick={onLook}>Look at {nameParts(student.name)[0]} all the same</Button>
    </section>
  );
}
