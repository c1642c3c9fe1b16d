'use client';

import {
  practiceNames,
  practices,
  entryWords,
  type EarlierVisit,
  type Entry,
  type PracticeName,
} from '@holotonos/core';
import { ForThose } from '@/frame/ForThose';
import { Link } from '@/ui/Link';
import { useId, useState } from 'react';
import { Button, Form } from '@/ui/bootstrap';
import { useJob } from '@/job/JobContext';
import { LooksWaiting } from '@/job/MasterLook';
import { counted } from '@/ui/words';
import { PhotoRow } from '@/photos/PhotoRow';
import { PhotoTaker } from '@/photos/PhotoTaker';
import { placeOfFirst } from '@/job/BeforeSteps';
import { nextWords } from '@/job/stepWords';
import { ReasonForm } from '@/ui/formParts';
import { Bands } from '@/job/JobShell';
import { StateMark } from '@/ui/StateMark';
import { useWhen } from '@/frame/BenchContext';
import { EarlierVisits, KnownAgain } from './EarlierVisits';
import { NoteForm } from './NoteForm';

const pageOfLog = 25;

/** Which limits this job goes by: those of its practice, or a set of the shop. Readings are judged anew, never changed. */
function LimitsChange() {
  const { state, shop, write } = useJob();
  const id = useId();
  const now = state.tolerances?.body.profile ?? '';
  const [chosen, setChosen] = useState<string | null>(null);
  const [reason, setReason] = useState('');
  const profiles = shop.profiles.filter(({ retired }) => !retired);
  const profile = profiles.find(({ name }) => name === (chosen ?? now));
  // The shop may have changed the set since this job took it up.
  const newer =
    chosen === null &&
    profile &&
    state.tolerances &&
    JSON.stringify([profile.changes, profile.settings]) !==
      JSON.stringify([state.tolerances.body.changes, state.tolerances.body.settings]);
  if (profiles.length === 0 && !state.tolerances) return null;
  return (
    <form
      className="mt-3"
      onSubmit={(event) => {
        event.preventDefault();
        const body = {
          profile: profile?.name ?? 'as the practice has them',
          changes: profile?.changes ?? [],
          ...(profile?.settings && { settings: profile.settings }),
          reason,
        };
        if (!write('tolerances', body)) return;
        setReason('');
        setChosen(null);
      }}
    >
      <Form.Label htmlFor={`${id}-limits`}>Own practice of the shop</Form.Label>
      <Form.Select
        id={`${id}-limits`}
        className="mb-1"
        value={chosen ?? now}
        onChange={(event) => setChosen(event.target.value)}
      >
        <option value="">as the practice has them</option>
        {profiles.map(({ id: key, name }) => (
          <option key={key} value={name}>
            {name}
          </option>
        ))}
        {now !== '' && !profiles.some(({ name }) => name === now) && <option value={now}>{now}</option>}
      </Form.Select>
      {newer && <p className="soft mb-1">The shop has changed this set since the job took it up.</p>}
      {((chosen !== null && chosen !== now) || newer) && (
        <>
          <Form.Label htmlFor={`${id}-limits-why`}>Why? What was read is judged anew, and the plan follows.</Form.Label>
          <Form.Control
            id={`${id}-limits-why`}
            className="mb-2"
            value={reason}
            onChange={(event) => setReason(event.target.value)}
          />
          <Button type="submit" disabled={reason.trim() === ''}>
            Take it up
          </Button>
        </>
      )}
    </form>
  );
}

function PracticeChange() {
  const { state, write } = useJob();
  const id = useId();
  const [practice, setPractice] = useState<PracticeName>(state.practice);
  const [reason, setReason] = useState('');
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        if (write('practice-change', { practice, reason })) setReason('');
      }}
    >
      <Form.Label htmlFor={`${id}-practice`}>Practice</Form.Label>
      <Form.Select
        id={`${id}-practice`}
        className="mb-1"
        value={practice}
        onChange={(event) => setPractice(event.target.value as PracticeName)}
      >
        {practiceNames.map((name) => (
          <option key={name} value={name}>
            {practices[name].title}
          </option>
        ))}
      </Form.Select>
      <p className="soft mb-2">{practices[practice].holds}</p>
      {practice !== state.practice && (
        <>
          <Form.Label htmlFor={`${id}-reason`}>Why change it? Limits and plan follow.</Form.Label>
          <Form.Control
            id={`${id}-reason`}
            className="mb-2"
            value={reason}
            onChange={(event) => setReason(event.target.value)}
          />
          <Button type="submit" disabled={reason.trim() === ''}>
            Change the practice
          </Button>
        </>
      )}
    </form>
  );
}

/** Readings of one part taken in a row by one hand stand together; every other entry by itself. Newest first. */
function grouped(entries: readonly Entry[]): Entry[][] {
  const groups: Entry[][] = [];
  for (const entry of entries) {
    const last = groups.at(-1)?.[0];
    const together =
      entry.kind === 'reading' &&
      last?.kind === 'reading' &&
      last.author === entry.author &&
      last.body.point.part === entry.body.point.part &&
      last.body.point.group === entry.body.point.group;
    if (together) groups.at(-1)?.push(entry);
    else groups.push([entry]);
  }
  return groups.reverse();
}

function LogEntry({ entry }: { entry: Entry }) {
  const { state, names, write } = useJob();
  const [striking, setStriking] = useState(false);
  const struck = state.struck.has(entry.id);
  const words = entryWords(entry, names, state.unit);
  const canStrike = !struck && !striking && entry.kind !== 'strike' && entry.kind !== 'intake';
  return (
    <div className={`log-entry${struck ? ' soft' : ''}`}>
      <div>
        {struck ? <s>{words}</s> : words}
        {struck && ' (struck)'}
        {striking && (
          <ReasonForm
            label="Why strike it? It stays readable."
            action="Strike"
            onReason={(reason) => {
              write('strike', { entry: entry.id, reason });
              setStriking(false);
            }}
            onBack={() => setStriking(false)}
          />
        )}
      </div>
      {canStrike && (
        <Button variant="quiet" onClick={() => setStriking(true)} aria-label={`Strike: ${words}`}>
          Strike
        </Button>
      )}
    </div>
  );
}

/** The logbook, newest first; an entry can be struck, never taken out. */
function Logbook() {
  const { momentText } = useWhen();
  const { state, names } = useJob();
  const [shown, setShown] = useState(pageOfLog);
  const groups = grouped(state.entries);
  return (
    <section aria-label="Logbook">
      <h2>Logbook</h2>
      <ol className="plan-list">
        {groups.slice(0, shown).map((group) => {
          const [first] = group;
          if (!first) return null;
          return (
            <li key={first.id} className="log-row">
              <div className="soft">
                {momentText(first.benchTime)}
                <br />
                {first.author}
              </div>
              {first.kind === 'reading' && group.length > 1 ? (
                <details>
                  <summary>
                    {group.length} readings, {first.body.point.group} of{' '}
                    {names.get(first.body.point.part) ?? first.body.point.part}
                  </summary>
                  {group.map((entry) => (
                    <LogEntry key={entry.id} entry={entry} />
                  ))}
                </details>
              ) : (
                <LogEntry entry={first} />
              )}
            </li>
          );
        })}
      </ol>
      {shown < groups.length && (
        <Button variant="quiet" className="mt-2" onClick={() => setShown(shown + pageOfLog)}>
          Show earlier entries
        </Button>
      )}
    </section>
  );
}

/** Every picture of the job, and a way to take another. */
function Pictures() {
  const { state } = useJob();
  const photos = [...state.photos.values()];
  return (
    <div className="sheet">
      <h2>Pictures</h2>
      {photos.length === 0 && <p className="soft">None yet. Photograph all sides before anything is touched.</p>}
      <PhotoTaker about={{}} words="Take a picture" />
      <PhotoRow photos={photos} />
    </div>
  );
}

/** A job at a glance: what is next, what needs an answer, what the intake said, and the logbook. */
export function OverviewView({ earlier = [] }: { earlier?: readonly EarlierVisit[] }) {
  const { ticket, state, judgement, plan } = useJob();
  const { intake } = state;
  const stale = [...judgement.pads.values(), ...judgement.rims.values()].filter(
    (report) => report.state === 'stale',
  ).length;
  const outside = [...judgement.pads.values(), ...judgement.rims.values()].filter(
    (report) => report.state === 'outside',
  ).length;
  const suspected = [...state.findings.values()].filter(({ status }) => status === 'suspected').length;
  const place = plan.first ? placeOfFirst[plan.first] : { path: 'plan', page: 'its card' };
  const facts: [string, string | undefined][] = [
    ['Owner', intake?.owner],
    ['Serial', intake?.serial],
    [
      'Material',
      [intake?.material, intake?.finish, intake?.spareFinish && 'not to be polished'].filter(Boolean).join(', '),
    ],
    ['What is wrong', intake?.complaint],
    ['Playing', intake?.playing],
    ['Last padded', intake?.lastPadded],
    ['May be changed', intake?.mayChange],
    ['Test play', intake?.testPlay],
  ];
  return (
    <Bands
      work={
        <div className="split">
          <div>
            <LooksWaiting />
            <EarlierVisits visits={earlier} />
            <div className="sheet">
              <h2>Where it stands</h2>
              <ul className="mb-0">
                <li>
                  {judgement.suggestions.length > 0 ? (
                    <Link href={`/jobs/${ticket}/findings`}>
                      {counted(judgement.suggestions.length, 'suggestion')} from the readings to answer
                    </Link>
                  ) : (
                    'No suggestion waits for an answer'
                  )}
                </li>
                {suspected > 0 && (
                  <li>
                    <Link href={`/jobs/${ticket}/findings`}>
                      {counted(suspected, 'finding')} only suspected: confirm or decline
                    </Link>
                  </li>
                )}
                <li>
                  Pads and rims: {outside} <StateMark state="outside" />, {stale} <StateMark state="stale" />
                </li>
                <li>
                  {plan.steps.filter(({ status }) => status === 'done' || status === 'skipped').length} of{' '}
                  {plan.steps.length} steps behind us
                </li>
                {state.signOff && <li>Signed off by {state.signOff.author}</li>}
              </ul>
            </div>
            <Logbook />
          </div>
          <div>
            <div className="sheet">
              <h2>Intake</h2>
              <dl className="row mb-0">
                {facts
                  .filter(([, value]) => value)
                  .map(([name, value]) => (
                    <div key={name} className="d-flex">
                      <dt className="col-4">{name}</dt>
                      <dd className="col-8 mb-1">{value}</dd>
                    </div>
                  ))}
              </dl>
              <KnownAgain />
              <hr />
              <ForThose act="judge">
                <PracticeChange key={state.practice} />
                <LimitsChange />
              </ForThose>
            </div>
            <Pictures />
            <NoteForm />
          </div>
        </div>
      }
      says={
        <div className="readout-plain">
          <span className="soft">Next</span>
          <span className="next">{state.signOff ? 'Signed off' : nextWords(plan)}</span>
          {plan.next && !state.signOff && (
            <Link className="btn btn-primary" href={`/jobs/${ticket}/${place.path}`}>
              Open {place.page}
            </Link>
          )}
        </div>
      }
    />
  );
}
