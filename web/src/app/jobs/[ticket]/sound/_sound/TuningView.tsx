'use client';

import {
  boundWords,
  centsText,
  cutLimits,
  cutsMade,
  fingeringWords,
  holesNow,
  leanOf,
  mayCut,
  noteAnchor,
  noteLimit,
  notesPutOut,
  printQuantity,
  raisedBy,
  sharedHoles,
  size,
  spoiltBy,
  stock,
  ventsOf,
  type Lean,
} from '@holotonos/core';
import { Link } from '@/ui/Link';
import { useMemo, useState } from 'react';
import { usePageKeys } from '@/frame/keysHere';
import { pageKeys } from '@/frame/pageKeys';
import { useJob } from '@/job/JobContext';
import { PassLesson } from '@/job/PassLesson';
import { Bands } from '@/job/JobShell';
import { useStripControl } from '@/tube/StripControl';
import { Button, Form } from '@/ui/bootstrap';
import { FigureForm, sizeIn } from '@/ui/FigureForm';
import { tenth } from './lifts';
import { SoundNav } from './SoundNav';
import { useTuning, type Tuning } from './useTuning';

const off = (value: number) => `${centsText(tenth(value))} ¢`;

const leanWords: Record<Lean, string> = {
  within: 'within',
  flat: 'flat together',
  sharp: 'sharp together',
  disagree: 'they disagree: left',
};

/** How high pads stand, before any hole is touched. */
function Venting() {
  const { ticket, type, state, names } = useJob();
  const { points, passes, practice, tolerances, unit } = state;
  const vents = useMemo(
    () => ventsOf({ points, passes, practice, tolerances }, type),
    [points, passes, practice, tolerances, type],
  );
  return (
    <section className="sheet mb-0" aria-label="Venting">
      <h2>Venting first</h2>
      <p className="soft">
        A pad that stands low makes its note dull and flat, and no file cures that. What{' '}
        {printQuantity(size(raisedBy), unit)} more would do, by the model:
      </p>
      <table className="readings">
        <thead>
          <tr>
            <th scope="col">Pad</th>
            <th scope="col">Stands</th>
            <th scope="col">Usual</th>
            <th scope="col">Note</th>
            <th scope="col">Raised</th>
          </tr>
        </thead>
        <tbody>
          {vents.map(({ hole, height, usual, gain, note }) => {
            const low = height !== null && height < 0.85 * usual;
            return (
              <tr key={hole}>
                <th scope="row">
                  <Link href={`/jobs/${ticket}/measure?group=pad&part=${hole}`}>{names.get(hole) ?? hole}</Link>
                </th>
                <td className={low ? 'text-danger' : undefined}>
                  {height === null ? <span className="soft">not read</span> : printQuantity(stock(height), unit)}
                  {low && ', low'}
                </td>
                <td>{printQuantity(stock(usual), unit)}</td>
                <td>{note ? fingeringWords(note) : ''}</td>
                <td>{gain === null ? '' : off(gain)}</td>
              </tr>
            );
          })}
        </tbody>
      </table>
      <p className="soft mb-0 mt-2">Heights that nobody has read are taken as usual for the family.</p>
    </section>
  );
}

/** One cut or filling written down, then its notes are read again. */
function CutForm({ hole, act, upTo }: { hole: string; act: 'cut' | 'fill'; upTo: number }) {
  const { type, state, write } = useJob();
  const size = sizeIn(state.unit);
  const read = (text: string) => {
    const mm = size(text);
    if (typeof mm === 'string' || mm <= upTo + 0.005) return mm;
    return `That is more than ${printQuantity(stock(upTo), state.unit)}: cut in small steps and read again.`;
  };
  return (
    <FigureForm
      label={act === 'cut' ? 'I have opened it by' : 'I have narrowed it by'}
      action="Log it"
      quiet
      placeholder={printQuantity(stock(Math.min(0.1, upTo)), state.unit)}
      read={read}
      onTaken={(amount) => {
        const disturbs = spoiltBy(act === 'cut' ? 'file-hole-up' : 'fill-hole-down', hole, type);
        return write('pass', { pass: act, group: 'hole', part: hole, amount, disturbs });
      }}
    />
  );
}

/** What is worked out for the holes that were chosen, with what it does to every note, or why it is not proposed. */
function Answer({ tuning, cut }: { tuning: Tuning; cut: boolean }) {
  const { type, state, names } = useJob();
  const { answer, progress, problem, doubts, stop } = tuning;
  const limit = noteLimit(state, type);
  const wide = useMemo(() => holesNow(state, type), [state, type]);
  const name = (id: string) => names.get(id) ?? id;
  if (progress !== null)
    return (
      <p>
        <progress max={1} value={progress} aria-label="Working out what to alter" />{' '}
        <Button variant="quiet" onClick={stop}>
          Stop
        </Button>
      </p>
    );
  if (problem) return <p role="alert">{problem}</p>;
  if (!answer)
    return (
      <p className="soft mb-0">
        Choose the holes that may be altered: what it does to every note is told before anything is cut.
      </p>
    );
  if (answer.changes.length === 0)
    return <p className="mb-0">With these holes nothing is gained: the notes that are out do not come in by them.</p>;
  const worse = notesPutOut(answer, limit);
  const moved = answer.notes.filter(({ before, after }) => Math.abs(after - (before ?? 0)) >= 0.5);
  return (
    <>
      {worse.length > 0 && (
        <p className="say fault" role="alert">
          Not proposed: it would put out{' '}
          {worse
            .map(({ fingering, before, after }) => `${name(fingering)} from ${off(before)} to ${off(after)}`)
            .join(', ')}
          . The hole is left, undercut, or the gain shared; a player can lip the rest.
        </p>
      )}
      <p>
        The worst note goes from {tenth(answer.worst.before)} to {tenth(answer.worst.after)} cents; {limit} may be.
      </p>
      <ul className="list-plain">
        {answer.changes.map(({ hole: id, from, to, act }) => {
          const limits = cutLimits(type, id, wide);
          const made = cutsMade(state, type, id);
          return (
            <li key={id} className="mb-2">
              <strong>{name(id)}</strong>: {act === 'enlarge' ? 'open' : 'fill'} from{' '}
              {printQuantity(stock(from), state.unit)} to {printQuantity(stock(to), state.unit)}
              {doubts.has(id) && ` (± ${printQuantity(stock(doubts.get(id) ?? 0), state.unit)})`}, at the upstream edge.
              {act === 'enlarge' && limits && to > limits.max - 0.02 && ` No further: ${boundWords[limits.bound]}.`}
              {made.map(({ entry, amount, perTenth, act: how, aside }) => (
                <span key={entry} className="soft d-block">
                  {how === 'cut' ? 'Opened' : 'Narrowed'} by {printQuantity(stock(amount), state.unit)}
                  {perTenth === null
                    ? ': read its notes again to see what that did.'
                    : `: its notes moved ${off(perTenth)} for each ${printQuantity(stock(0.1), state.unit)}.`}{' '}
                  {perTenth !== null && (
                    <PassLesson
                      entry={entry}
                      aside={aside}
                      name={`opening by ${printQuantity(stock(amount), state.unit)}`}
                    />
                  )}
                </span>
              ))}
              {cut && worse.length === 0 && (
                <CutForm hole={id} act={act === 'enlarge' ? 'cut' : 'fill'} upTo={Math.abs(to - from)} />
              )}
            </li>
          );
        })}
      </ul>
      {cut && worse.length === 0 && (
        <p className="soft">
          Small cuts, never into the bore. After each: rim and inner edge again, the pad looked at, the notes read
          again. Dust off wood and metal: extraction and a mask.
        </p>
      )}
      <table className="readings">
        <caption>Every note that moves, with its partners</caption>
        <thead>
          <tr>
            <th scope="col">Note</th>
            <th scope="col">Now</th>
            <th scope="col">Then</th>
          </tr>
        </thead>
        <tbody>
          {moved.map(({ fingering, before, after }) => (
            <tr key={fingering}>
              <th scope="row">{name(fingering)}</th>
              <td>{before === null ? <span className="soft">not read</span> : off(before)}</td>
              <td className={before !== null && Math.abs(after) > limit ? 'text-danger' : undefined}>
                {before === null ? `${off(after)} from where it is` : off(after)}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </>
  );
}

/** Venting, then which holes, then small cuts: nothing is cut before all it does is on the page. */
export function TuningView() {
  const { ticket, type, state, judgement, names } = useJob();
  const limit = noteLimit(state, type);
  const shared = useMemo(() => sharedHoles(state, type, judgement.parts), [state, type, judgement.parts]);
  // What is out stands first, each in the order of the tube: it moves only when a note is read.
  const rows = useMemo(() => {
    const all = shared.map((each) => ({ ...each, lean: leanOf(each, limit) }));
    return [...all.filter(({ lean }) => lean !== 'within'), ...all.filter(({ lean }) => lean === 'within')];
  }, [shared, limit]);
  const speaksFor = useMemo(
    () => rows.filter(({ lean }) => lean === 'flat' || lean === 'sharp').map(({ hole }) => hole),
    [rows],
  );
  const [own, setOwn] = useState<readonly string[] | null>(null);
  const chosen = own ?? speaksFor;
  const tuning = useTuning(state, type, chosen);
  const cut = mayCut(state, type);
  const anchor = noteAnchor(state, type);
  usePageKeys(pageKeys.tuning.keys);
  const toggle = (hole: string) =>
    setOwn(chosen.includes(hole) ? chosen.filter((each) => each !== hole) : [...chosen, hole]);
  useStripControl(
    useMemo(
      () => ({
        targets: ['holes'] as const,
        here: null,
        onPick: (hole: string) => setOwn((now) => [...new Set([...(now ?? []), hole])]),
      }),
      [],
    ),
  );
  const read = shared.reduce((sum, { notes }) => sum + notes.length, 0);
  return (
    <Bands
      work={
        <>
          <SoundNav />
          {anchor === null ? (
            <p className="sheet">
              Read at least five notes on the assembled, leak-free instrument first, with what the owner plays on:{' '}
              <Link href={`/jobs/${ticket}/sound/pitch`}>Pitch</Link>.
            </p>
          ) : (
            <div className="tuning">
              <section className="sheet mb-0" aria-label="Holes and their notes">
                <h2>Holes and their notes</h2>
                <table className="readings">
                  <thead>
                    <tr>
                      <th scope="col">May be altered</th>
                      <th scope="col">Its notes, the whole in tune</th>
                    </tr>
                  </thead>
                  <tbody>
                    {rows.map(({ lean, ...each }) => (
                      <tr key={each.hole}>
                        <td>
                          <Form.Check
                            id={`alter-${each.hole}`}
                            label={names.get(each.hole) ?? each.hole}
                            checked={chosen.includes(each.hole)}
                            onChange={() => toggle(each.hole)}
                          />
                        </td>
                        <td>
                          {each.notes.map(({ name, cents }) => `${name} ${off(cents)}`).join(', ')}
                          {lean !== 'within' && <strong className="d-block">{leanWords[lean]}</strong>}
                        </td>
                      </tr>
                    ))}
                  </tbody>
                </table>
              </section>
              <section className="sheet mb-0" aria-label="What would be altered">
                <h2>{cut ? 'What would be altered' : 'What it would take'}</h2>
                {!cut && (
                  <p className="say attention">
                    The practice of this job leaves holes as they were made: nothing is cut, and the pitch is written
                    down for the player. What it would take is shown for the owner to know.
                  </p>
                )}
                <Answer tuning={tuning} cut={cut} />
              </section>
              <Venting />
            </div>
          )}
        </>
      }
      says={
        <div className="readout-plain">
          <div>
            <div className="next">{read === 0 ? 'No notes read' : `${read} notes read`}</div>
            <div className="soft">
              {anchor === null
                ? ''
                : `the whole instrument ${off(anchor)} from its pitch; each note may be ${limit} cents off`}
            </div>
          </div>
        </div>
      }
    />
  );
}
