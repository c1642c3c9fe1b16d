'use client';

import {
  centsText,
  fingeringWords,
  heardAs,
  heardFrom,
  heardWords,
  kindOfPlace,
  partOfPlace,
  printPhrase,
  usualSlit,
  type Fingering,
  type Heard,
  type NoteLoss,
  type PlayedNote,
} from '@holotonos/core';
import { Link } from '@/ui/Link';
import { useSearchParams } from 'next/navigation';
import { useEffect, useMemo, useRef, useState, type KeyboardEvent } from 'react';
import { usePageKeys } from '@/frame/keysHere';
import { pageKeys } from '@/frame/pageKeys';
import { useFirstFocus } from '@/frame/useFirstFocus';
import { useJob } from '@/job/JobContext';
import { Bands } from '@/job/JobShell';
import { useStripControl } from '@/tube/StripControl';
import { Hygiene, readFirst, useIsShut } from './Hygiene';
import { NoteChart } from './NoteChart';
import { SoundNav } from './SoundNav';
import { SuspectButton } from './SuspectButton';
import { useLossesOf, useSound, type Sound } from './useSound';

const letters: Record<string, Heard> = { c: 'clear', f: 'fuzzy', l: 'late', s: 'silent' };
/** The notes from the lowest up, each with how it came out and how much weaker it should be. */
function NoteList({
  compass,
  at,
  played,
  together,
  onGo,
}: {
  compass: readonly Fingering[];
  at: number;
  played: ReadonlyMap<string, PlayedNote>;
  together: readonly NoteLoss[] | null;
  onGo: (at: number) => void;
}) {
  const list = useRef<HTMLOListElement>(null);
  const losses = useMemo(() => new Map((together ?? []).map(({ id, loss }) => [id, loss])), [together]);
  useEffect(() => {
    const here = list.current?.children[at] as HTMLElement | undefined;
    // The list alone moves: the picture beside it stays where it is.
    if (here && list.current) list.current.scrollTop = here.offsetTop - list.current.clientHeight / 2;
  }, [at]);
  return (
    <ol ref={list} className="part-list note-list" aria-label="Notes, lowest first">
      {compass.map((fingering, i) => {
        const as = played.get(fingering.id);
        const loss = losses.get(fingering.id) ?? 0;
        return (
          <li key={fingering.id} className={i === at ? 'here' : undefined}>
            <button
              type="button"
              className="plain"
              aria-current={i === at ? 'true' : undefined}
              onClick={() => onGo(i)}
            >
              {fingeringWords(fingering)}
            </button>
            <span className={as && !as.stale && as.heard !== 'clear' ? 'text-danger' : 'soft'}>
              {as ? heardWords[as.heard] : ''}
              {as?.stale && ', before'}
            </span>
            <span className="soft num">{loss > heardFrom ? `−${loss.toFixed(0)} dB` : ''}</span>
          </li>
        );
      })}
    </ol>
  );
}

/** A place in words, with the way to where it is looked at. */
function PlaceLink({ place, onPick, here }: { place: string; onPick: (place: string) => void; here: boolean }) {
  const { names } = useJob();
  const part = partOfPlace(place);
  return (
    <button type="button" className="plain-link" aria-pressed={here} onClick={() => onPick(place)}>
      {names.get(part) ?? part}
    </button>
  );
}

/** What a place that lets air out is as a finding. */
const faultAt = { pad: 'pad-leaking', joint: 'joint-loose', crack: 'crack' } as const;

type Pick = { sound: Sound; place: string | null; onPick: (place: string) => void };

/** What would explain what was heard, with the way to look at it. */
function Suspects({ sound: { suspects, progress }, place, onPick }: Pick) {
  const { ticket, state } = useJob();
  // What was heard to be wrong is what the suspicion rests on.
  const bad = [...state.played.values()].filter(({ heard, stale }) => !stale && heard !== 'clear');
  const evidence = bad.map(({ entry }) => entry);
  const heardBadly = `${bad.length} ${bad.length === 1 ? 'note does' : 'notes do'} not come out clear`;
  const lookAt = (id: string) => {
    const kind = kindOfPlace(id);
    return kind === 'crack' ? `/jobs/${ticket}/findings` : `/jobs/${ticket}/look?group=${kind}&part=${partOfPlace(id)}`;
  };
  return (
    <section aria-label="Suspects" aria-busy={progress !== null}>
      <h2>These would explain it</h2>
      {progress !== null && <progress max={1} value={progress} aria-label="Working out what would explain it" />}
      {suspects.length === 0 && progress === null && (
        <p className="soft">
          {state.played.size === 0
            ? 'Play it note by note: what comes out fuzzy, late or not at all points to the places that leak.'
            : 'Nothing that was played is wrong by a leak.'}
        </p>
      )}
      <ol className="suspects">
        {suspects.map((suspect) => (
          <li key={suspect.place}>
            <PlaceLink place={suspect.place} onPick={onPick} here={suspect.place === place} />{' '}
            <span className="soft">
              {suspect.needed ? 'needed to explain it' : 'or this instead'}; a gap of about{' '}
              {printPhrase([{ value: suspect.gap, unit: 'mm', told: 'stock' }], state.unit)}.{' '}
              <Link href={lookAt(suspect.place)}>Look at it</Link>
            </span>{' '}
            {suspect.needed && (
              <SuspectButton
                kind={faultAt[kindOfPlace(suspect.place)]}
                part={partOfPlace(suspect.place)}
                note={`What was played note by note points to it: ${heardBadly}.`}
                evidence={evidence}
              />
            )}
          </li>
        ))}
      </ol>
    </section>
  );
}

/**
 * What lets air out as far as the bench knows, in the order of the instrument. It stands where nothing comes in above
 * it: what is worked out later must not push a place from under a finger.
 */
function Leaks({ sound: { leaks, alone }, place, onPick }: Pick) {
  const { state, names } = useJob();
  const spoils = (losses: readonly NoteLoss[] | undefined) => {
    if (!losses) return '…';
    const suffer = losses.filter(({ loss }) => loss > heardFrom);
    if (suffer.length === 0) return 'no note minds it';
    const named = suffer.map(({ id }) => names.get(id) ?? id);
    const more = named.length - 4;
    const moved = suffer.reduce((most, { shift }) => (Math.abs(shift ?? 0) > Math.abs(most) ? (shift ?? 0) : most), 0);
    // A note that is only weaker is lipped in tune; one that has moved is not.
    const by = Math.abs(moved) < 1 ? '' : `, moved by up to ${centsText(Math.round(moved))} cents`;
    return `spoils ${named.slice(0, 4).join(', ')}${more > 0 ? ` and ${more} more` : ''}${by}`;
  };
  return (
    <section className="sheet mb-0" aria-label="What lets air out">
      <h2>What lets air out</h2>
      {leaks.length === 0 ? (
        <p className="soft mb-0">Nothing that was read or looked at lets air out.</p>
      ) : (
        <ul className="list-plain">
          {leaks.map(({ id, words: how, measured }, i) => (
            <li key={id} className="mb-1">
              <PlaceLink place={id} onPick={onPick} here={id === place} />: {printPhrase(how, state.unit)}
              {!measured && <span className="soft"> (taken as a hair)</span>}
              <span className="soft d-block">{spoils(alone?.[i])}</span>
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}

/** How it plays: note by note, what leaks do to each note, and what would explain those that fail. */
export function SoundView() {
  const { type, state, names, write } = useJob();
  const sound = useSound();
  const desk = useRef<HTMLDivElement>(null);
  const { compass, leaks, together, suspects } = sound;
  const isPlayed = (id: string) => state.played.get(id)?.stale === null;
  // It goes on where it was left.
  const [at, setAt] = useState(() => Math.max(0, compass?.findIndex(({ id }) => !isPlayed(id)) ?? 0));
  const [problem, setProblem] = useState<string | null>(null);
  const asked = useSearchParams().get('part');
  const [picked, setPlace] = useState<string | null>(asked);
  usePageKeys(pageKeys.sound.keys);
  // Where nothing is known to leak, what would explain it says more than an empty picture.
  const place = picked ?? (leaks.length === 0 ? (suspects[0]?.place ?? null) : null);
  const slit = useMemo(() => {
    if (place === null) return null;
    const suspect = suspects.find((each) => each.place === place);
    return leaks.find((leak) => leak.id === place)?.slit ?? usualSlit(type, place, suspect?.gap);
  }, [place, leaks, suspects, type]);
  const losses = useLossesOf(sound, place, slit);
  const note = compass?.[at];
  const isShut = useIsShut();
  const back = useFirstFocus(desk);
  const { alone } = sound;
  useStripControl(
    useMemo(() => {
      const spoilt = new Map(
        leaks.map(({ id }, i) => [partOfPlace(id), alone?.[i]?.filter(({ loss }) => loss > heardFrom).length ?? null]),
      );
      const wanted = new Set(suspects.filter(({ needed }) => needed).map((each) => partOfPlace(each.place)));
      return {
        targets: ['holes'] as const,
        here: place === null ? null : partOfPlace(place),
        onPick: (part: string) => setPlace(part),
        // What lets air out is outside; what would explain what was heard waits for a look.
        stateOfPart: (part: string) => (spoilt.has(part) ? ['outside'] : wanted.has(part) ? ['undecided'] : []),
        flagOf: (part: string) => {
          const count = spoilt.get(part);
          if (count === undefined) return wanted.has(part) ? 'suspected' : null;
          return count === null ? 'lets air out' : `lets air out, spoils ${count} ${count === 1 ? 'note' : 'notes'}`;
        },
      };
    }, [place, leaks, alone, suspects]),
  );

  if (!compass || compass.length === 0) {
    return (
      <Bands
        work={
          <>
            <SoundNav />
            <p className="sheet">
              Nobody has said how this instrument is blown and fingered, so nothing is said of its sound. Its pads and
              joints are looked at by light, film and tester. At Pitch it can be said what it is like.
            </p>
          </>
        }
        readout={<div className="readout-plain">Nothing to play</div>}
      />
    );
  }
  const say = (heard: Heard) => {
    if (!note) return;
    if (isShut) return setProblem(readFirst);
    if (!write('played', { fingering: note.id, heard })) return;
    setProblem(null);
    setAt(Math.min(compass.length - 1, at + 1));
  };
  const undo = () => {
    const last = state.entries.findLast(({ id: entry, kind }) => kind === 'played' && !state.struck.has(entry));
    if (last?.kind !== 'played') return;
    if (!write('strike', { entry: last.id, reason: 'undone at the play test' })) return;
    setAt(
      Math.max(
        0,
        compass.findIndex(({ id: fingering }) => fingering === last.body.fingering),
      ),
    );
  };
  const onKeyDown = (event: KeyboardEvent) => {
    if (event.ctrlKey || event.metaKey || event.altKey) return;
    const { key } = event;
    const as = letters[key.toLowerCase()];
    if (key === 'ArrowDown') setAt(Math.min(compass.length - 1, at + 1));
    else if (key === 'ArrowUp') setAt(Math.max(0, at - 1));
    else if (as) say(as);
    else if (key === 'Backspace') undo();
    else return;
    event.preventDefault();
  };
  const heardCount = compass.filter(({ id }) => isPlayed(id)).length;
  const shown = place === null || !losses ? null : { name: names.get(partOfPlace(place)) ?? place, losses };
  return (
    <Bands
      work={
        <>
          <SoundNav />
          <div ref={desk} className="sound" tabIndex={-1} role="group" aria-label="Play test" onKeyDown={onKeyDown}>
            <NoteList compass={compass} at={at} played={state.played} together={together} onGo={setAt} />
            <div className="sound-middle">
              <Hygiene onDone={back} />
              <div className="sheet mb-0" aria-busy={together === null}>
                <h2>What the leaks do, note by note</h2>
                <NoteChart compass={compass} together={together ?? []} place={shown} />
                <p className="soft mb-0">
                  Reckoned from what was read and looked at. Differences are to be trusted, not the pitch of a single
                  note. Press a hole of the strip to see which notes would suffer from it.
                </p>
              </div>
              <Leaks sound={sound} place={place} onPick={setPlace} />
            </div>
            <div className="sheet mb-0">
              <Suspects sound={sound} place={place} onPick={setPlace} />
            </div>
          </div>
        </>
      }
      readout={
        <div className="readout-plain">
          <div>
            <div className="next" aria-live="polite">
              {note ? `Play ${fingeringWords(note)}` : ''}
            </div>
            <div className="soft">
              {note && note.down.length > 0
                ? `down: ${note.down.map((key) => names.get(key) ?? key).join(', ')}`
                : 'everything up'}{' '}
              · {heardCount} of {compass.length} played
            </div>
          </div>
          <div className="fault-keys" role="group" aria-label="How it came out">
            {heardAs.map((as) => (
              <button key={as} type="button" className={as === 'clear' ? 'good' : 'bad'} onClick={() => say(as)}>
                <kbd>{as[0]}</kbd> {heardWords[as]}
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
