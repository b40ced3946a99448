import { FEELING, LOAD_JOINTS, SKIN, SWELLING, type LimbSaid } from '../../core';
import { Switch } from '../Switch';
import './LimbAsked.css';

const ASKED: readonly { key: keyof LimbSaid; words: readonly string[] }[] = [
  { key: 'skin', words: SKIN },
  { key: 'swelling', words: SWELLING },
  { key: 'joints', words: LOAD_JOINTS },
  { key: 'feeling', words: FEELING },
];

/** What was said that stops a limb. */
const stops = (s: Partial<LimbSaid>) =>
  s.skin === 'open' || s.swelling === 'swollen' || s.joints === 'pain' || s.feeling === 'numb';

/** What a limb says after work that hardens: four taps; what is not answered counts as fine. */
export function LimbAsked({
  limb,
  said,
  onSaid,
  mat = false,
}: {
  /** “right hand”, “press-ups”. */
  limb: string;
  said: Partial<LimbSaid>;
  onSaid: (said: Partial<LimbSaid>) => void;
  mat?: boolean;
}) {
  return (
    <>
      {ASKED.map((a) => (
        <div key={a.key} className="limb-asked">
          <span>{a.key}</span>
          <Switch
            label={`${a.key}, ${limb}`}
            value={(said[a.key] ?? '') as string}
            options={a.words.map((w) => ({ value: w, word: w }))}
            onChange={(w) => onSaid({ ...said, [a.key]: w })}
            mat={mat}
          />
        </div>
      ))}
      {stops(said) && (
        <p className="message">
          It stops this limb{said.skin === 'open' ? ', about two weeks' : ''}. Pain, numbness or swelling: ask a doctor.
        </p>
      )}
    </>
  );
}
