import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { POWERS, type PowerRoundOperation } from '../../../core';
import { controls } from './controls';
import { laneOf, no, yes } from './draft';
import type { OperationForm } from './form';

export const powerRoundForm: OperationForm<PowerRoundOperation> = {
  word: 'A round for each way of making power',
  asDraft: (o) => {
    return { ways: [...o.ways] };
  },
  made: (d) => {
    const ways = POWERS.filter((p) => d.ways.includes(p));
    return ways.length > 0 ? yes({ op: 'power round', ways, ...laneOf(d) }) : no('Which ways?');
  },
  fields: (props) => {
    const { d, i, set } = props;
    const { lane } = controls(props);
    return (
      <div className="fields">
        <TextField
          id={`ways-${i}`}
          label="Ways"
          className="wide"
          select
          value={d.ways}
          onChange={(e) => set({ ways: e.target.value as unknown as string[] })}
          slotProps={{ select: { multiple: true } }}
        >
          {POWERS.map((p) => (
            <MenuItem key={p} value={p}>
              {p}
            </MenuItem>
          ))}
        </TextField>
        {lane('lane A')}
      </div>
    );
  },
};
