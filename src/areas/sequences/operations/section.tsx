import { type SectionOperation } from '../../../core';
import { controls } from './controls';
import { no, yes } from './draft';
import type { OperationForm } from './form';

export const sectionForm: OperationForm<SectionOperation> = {
  word: 'One section',
  asDraft: (o) => {
    return { section: o.name };
  },
  made: (d) => {
    return d.section ? yes({ op: 'section', name: d.section }) : no('Which section?');
  },
  fields: (props) => {
    const { d, sections, set } = props;
    const { choose } = controls(props);
    return (
      <div className="fields">
        {choose(
          'Section',
          'section',
          d.section,
          sections.map((s) => [s, s] as const),
          (section) => set({ section }),
        )}
      </div>
    );
  },
};
