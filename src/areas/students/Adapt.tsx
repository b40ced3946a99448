import { useState } from 'react';
import { newId } from '../../kit/send';
import { Choice, Field } from '../../kit/sheet/Field';
import { SheetForm } from '../../kit/sheet/SheetForm';
import { useDecision } from '../../kit/sheet/useDecision';
import { Switch } from '../../kit/Switch';
import type { Sheet } from './sheet';

const number = (v: string) => (v === '' ? Number.NaN : Number(v));

/** An adapted standard: written by the head for one student, kept with its reason. */
export function Adapt({ view, done, leave }: Sheet) {
  const points = [
    ...new Map(
      view.requirements.flatMap((r) =>
        r.points.map((p) => [p.pointId, { value: p.pointId, word: `${p.name} (${r.technique})` }] as const),
      ),
    ).values(),
  ];
  const [pointId, setPoint] = useState(points[0]?.value ?? '');
  const [how, setHow] = useState<'share' | 'range' | 'waived'>('share');
  const [share, setShare] = useState('60');
  const [lo, setLo] = useState('');
  const [hi, setHi] = useState('');
  const [reason, setReason] = useState('');
  const [id] = useState(newId);
  const { decide, at, wrong } = useDecision(done);
  return (
    <SheetForm
      title="Adapt a point"
      save="Write it"
      wrong={wrong}
      leave={leave}
      onSave={() =>
        void decide('adaptation.write', {
          id,
          studentId: view.student.id,
          pointId,
          from: view.today,
          range: how === 'range' ? { lo: number(lo), hi: number(hi) } : null,
          share: how === 'share' ? Number(share) / 100 : null,
          waived: how === 'waived',
          reason,
        })
      }
    >
      <Choice id="adapt-point" label="Point" value={pointId} onValue={setPoint} options={points} {...at('pointId')} />
      <Switch
        label="How"
        value={how}
        onChange={setHow}
        options={[
          { value: 'share', word: 'a share' },
          { value: 'range', word: 'a range' },
          { value: 'waived', word: 'waived' },
        ]}
      />
      {how === 'share' && (
        <Field id="adapt-share" label="Asked, in 100" number value={share} onValue={setShare} {...at('share')} />
      )}
      {how === 'range' && (
        <div className="row">
          <Field id="adapt-lo" label="Accepted from" number value={lo} onValue={setLo} />
          <Field id="adapt-hi" label="to" number value={hi} onValue={setHi} />
        </div>
      )}
      <Field id="adapt-reason" label="Why" lines={2} value={reason} onValue={setReason} {...at('reason')} />
      <p className="second">No diagnosis belongs here. Pain: stop, and ask a doctor or physiotherapist.</p>
    </SheetForm>
  );
}
