import ButtonBase from '@mui/material/ButtonBase';
import { useState } from 'react';
import type { SequenceView } from '../../contracts/views';
import type { Finding } from '../../core';
import { dateInWords } from '../../core';
import { WhyItMayStay } from '../../kit/form/WhyItMayStay';
import { CutMark } from '../../kit/marks/CutMark';
import './Checks.css';

/** What the checks found: first what to look at, then what was waived and why, then what holds. */
export function Checks({
  findings,
  waivers,
  onPick,
  onWaive,
}: {
  findings: readonly Finding[];
  waivers: SequenceView['waivers'];
  onPick: (index: number) => void;
  /** Null where nothing is saved yet. */
  onWaive: ((key: string, reason: string | null) => Promise<string | null>) | null;
}) {
  const [open, setOpen] = useState<string | null>(null);
  const [wrong, setWrong] = useState<string | null>(null);
  const waived = (f: Finding) => waivers.find((w) => w.key === f.key);
  const slipped = findings.filter((f) => !f.ok && !waived(f));
  const kept = findings.filter((f) => !f.ok && waived(f));
  const held = findings.filter((f) => f.ok);
  const likeOf = (f: Finding) =>
    f.check === 'ceiling' ? [] : slipped.filter((x) => x.check === f.check && x.key !== f.key);
  const waive = async (key: string, why: string | null) => (await onWaive?.(key, why)) ?? null;
  const text = (f: Finding) =>
    f.counts.length > 0 ? (
      <ButtonBase className="to-count" onClick={() => onPick(f.counts[0]! - 1)}>
        {f.text}
      </ButtonBase>
    ) : (
      <span>{f.text}</span>
    );
  return (
    <section aria-labelledby="checks">
      <h2 id="checks">
        Checks{' '}
        <small>
          {findings.length === 0
            ? 'nothing to check yet'
            : slipped.length === 0
              ? 'nothing to look at'
              : `${slipped.length} to look at`}
        </small>
      </h2>
      <div role="alert">{wrong !== null && <p className="message wrong">{wrong}</p>}</div>
      <ul className="checks">
        {slipped.map((f) => (
          <li key={f.key} className="at">
            <CutMark cut="slipped" />
            <div>
              {text(f)}
              {onWaive && open !== f.key && (
                <ButtonBase className="waive" onClick={() => setOpen(f.key)} aria-label={`Waive: ${f.text}`}>
                  waive
                </ButtonBase>
              )}
              {open === f.key && (
                <WhyItMayStay
                  says="Waive"
                  alike={likeOf(f).length}
                  leave={() => setOpen(null)}
                  stays={async (reason, all) => {
                    for (const x of [f, ...(all ? likeOf(f) : [])]) {
                      const wrong = await waive(x.key, reason);
                      if (wrong !== null) return wrong;
                    }
                    setOpen(null);
                    return null;
                  }}
                />
              )}
            </div>
          </li>
        ))}
        {kept.map((f) => {
          const w = waived(f)!;
          return (
            <li key={f.key}>
              <CutMark cut="not seen" />
              <div>
                {text(f)}{' '}
                <span className="second">
                  Waived by {w.by}, {dateInWords(w.day)}: {w.reason}
                </span>
                {onWaive && (
                  <ButtonBase className="waive" onClick={() => void waive(f.key, null).then(setWrong)}>
                    take back
                  </ButtonBase>
                )}
              </div>
            </li>
          );
        })}
        {held.map((f) => (
          <li key={f.key + f.text}>
            <CutMark cut="held" />
            <div>{text(f)}</div>
          </li>
        ))}
      </ul>
    </section>
  );
}
