import { type TurnsOperation } from '../../../core';
import { controls } from './controls';
import { yes } from './draft';
import type { OperationForm } from './form';

export const turnsForm: OperationForm<TurnsOperation> = {
  word: 'All turns one way',
  asDraft: (o) => {
    return { turns: o.by };
  },
  made: (d) => {
    return yes({ op: 'turns', by: d.turns });
  },
  fields: (props) => {
    const { d, set } = props;
    const { choose } = controls(props);
    return (
      <div className="fields">
        {choose(
          'All turns',
          'turns',
          d.turns,
          [
            ['cross', 'across'],
            ['swing', 'by swing'],
          ],
          (turns) => set({ turns }),
        )}
      </div>
    );
  },
};
