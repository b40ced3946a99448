import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { dayInWords, postOf, pulled, push, type PostPlan } from '../../../core';

const mm = (d: number) => Math.round(d * 1000);

/** What a hanging scale should show, and what it did. */
export function PullTests({
  plan,
  today,
  set,
}: {
  plan: PostPlan;
  today: string;
  set: (more: Partial<PostPlan>) => void;
}) {
  const post = postOf({ ...plan, pulls: [] });
  const twenty = push(post, 20 * 9.81);
  const [kg, setKg] = useState('20');
  const [moved, setMoved] = useState('');
  const [wrong, setWrong] = useState('');
  const known = pulled(plan);
  const take = () => {
    const newton = Number(kg.replace(',', '.')) * 9.81;
    const millimetres = Number(moved.replace(',', '.'));
    if (!(newton >= 20 && newton <= 1000)) return setWrong('A pull is from 2 to 100 kg.');
    if (!(millimetres >= 1 && millimetres <= 500)) return setWrong('How far it moved, in millimetres, from 1 to 500.');
    if (pulled({ ...plan, pulls: [{ day: today, newton, millimetres }] }) === null)
      return setWrong('It moved no more than one reads wrongly: pull harder.');
    setWrong('');
    setMoved('');
    set({ pulls: [...plan.pulls, { day: today, newton, millimetres }] });
  };
  return (
    <section>
      <h2>Then try it</h2>
      <p>
        Pull at {post.blow.toFixed(2)} m with a hanging scale.{' '}
        <b>
          20 kg should move it {mm(twenty.best.deflection)} mm, {mm(twenty.stiffest.deflection)} to{' '}
          {mm(twenty.softest.deflection)}
        </b>
        : wood differs by a fifth, the ground by 20 cm.
      </p>
      <div className="row wrap no-print">
        <TextField label="Pulled, kg" value={kg} onChange={(e) => setKg(e.target.value)} />
        <TextField label="It moved, mm" value={moved} onChange={(e) => setMoved(e.target.value)} />
        <Button onClick={take}>Take it</Button>
      </div>
      <div role="alert">{wrong !== '' && <p className="message wrong">{wrong}</p>}</div>
      {plan.pulls.map((p, i) => (
        <p key={`${p.day} ${i}`} className="second">
          {dayInWords(p.day, today)}: {Math.round(p.newton / 9.81)} kg moved it {Math.round(p.millimetres)} mm.
        </p>
      ))}
      {known && (
        <p>
          Timber and ground together: <b>{(known.modulus / 1e9).toFixed(1)} GPa</b>, {(known.low / 1e9).toFixed(1)} to{' '}
          {(known.high / 1e9).toFixed(1)}; the table says {(plan.wood.modulus / 1e9).toFixed(1)}. It is reckoned with
          that now.
        </p>
      )}
      <p className="second">
        A punch is no steady push: for a moment it is several times as hard. So a third of breaking is kept.
      </p>
    </section>
  );
}
