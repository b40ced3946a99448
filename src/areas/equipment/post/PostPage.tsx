import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import type { PostsView } from '../../../contracts/views';
import {
  capital,
  cutList,
  dayInWords,
  EMPTY_POST,
  heightsFor,
  holds,
  mayStrikeInWords,
  postOf,
  pulled,
  push,
  stiffnessBack,
  STIFFNESS_ACCEPTED,
  STIFFNESS_WANTED,
  type PostPlan,
} from '../../../core';
import { IslandRoot } from '../../../kit/IslandRoot';
import { Splinter } from '../../../kit/marks/small';
import { newId, send } from '../../../kit/send';
import { Switch } from '../../../kit/Switch';
import { firstName } from '../../../kit/words';
import { Measure } from './Measure';
import './Post.css';
import { PostBoards } from './PostBoards';
import { PostDrawing } from './PostDrawing';
import { PullTests } from './PullTests';

const nmm = (k: number) => (k / 1000).toFixed(1);
const mm = (d: number) => Math.round(d * 1000);

/** How high and how stiff: a post for somebody, reckoned as it is changed. */
export default function PostPage({ view, student }: { view: PostsView; student: string | null }) {
  const [posts, setPosts] = useState(view.posts);
  const known =
    posts.find((p) => student !== null && p.post.studentId === student) ?? (student === null ? posts[0] : undefined);
  const begin = (studentId: string | null): PostPlan => {
    const s = view.students.find((x) => x.id === studentId);
    return {
      ...EMPTY_POST,
      studentId: s?.id ?? null,
      title: s ? `A post for ${firstName(s.name)}` : 'A post for the hall',
      stature: s?.stature ?? EMPTY_POST.stature,
    };
  };
  const [id, setId] = useState(() => known?.id ?? newId());
  const [plan, setPlan] = useState<PostPlan>(() => known?.post ?? begin(student));
  const [says, setSays] = useState('');
  const [wrong, setWrong] = useState('');
  const kept = posts.find((p) => p.id === id);
  const set = (more: Partial<PostPlan>) => {
    setPlan({ ...plan, ...more });
    setSays('');
  };
  const who = view.students.find((s) => s.id === plan.studentId);
  const soft = who && !who.may.may && who.may.why !== 'guardian';
  const askFirst = who && !who.may.may && who.may.why === 'guardian';
  const post = postOf(plan);
  const test = pulled(plan);
  const pushed = push(post, plan.force, test);
  const { best } = pushed;
  const strong = holds(post, plan.force);
  const choose = (next: string) => {
    const p = posts.find((x) => x.id === next);
    setId(p?.id ?? newId());
    setPlan(p?.post ?? begin(next === '' ? null : next));
    setSays('');
  };
  const save = async () => {
    const answer = await send('post.save', {
      id,
      post: structuredClone(plan) as never,
      ...(kept ? { version: kept.version } : {}),
    });
    if (!answer.ok) return setWrong(answer.errors[0]?.message ?? answer.title);
    const { version } = answer.answer as { version: number };
    setPosts([{ id, post: plan, version, changed: view.today }, ...posts.filter((p) => p.id !== id)]);
    setWrong('');
    setSays('Kept.');
  };
  const remove = async () => {
    const answer = await send('post.remove', { id });
    if (!answer.ok) return setWrong(answer.title);
    setPosts(posts.filter((p) => p.id !== id));
    choose('');
  };
  const stiff = best.stiffness / 1000;
  const feel =
    stiff < STIFFNESS_ACCEPTED.lo
      ? 'too soft to come back'
      : stiff < STIFFNESS_WANTED.lo
        ? 'soft'
        : stiff <= STIFFNESS_WANTED.hi
          ? 'springy enough to begin on'
          : stiff <= STIFFNESS_ACCEPTED.hi
            ? 'hard'
            : 'too hard for a hand';
  const name = who ? firstName(who.name) : null;
  return (
    <IslandRoot>
      <div className="title">
        <div>
          <h1>How high and how stiff{name ? ` for ${name}` : ''}?</h1>
          <p className="sub">
            {who ? `${who.name}${who.age === null ? '' : `, ${who.age}`}, ` : ''}
            {(plan.stature / 100).toFixed(2)} m. {capital(plan.wood.name)}, drawn to scale.
            {kept ? ` Changed ${dayInWords(kept.changed, view.today)}.` : ' Nothing is kept yet.'}
          </p>
        </div>
        <div className="actions no-print">
          <Button onClick={() => void save()}>Keep it</Button>
          {askFirst ? (
            <a className="button go" href={`/students/${who.id}/strikes`}>
              Ask first
            </a>
          ) : (
            !soft && (
              <Button variant="contained" onClick={() => print()}>
                Print what to cut
              </Button>
            )
          )}
        </div>
      </div>
      <div role="alert">{wrong !== '' && <p className="message wrong">{wrong}</p>}</div>
      {says !== '' && (
        <p className="second" role="status">
          {says}
        </p>
      )}
      <div className="row wrap no-print post-who">
        <TextField select label="Post" value={kept ? id : ''} onChange={(e) => choose(e.target.value)}>
          <MenuItem value="">A new one</MenuItem>
          {posts.map((p) => (
            <MenuItem key={p.id} value={p.id}>
              {p.post.title}
            </MenuItem>
          ))}
        </TextField>
        <TextField
          select
          label="For"
          value={plan.studentId ?? ''}
          onChange={(e) => {
            const s = view.students.find((x) => x.id === e.target.value);
            set({
              studentId: s?.id ?? null,
              title: s ? `A post for ${firstName(s.name)}` : 'A post for the hall',
              plexus: null,
              ...(s?.stature ? { stature: s.stature } : {}),
            });
          }}
        >
          <MenuItem value="">whoever comes</MenuItem>
          {view.students.map((s) => (
            <MenuItem key={s.id} value={s.id}>
              {s.name}
            </MenuItem>
          ))}
        </TextField>
        <Measure
          key={`s ${id} ${plan.studentId}`}
          label="Stature in cm"
          value={plan.stature}
          lo={80}
          hi={230}
          onChange={(stature) => set({ stature })}
        />
        <Measure
          key={`p ${id} ${plan.studentId} ${plan.plexus === null ? plan.stature : ''}`}
          label={plan.plexus === null ? 'Plexus in cm, by the table' : 'Plexus in cm, measured'}
          value={plan.plexus ?? Math.round(heightsFor(plan.stature / 100).top * 100)}
          lo={50}
          hi={170}
          onChange={(plexus) => set({ plexus })}
        />
        {plan.plexus !== null && (
          <Button variant="text" onClick={() => set({ plexus: null })}>
            By the table
          </Button>
        )}
        {kept && view.head && (
          <Button variant="text" onClick={() => void remove()}>
            Take this post out
          </Button>
        )}
      </div>
      {soft ? (
        <section className="post-soft">
          <p className="post-lead">
            {who.name}: {mayStrikeInWords(who.may, view.rule, view.today)}
          </p>
          <p>
            No post is drawn. Hand pads, a kick shield and a soft bag train the same hips: begin with those, and come
            back when the time is there.
          </p>
        </section>
      ) : (
        <>
          <p className="post-lead">
            The pad ends at {post.top.toFixed(2)} m, and a push of {plan.force} N, some {Math.round(plan.force / 9.81)}{' '}
            kg, moves it {(best.deflection * 100).toFixed(1)} cm: {feel}.
          </p>
          {!strong.holds && (
            <p className="message hurts">
              <Splinter /> At {plan.force} N more than a third of what breaks it is used.{' '}
              {strong.thickness === null
                ? 'No board of up to 12 cm holds this.'
                : `Boards of ${mm(strong.thickness)} mm hold it.`}{' '}
              {strong.thickness !== null && (
                <Button
                  className="no-print"
                  onClick={() =>
                    set({
                      thickness: mm(strong.thickness!),
                      thin: Math.round((plan.thin / plan.thickness) * mm(strong.thickness!)),
                    })
                  }
                >
                  Take {mm(strong.thickness)} mm
                </Button>
              )}
            </p>
          )}
          <div className="post">
            <figure>
              <PostDrawing post={post} pushed={pushed} stature={plan.stature / 100} force={plan.force} />
              <div className="row wrap no-print">
                <Switch
                  label="Push"
                  value={String(plan.force)}
                  options={['150', '300', '450'].map((v) => ({ value: v, word: `${v} N` }))}
                  onChange={(v) => set({ force: Number(v) })}
                />
                <Switch
                  label="How it stands"
                  value={plan.base ? 'base' : 'ground'}
                  options={[
                    { value: 'ground', word: 'in the ground' },
                    { value: 'base', word: 'on a base' },
                  ]}
                  onChange={(v) => set({ base: v === 'base' ? { front: 300, rear: 100 } : null, pulls: [] })}
                />
              </div>
              {plan.base && (
                <div className="row wrap">
                  <Measure
                    label="Bracket in front, mm"
                    value={plan.base.front}
                    lo={0}
                    hi={600}
                    onChange={(front) => set({ base: { ...plan.base!, front } })}
                  />
                  <Measure
                    label="Bracket behind, mm"
                    value={plan.base.rear}
                    lo={0}
                    hi={600}
                    onChange={(rear) => set({ base: { ...plan.base!, rear } })}
                  />
                  <p className="second">
                    Back towards the user: {nmm(stiffnessBack(post))} N per mm. Deep in front and shallow behind is
                    springier away.
                  </p>
                </div>
              )}
            </figure>
            <PostBoards plan={plan} set={set} />
            <div className="stack">
              <section>
                <h2>Cut this</h2>
                <ul className="cut">
                  {cutList(post).map((l) => (
                    <li key={l.what}>
                      <b>{l.what}:</b> {l.size} <span className="second">{l.how}</span>
                    </li>
                  ))}
                </ul>
              </section>
              <PullTests plan={plan} today={view.today} set={set} />
              <section className="before">
                <h2>Before anybody strikes</h2>
                <p>
                  <Splinter />
                  <b className="hurts">Under {view.rule.fromAge}:</b> soft targets only.
                  {askFirst ? ' The guardian is asked first.' : ''}
                </p>
                <p>
                  <Splinter />
                  <b className="hurts">Open skin</b> stops it about two weeks. Pain or numbness: stop, ask a doctor.
                </p>
                <p>
                  <Splinter />
                  <b className="hurts">A crack or a knot</b> in the lower third: do not use it.
                </p>
                <p className="second">Local rules and your insurer come first; whoever builds it answers for it.</p>
              </section>
            </div>
          </div>
        </>
      )}
    </IslandRoot>
  );
}
