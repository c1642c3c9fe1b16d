'use client';

import {
  isGood,
  playSheet,
  resultWords,
  type FindingKind,
  type InstrumentType,
  type SheetLine,
  type TestResult,
} from '@holotonos/core';
import { Link } from '@/ui/Link';
import { useEffect, useMemo, useRef, useState, type KeyboardEvent } from 'react';
import { usePageKeys } from '@/frame/keysHere';
import { pageKeys } from '@/frame/pageKeys';
import { useFirstFocus } from '@/frame/useFirstFocus';
import { useJob } from '@/job/JobContext';
import { Bands } from '@/job/JobShell';
import { Button } from '@/ui/bootstrap';
import { Hygiene, readFirst, useIsShut } from './Hygiene';
import { isLift, liftWords, tenth } from './lifts';
import { SoundNav } from './SoundNav';
import { SuspectButton } from './SuspectButton';
import { Trace } from './Trace';
import { openMicrophone, useListening } from './useListening';

const soundKeys: Record<string, TestResult> = { c: 'clear', f: 'fuzzy', l: 'late', s: 'silent' };
const silentKeys: Record<string, TestResult> = { q: 'quiet', n: 'noisy' };
const keysOf = ({ kind }: SheetLine) => (kind === 'sound' ? soundKeys : silentKeys);

/** So many places are offered; what lies further off is looked for by light. */
const mostPlaces = 6;

/** What a failed line is taken for at a place: no air, no seal, or no link. */
function kindAt(type: InstrumentType, line: SheetLine, part: string): FindingKind {
  if (line.kind === 'silent') return 'noise';
  return type.links.some(({ id }) => id === part) ? 'adjuster-out' : 'pad-leaking';
}

/** Where a failed line is likely to be: looked at there, or written down as a suspicion that the plan takes up. */
function Places({ line, failed }: { line: SheetLine; failed: { entry: string; words: string } }) {
  const { ticket, type, names } = useJob();
  const places = line.looksAt.slice(0, mostPlaces);
  const lookAt = (part: string) => {
    if (type.links.some(({ id }) => id === part)) return `/jobs/${ticket}/regulation?link=${part}`;
    return type.pads.some(({ hole }) => hole === part)
      ? `/jobs/${ticket}/look?group=pad&part=${part}`
      : `/jobs/${ticket}/measure?group=hinge&part=${part}`;
  };
  if (places.length === 0)
    return (
      <p className="soft mb-0">
        Play it <Link href={`/jobs/${ticket}/sound`}>note by note</Link>: which notes fail points to the places that
        leak.
      </p>
    );
  return (
    <ul className="list-plain mb-0" aria-label="Where it is likely to be">
      {places.map((part) => (
        <li key={part} className="d-flex gap-2 align-items-center mb-1 flex-wrap">
          <Link href={lookAt(part)}>{names.get(part) ?? part}</Link>
          <SuspectButton
            kind={kindAt(type, line, part)}
            part={part}
            note={`Play test: ${line.play}; ${failed.words}.`}
            evidence={[failed.entry]}
          />
        </li>
      ))}
    </ul>
  );
}

/** The play test: line by line, one key each; what fails leads to where it is likely to be. */
export function SheetView() {
  const { type, state, write } = useJob();
  const sheet = useMemo(() => playSheet(type), [type]);
  const isShut = useIsShut();
  const desk = useRef<HTMLDivElement>(null);
  const list = useRef<HTMLOListElement>(null);
  const [problem, setProblem] = useState<string | null>(null);
  /** the largest step heard while the line at hand was held, cents */
  const [step, setStep] = useState<number | null>(null);
  const fresh = (id: string) => {
    const done = state.tested.get(id);
    return done && !done.stale ? done : null;
  };
  // It goes on where it was left.
  const [at, setAt] = useState(() =>
    Math.max(
      0,
      sheet.findIndex(({ id }) => fresh(id) === null),
    ),
  );
  const ear = useListening(
    () => undefined,
    (note) => setStep((now) => (Math.abs(note.step) >= Math.abs(now ?? 0) ? note.step : now)),
  );
  usePageKeys(pageKeys.sheet.keys);
  const back = useFirstFocus(desk);
  useEffect(() => {
    const here = list.current?.children[at] as HTMLElement | undefined;
    here?.scrollIntoView({ block: 'nearest' });
  }, [at]);
  const line = sheet[at];
  const go = (to: number) => {
    setStep(null);
    setProblem(null);
    setAt(Math.max(0, Math.min(sheet.length - 1, to)));
  };
  const say = (result: TestResult) => {
    if (!line) return;
    if (isShut) return setProblem(readFirst);
    const lifted = step !== null && isLift(step) ? { step: tenth(step) } : {};
    if (!write('tested', { line: line.id, result, ...lifted })) return;
    // What failed stays at hand: where it is likely to be stands beside it.
    if (isGood(result)) go(at + 1);
    else setStep(null);
  };
  const undo = () => {
    const last = state.entries.findLast(({ id, kind }) => kind === 'tested' && !state.struck.has(id));
    if (last?.kind !== 'tested' || !write('strike', { entry: last.id, reason: 'undone at the play test' })) return;
    go(sheet.findIndex(({ id }) => id === last.body.line));
  };
  const listen = () => {
    if (ear.on) return ear.stop();
    if (isShut) return setProblem(readFirst);
    ear.start(openMicrophone);
    back();
  };
  const onKeyDown = (event: KeyboardEvent) => {
    if (event.ctrlKey || event.metaKey || event.altKey || !line) return;
    const key = event.key.toLowerCase();
    const result = keysOf(line)[key];
    if (event.key === 'ArrowDown') go(at + 1);
    else if (event.key === 'ArrowUp') go(at - 1);
    else if (event.key === 'Backspace') undo();
    else if (key === 'm') listen();
    else if (result) say(result);
    else return;
    event.preventDefault();
  };
  const gone = sheet.filter(({ id }) => fresh(id) !== null);
  const failed = gone.filter(({ id }) => !isGood(fresh(id)?.result ?? 'clear'));
  const done = line && fresh(line.id);
  return (
    <Bands
      work={
        <>
          <SoundNav />
          <div
            ref={desk}
            className="play-sheet"
            tabIndex={-1}
            role="group"
            aria-label="Play test"
            onKeyDown={onKeyDown}
          >
            <ol ref={list} className="part-list sheet-lines" aria-label="Lines of the play test">
              {sheet.map((each, i) => {
                const result = state.tested.get(each.id);
                return (
                  <li key={each.id} className={i === at ? 'here' : undefined}>
                    <button
                      type="button"
                      className="plain"
                      aria-current={i === at ? 'true' : undefined}
                      onClick={() => {
                        go(i);
                        back();
                      }}
                    >
                      {each.play}
                    </button>
                    <span className={result && !result.stale && !isGood(result.result) ? 'text-danger' : 'soft'}>
                      {result ? resultWords[result.result] : ''}
                      {result?.stale && ', before'}
                    </span>
                  </li>
                );
              })}
            </ol>
            <div className="sound-middle">
              <Hygiene onDone={back} />
              {line && (
                <section className="sheet mb-0" aria-label="The line at hand">
                  <h2>{line.play}</h2>
                  <p>
                    Listen for: <strong>{line.listen}</strong>.
                  </p>
                  <p className="soft">{line.why}</p>
                  {line.kind === 'sound' && (
                    <p className="mb-2" role="status">
                      <Button variant="quiet" aria-pressed={ear.on} onClick={listen}>
                        {ear.on ? 'Stop listening' : 'Listen for steps'}
                      </Button>{' '}
                      <span className="soft">
                        {ear.problem ??
                          (step === null
                            ? ear.on
                              ? 'Hold the note, and work the other key.'
                              : ''
                            : isLift(step)
                              ? `${liftWords(step)}.`
                              : 'Steady.')}
                      </span>
                    </p>
                  )}
                  {ear.on && <Trace cents={ear.trace} />}
                  {done && !isGood(done.result) && (
                    <>
                      <h3>It failed: {resultWords[done.result]}</h3>
                      <Places line={line} failed={{ entry: done.entry, words: resultWords[done.result] }} />
                    </>
                  )}
                </section>
              )}
            </div>
          </div>
        </>
      }
      readout={
        <div className="readout-plain">
          <div>
            <div className="next" aria-live="polite">
              {gone.length === sheet.length
                ? failed.length === 0
                  ? 'All of it is good'
                  : `${failed.length} of ${sheet.length} lines failed`
                : `Line ${at + 1} of ${sheet.length}`}
            </div>
            <div className="soft">
              {gone.length} gone through{failed.length > 0 && `, ${failed.length} failed`}
            </div>
          </div>
          <div className="fault-keys" role="group" aria-label="How it came out">
            {line &&
              Object.entries(keysOf(line)).map(([key, result]) => (
                <button key={key} type="button" className={isGood(result) ? 'good' : 'bad'} onClick={() => say(result)}>
                  <kbd>{key}</kbd> {resultWords[result]}
                </button>
              ))}
          </div>
          <p role="alert" className="problem mb-0">
            {problem}
          </p>
        </div>
      }
    />
  );
}
