import ButtonBase from '@mui/material/ButtonBase';
import TextField from '@mui/material/TextField';
import type { MarkScale, SheetWord } from '../../core';
import { WordMark } from './WordMark';

/** So many marks are keys for the thumb; more are typed. */
const MOST_KEYS = 12;

/** A mark out of a number, and the word it stands for by the rule. */
export function MarkField({
  scale,
  value,
  word,
  sided,
  disabled,
  onMark,
}: {
  scale: MarkScale;
  value: number | null;
  word: SheetWord | null;
  sided: boolean;
  disabled: boolean;
  onMark: (value: number | null) => void;
}) {
  const label = `Your mark out of ${scale.outOf}${sided ? ', both sides' : ''}`;
  return (
    <div className="mark-field">
      <p className="second">{label}</p>
      {scale.outOf < MOST_KEYS && (
        <div className="marks" role="group" aria-label={label}>
          {Array.from({ length: scale.outOf + 1 }, (_, m) => (
            <ButtonBase
              key={m}
              className={value === m ? 'on num' : 'num'}
              aria-pressed={value === m}
              disabled={disabled}
              onClick={() => onMark(value === m ? null : m)}
            >
              {m}
            </ButtonBase>
          ))}
        </div>
      )}
      <div className="row">
        <TextField
          id="sheet-mark"
          type="number"
          label={scale.outOf < MOST_KEYS ? 'Or typed' : label}
          value={value ?? ''}
          disabled={disabled}
          onChange={(e) => onMark(e.target.value.trim() === '' ? null : Number(e.target.value))}
          slotProps={{ htmlInput: { min: 0, max: scale.outOf, step: 0.5 } }}
        />
        {word && (
          <p>
            <WordMark word={word} /> {word}
          </p>
        )}
      </div>
    </div>
  );
}
