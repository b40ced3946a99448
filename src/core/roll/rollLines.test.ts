import { describe, expect, it } from 'vitest';
import { checkRollLines, readRollCells } from './rollLines';

const context = {
  ranks: ['White', 'Straw', 'Amber', 'Fern'].map((name) => ({ id: name.toLowerCase(), name })),
  onTheRoll: [{ name: 'Ilse Marrow', born: '2011-06-14' }],
  today: '2026-03-05',
};
const check = (...rows: string[][]) => checkRollLines(readRollCells(rows), context);

describe('a pasted roll', () => {
  it('takes good lines in any column order, if the columns are named', () => {
    const [a] = check(['Born', 'Belt', 'Name'], ['4 May 2010', 'amber belt', '  Tomasz   Rill ']);
    expect(a).toMatchObject({
      takes: true,
      line: 2,
      student: { name: 'Tomasz Rill', rankId: 'amber', born: '2010-05-04', since: context.today },
    });
  });

  it.each([
    [['', 'Amber', '', ''], 'There is no name on this line.'],
    [['Yuna Brack', 'Straw', '31 Feb 2012', ''], 'Date of birth: February has no 31st.'],
    [['Yuna Brack', 'Strwa', '', ''], 'No belt of this school is called Strwa. Straw?'],
    [['Yuna Brack', 'Purple', '', ''], 'No belt of this school is called Purple.'],
    [['Yuna Brack', '', '', ''], 'There is no belt on this line.'],
    [['Yuna Brack', 'Straw', '2027-01-01', ''], 'The date of birth is still to come.'],
    [['Yuna Brack', 'Straw', '2012-01-01', '2011-01-01'], 'The belt is older than the person.'],
    [['ILSE MARROW', 'Amber', '', ''], 'ILSE MARROW is already on the roll.'],
    [['Ilse Märrow', 'Amber', '14 June 2011', ''], 'Ilse Märrow is already on the roll.'],
  ])('refuses %j', (row, wrong) => expect(check(row)[0]).toMatchObject({ takes: false, amiss: [{ says: wrong }] }));

  it('names everything that is wrong with a line', () => {
    const [one] = check(['', 'Strwa', '31 Feb 2012', 'soon']);
    expect(one).toMatchObject({ takes: false });
    expect(one!.takes ? [] : one!.amiss.map((a) => a.field)).toEqual(['name', 'rank', 'born', 'since']);
  });

  it('refuses a doubled name and still takes the rest', () => {
    const rows = check(
      ['Bram Oakes', 'Straw', '2 Dec 2013'],
      [''],
      ['Bram Oakes', 'Straw', '2 Dec 2013'],
      ['Nell Okafor', 'Fern', ''],
    );
    expect(rows.map((r) => [r.line, r.takes])).toEqual([
      [1, true],
      [3, false],
      [4, true],
    ]);
    expect(rows[1]).toMatchObject({ amiss: [{ field: 'name', says: 'Bram Oakes already stands on line 1.' }] });
  });

  it('takes a second person of the same name with another birth date, and remarks on it', () => {
    expect(check(['Ilse Marrow', 'White', '2016-01-02'])[0]).toMatchObject({
      takes: true,
      remark: 'belt counted from today; another person of this name is on the roll',
    });
  });
});
