import { cleanup, fireEvent, render, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { beforeEach, describe, expect, it } from 'vitest';
import { NO_DETAIL, type TechniqueDetail } from '../../contracts/stored/technique';
import type { TechniqueInput } from '../../contracts/technique';
import type { TechniqueView } from '../../contracts/views';
import { commonStance } from '../../core';
import { idFor } from '../../kit/testing/ids';
import { leaving } from '../../kit/testing/leaving';
import { smallServer } from '../../kit/testing/smallServer';
import { Merge, Places, Stages, StanceFromAbove, Terms, Ways } from './Details';
import TechniqueForm from './TechniqueForm';

let server: ReturnType<typeof smallServer>;
beforeEach(() => {
  server = smallServer();
  localStorage.clear();
});
const user = () => userEvent.setup({ delay: null });
const button = (name: string | RegExp) => screen.getByRole('button', { name });
const sheet = (name: string) => screen.getByRole('region', { name });

const viewOf = (detail: Partial<TechniqueDetail> = {}, more: Partial<TechniqueView> = {}): TechniqueView => ({
  technique: {
    id: idFor('cat stance'),
    name: 'Cat stance',
    kind: 'stance',
    summary: '',
    sided: true,
    stanceId: null,
    stepId: null,
    retired: false,
    version: 2,
    changedOn: '2026-02-01',
    changedBy: null,
    detail: { ...NO_DETAIL, ...detail },
  },
  points: [],
  others: [],
  suggested: [],
  stanceShown: null,
  sequences: [],
  usedBy: [],
  stances: [],
  steps: [],
  lately: {},
  ...more,
});

describe('what a technique is besides its points', () => {
  it('its names stand in their own script, with their language, how they are said and what they mean', () => {
    render(
      <Terms
        view={viewOf({
          terms: [
            { text: '猫足立ち', lang: 'ja', said: 'neko-ashi-dachi', meaning: 'cat foot stance' },
            { text: 'Stand der Katze', lang: 'no tag', said: '', meaning: '' },
          ],
        })}
      />,
    );
    const [first, second] = screen.getAllByRole('listitem');
    expect(screen.getByText('猫足立ち').getAttribute('lang')).toBe('ja');
    expect(first!.textContent).toBe('猫足立ちJapaneseneko-ashi-dachi, “cat foot stance”');
    // A tag that no browser knows stands as it is written.
    expect(second!.textContent).toBe('Stand der Katzeno tag');
  });

  it('of nothing nothing is said', () => {
    const view = viewOf();
    const { container } = render(
      <>
        <Terms view={view} />
        <StanceFromAbove view={view} />
        <Stages counts={['lift']} joined={[]} />
        <Ways view={view} />
        <Places view={view} />
        <Merge view={view} />
      </>,
    );
    expect(container.textContent).toBe('');
  });

  it('its stance is drawn from above and put into words', () => {
    render(
      <StanceFromAbove
        view={viewOf({}, { stanceShown: { name: 'Cat stance', geometry: commonStance('cat stance')! } })}
      />,
    );
    const said = screen.getByRole('img').getAttribute('aria-label')!;
    expect(said).toContain('10 in a hundred');
    expect(sheet('From above').textContent).toContain(said);
  });

  it('its counts are joined as it says; where that does not add up, as one piece', () => {
    const counts = ['lift', 'turn', 'out', 'in', 'down'];
    const drawn = () => screen.getByRole('img').querySelectorAll('rect').length;
    const { rerender } = render(<Stages counts={counts} joined={[3, 2]} />);
    expect(screen.getByRole('img').getAttribute('aria-label')).toContain('By counts: lift, turn, out, in, down');
    expect(drawn()).toBe(5 + 2);
    rerender(<Stages counts={counts} joined={[3, 3]} />);
    expect(drawn()).toBe(5 + 1);
  });

  it('ways of schools, what shows itself and how far it may go, with the caution', () => {
    const toes = { id: idFor('toes'), name: 'Toes' } as TechniqueView['points'][number];
    render(
      <Ways
        view={viewOf(
          {
            surface: 'ball of the foot',
            zone: 'lower',
            variants: [
              { name: 'Heel down', pointId: toes.id, schools: 'Reed House', why: 'wet boards', graded: false },
            ],
            selfChecks: [
              {
                arrange: 'A sheet of paper under the front foot',
                pass: 'it can be pulled away',
                names: [{ outcome: 'it tears', slip: 'weight in front' }],
              },
            ],
            ceiling: { condition: 'still target', kind: 'touches', contact: '', targets: 'the pad', age: 12 },
          },
          { points: [toes] },
        )}
      />,
    );
    expect(screen.getByText('Strikes with the ball of the foot; lower height.')).toBeTruthy();
    expect(sheet('Where schools differ').textContent).toContain('at “Toes”; kept by Reed House; wet boards');
    expect(sheet('Where schools differ').textContent).toContain('for study');
    expect(sheet('Shows itself').textContent).toContain('it tears names: weight in front');
    const far = sheet('How far it may go').textContent;
    expect(far).toContain('no farther than still target; touches; at the pad; from the age of 12.');
    expect(far).toContain('Rules of federation, insurer and local law');
  });

  it('says what comes before it, what else might, and where it occurs, not more than twelve counts of it', () => {
    const front = { id: idFor('front stance'), name: 'Front stance', kind: 'stance' as const };
    render(
      <Places
        view={viewOf(
          { prerequisites: [front.id, idFor('gone')] },
          {
            others: [front],
            suggested: [{ id: idFor('x'), name: 'Back stance', why: 'the same weight behind' }],
            sequences: [
              { id: idFor('sluice'), title: 'Sluice', counts: [4] },
              { id: idFor('ferry'), title: 'Ferry Pole', counts: Array.from({ length: 14 }, (_, i) => i + 1) },
            ],
          },
        )}
      />,
    );
    const before = sheet('What comes before it');
    expect(within(before).getAllByRole('listitem')).toHaveLength(1);
    expect(before.textContent).toContain('Perhaps also back stance (the same weight behind).');
    expect(sheet('Where it occurs').textContent).toContain('Sluice count 4');
    expect(sheet('Where it occurs').textContent).toContain('counts 1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12…');
  });
});

describe('two that are the same', () => {
  const [same, kick] = [
    { id: idFor('cat'), name: 'Cat foot', kind: 'stance' as const },
    { id: idFor('kick'), name: 'Front kick', kind: 'kick' as const },
  ];
  const open = async () => {
    render(<Merge view={viewOf({}, { others: [same, kick] })} />);
    await user().click(button('Another one is the same'));
    await user().click(screen.getByRole('combobox', { name: 'The other one' }));
  };

  it('are of one kind, and nothing happens before one is chosen and it is said what will', async () => {
    await open();
    expect(screen.getAllByRole('option').map((o) => o.textContent)).toEqual(['Cat foot']);
    expect(screen.getByText('Make them one').closest('button')).toHaveProperty('disabled', true);
    await user().click(screen.getByRole('option', { name: 'Cat foot' }));
    expect(screen.getByText(/^Cat foot will be retired\..*This cannot be undone\./)).toBeTruthy();
  });

  it('why they cannot become one is said, and the choice stays', async () => {
    await open();
    await user().click(screen.getByRole('option', { name: 'Cat foot' }));
    server.refuse = { status: 409, title: 'Cat foot has changed meanwhile.' };
    await user().click(button('Make them one'));
    expect(await screen.findByText('Cat foot has changed meanwhile.')).toBeTruthy();
    expect(server.sent).toMatchObject([
      { name: 'technique.merge', input: { keepId: idFor('cat stance'), goneId: same.id } },
    ]);
    expect(screen.getByRole('combobox', { name: 'The other one' }).textContent).toBe('Cat foot');
  });
});

describe('writing what it is besides its points', () => {
  const start: TechniqueInput = {
    id: idFor('cat stance'),
    name: 'Cat stance',
    kind: 'stance',
    summary: '',
    sided: true,
    stanceId: null,
    stepId: null,
    points: [],
  };
  const open = (detail?: Partial<TechniqueDetail>) =>
    render(
      <TechniqueForm
        start={detail ? { ...start, detail: { ...NO_DETAIL, ...detail } } : start}
        stances={[]}
        steps={[]}
        others={[{ id: idFor('front stance'), name: 'Front stance' }]}
        isNew={false}
        version={2}
      />,
    );
  const write = (label: string, value: string) => {
    fireEvent.change(screen.getByLabelText(label), { target: { value } });
  };
  // By its words: to look for roles in so long a form takes longer than to press what is found.
  const press = (says: string) => user().click(screen.getByText(says));
  const saved = async () => {
    await press('Save it');
    await waitFor(() => {
      expect(server.sent).toHaveLength(1);
    });
    return (server.sent[0]!.input as unknown as TechniqueInput).detail!;
  };

  it('names, ways and stages are sent as they are written', async () => {
    const gone = leaving();
    open();
    await press('Add a name');
    write('Language tag', 'ja');
    // The first “Name” is the technique's own.
    fireEvent.change(screen.getAllByLabelText('Name')[1]!, { target: { value: '猫足立ち' } });
    expect(screen.getAllByLabelText('Name')[1]!.getAttribute('lang')).toBe('ja');
    write('Strikes with', 'ball of the foot');
    write('Counts of the first stage', 'lift, turn, , out');
    write('Joined as', '2, 1');
    await press('Add a way');
    write('Way', 'Heel down');
    await user().click(screen.getByLabelText('shown at gradings'));
    expect(await saved()).toMatchObject({
      terms: [{ text: '猫足立ち', lang: 'ja' }],
      surface: 'ball of the foot',
      counts: ['lift', 'turn', 'out'],
      joined: [2, 1],
      variants: [{ name: 'Heel down', pointId: null, graded: true }],
      ceiling: null,
    });
    expect(gone).toHaveBeenCalledExactlyOnceWith(`/techniques/${start.id}`);
  });

  it('so are what shows itself, how far it may go and what comes before', async () => {
    leaving();
    open();
    await press('Add a self-check');
    write('What to arrange', 'A sheet of paper under the front foot');
    write('Right when', 'it can be pulled away');
    await press('Add an outcome');
    write('What happens instead', 'it tears');
    await press('Set a ceiling');
    write('From age', '12');
    await user().click(screen.getByLabelText('What comes before it'));
    await user().click(screen.getByRole('option', { name: 'Front stance' }));
    expect(await saved()).toMatchObject({
      selfChecks: [{ pass: 'it can be pulled away', names: [{ outcome: 'it tears', slip: '' }] }],
      ceiling: { age: 12, kind: null },
      prerequisites: [idFor('front stance')],
    });
  });

  it('what cannot be stays as it was typed, and says so at its field', async () => {
    open({ ceiling: { condition: '', kind: null, contact: '', targets: '', age: 12 } });
    write('From age', 'twelve');
    write('Joined as', '3, rest');
    await press('Add a name');
    write('Language tag', 'a language');
    write('Length, shoulder breadths', 'long');
    await press('Save it');
    expect(await screen.findByText('An age is a number.')).toBeTruthy();
    for (const said of ['A piece is a number.', /^This is no language tag/, 'This line is empty.'])
      expect(screen.getByText(said)).toBeTruthy();
    expect(screen.getByLabelText('From age')).toHaveProperty('value', 'twelve');
    expect(screen.getByLabelText('Joined as')).toHaveProperty('value', '3, rest');
    expect(screen.getByLabelText('Length, shoulder breadths')).toHaveProperty('value', 'long');
    expect(server.sent).toEqual([]);
  });

  it('what was not saved is there again in every field, also in lists and numbers', async () => {
    open({ counts: ['lift', 'out'], ceiling: { condition: '', kind: null, contact: '', targets: '', age: 12 } });
    write('Counts of the first stage', 'lift, turn, out');
    write('From age', '14');
    cleanup();
    open({ counts: ['lift', 'out'], ceiling: { condition: '', kind: null, contact: '', targets: '', age: 12 } });
    expect(await screen.findByText(/Here is what you typed last time/)).toBeTruthy();
    const shown = () => ['Counts of the first stage', 'From age'].map((l) => screen.getByLabelText(l));
    expect(shown().map((f) => (f as HTMLInputElement).value)).toEqual(['lift, turn, out', '14']);
    await press('Begin from what is saved');
    expect(shown().map((f) => (f as HTMLInputElement).value)).toEqual(['lift, out', '12']);
  });

  it('a stance that nobody changed keeps its common shape; a changed one is the school’s own', async () => {
    leaving();
    open();
    write('On the front foot, in 100', '20');
    const detail = await saved();
    expect(detail.geometry).toEqual({ ...commonStance('cat stance'), leadWeight: 20 });
  });

  it('what is taken out is gone, and no other takes its place', async () => {
    leaving();
    open({
      terms: ['one', 'two', 'three'].map((text) => ({ text, lang: 'pl', said: '', meaning: '' })),
      ceiling: { condition: '', kind: null, contact: '', targets: '', age: 12 },
    });
    await user().click(screen.getAllByText('take out')[1]!);
    await press('no ceiling');
    const detail = await saved();
    expect(detail.terms.map((t) => t.text)).toEqual(['one', 'three']);
    expect(detail.ceiling).toBeNull();
  });
});
