import ButtonBase from '@mui/material/ButtonBase';
import { KeyWood } from '../marks/Key';
import type { Notch } from '../marks/Stick';
import './Key.css';

/** A key under the thumb, with the wood it will cut. */
export function Key({
  notch,
  word,
  sub = '',
  low = false,
  disabled = false,
  onClick,
}: {
  notch: Notch;
  word: string;
  sub?: string;
  low?: boolean;
  disabled?: boolean;
  onClick: () => void;
}) {
  return (
    <ButtonBase className={`key${low ? ' low' : ''}`} disabled={disabled} onClick={onClick}>
      <KeyWood notch={notch} width={66} height={low ? 90 : 120} />
      <span>
        <b>{word}</b>
        {sub !== '' && <i>{sub}</i>}
      </span>
    </ButtonBase>
  );
}
