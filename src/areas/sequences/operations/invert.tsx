import { INVERSIONS, type InvertOperation } from '../../../core';
import { controls } from './controls';
import { no, yes } from './draft';
import type { OperationForm } from './form';

export const invertForm: OperationForm<InvertOperation> = {
  word: 'Change over',
  asDraft: (o) => {
    return { inversion: o.what, pairs: (o.pairs ?? []).map((p) => p.join(' = ')).join('\n') };
  },
  made: (d) => {
    const pairs: [string, string][] = [];
    for (const [i, line] of d.pairs.split('\n').entries()) {
      if (!line.trim()) continue;
      const names = line.split('=').map((x) => x.trim());
      if (names.length !== 2 || names.some((n) => n === ''))
        return no(`InversionPair ${i + 1}: two techniques with = between them.`);
      pairs.push([names[0]!, names[1]!]);
    }
    return yes({ op: 'invert', what: d.inversion, ...(pairs.length > 0 ? { pairs } : {}) });
  },
  fields: (props) => {
    const { d, set } = props;
    const { choose, type } = controls(props);
    return (
      <div className="fields">
        {choose(
          'What',
          'invert',
          d.inversion,
          INVERSIONS.map((x) => [x, x] as const),
          (inversion) => set({ inversion }),
        )}
        {type('Pairs, one a line; empty for common practice', 'pairs', d.pairs, (pairs) => set({ pairs }), {
          multiline: true,
          minRows: 2,
          className: 'wide',
          placeholder: 'lead punch = reverse punch\nfront kick = reverse punch',
          helperText: 'each stands for the other; a name in one pair only',
        })}
      </div>
    );
  },
};
