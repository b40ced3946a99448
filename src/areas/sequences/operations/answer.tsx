import { NO_WORDS, parseAnswerRules, printAnswerRules, type AnswerOperation } from '../../../core';
import { controls } from './controls';
import { no, yes } from './draft';
import type { OperationForm } from './form';

export const answerForm: OperationForm<AnswerOperation> = {
  word: 'Answer each attack',
  asDraft: (o) => {
    return { rules: o.rules ? printAnswerRules(o.rules, NO_WORDS) : '' };
  },
  made: (d, words) => {
    if (!d.rules.trim()) return yes({ op: 'answer' });
    const rules = parseAnswerRules(d.rules, words);
    return rules.ok ? yes({ op: 'answer', rules: rules.value }) : no(rules.error);
  },
  fields: (props) => {
    const { d, set } = props;
    const { type } = controls(props);
    return (
      <div className="fields">
        {type('Rules, one a line; empty for common practice', 'rules', d.rules, (rules) => set({ rules }), {
          multiline: true,
          minRows: 3,
          className: 'wide',
          placeholder: 'hook punch: duck\nstrike high: rising block L',
          helperText: 'attack: defence, written for an attack with the right',
        })}
      </div>
    );
  },
};
