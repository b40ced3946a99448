import { POWERS, type PowerByKindOperation } from '../../../core';
import { controls } from './controls';
import { no, yes } from './draft';
import type { OperationForm } from './form';

export const powerByKindForm: OperationForm<PowerByKindOperation> = {
  word: 'Power by kind of count',
  asDraft: (o) => {
    return {
      powers: { turning: o.ways.turning ?? '', advancing: o.ways.advancing ?? '', standing: o.ways.standing ?? '' },
    };
  },
  made: (d) => {
    const ways = Object.fromEntries(Object.entries(d.powers).filter(([, way]) => way !== ''));
    return Object.keys(ways).length > 0 ? yes({ op: 'power by kind', ways }) : no('Which ways?');
  },
  fields: (props) => {
    const { d, set } = props;
    const { choose } = controls(props);
    return (
      <div className="fields">
        {(['turning', 'advancing', 'standing'] as const).map((kind) => (
          <span key={kind}>
            {choose(
              kind === 'turning' ? 'Out of a turn' : kind === 'advancing' ? 'Going forward' : 'Standing',
              `power-${kind}`,
              d.powers[kind],
              [['', 'as it is'], ...POWERS.map((p) => [p, p] as const)],
              (way) => set({ powers: { ...d.powers, [kind]: way } }),
            )}
          </span>
        ))}
      </div>
    );
  },
};
