'use client';

import {
  choiceOf,
  heldWords,
  printPhrase,
  seenAt,
  tickWords,
  type Entry,
  type FindingKind,
  type InstrumentType,
  type PieceLook,
  type PracticePiece,
} from '@holotonos/core';
import { useId } from 'react';
import { v4 as newId } from 'uuid';
import { FilmSelect } from '@/figure/FilmSelect';
import { usePageKeys } from '@/frame/keysHere';
import { pageKeys } from '@/frame/pageKeys';
import { useJob } from '@/job/JobContext';
import { RegulationBench } from '@/regulation/RegulationBench';
import { OwnSetting } from '@/regulation/OwnSetting';
import { useRegulation, type RegulationDesk } from '@/regulation/useRegulation';
import { Button } from '@/ui/bootstrap';
import { useLaidOut } from './PieceJob';

/** The last of what was seen is shown, no more. */
const mostSeen = 5;

interface Way {
  press: string;
  words: string;
  look: PieceLook;
}

/** The ways there are to look at the link at hand and at its two keys. */
function waysAt({ link, stop, pull, name }: RegulationDesk, type: InstrumentType): Way[] {
  if (!link || !stop) return [];
  const at = { at: 'link', ...stop } as const;
  const pad = (key: string, press: string): Way[] => {
    const hole = type.pads.find((each) => each.key === key)?.hole;
    return hole === undefined ? [] : [{ press, words: `Light round the ${name(hole)} pad`, look: { at: 'pad', hole } }];
  };
  const hinge = (key: string, press: string): Way => ({
    press,
    words: `Wiggle the ${name(key)}`,
    look: { at: 'hinge', key },
  });
  return [
    { press: 'l', words: 'By light', look: { ...at, by: 'light' } },
    { press: 'p', words: 'Pull the film', look: { ...at, by: 'film', film: pull.film } },
    { press: 'm', words: 'Measure with the feeler', look: { ...at, by: 'feeler' } },
    ...pad(link.driver, 'd'),
    ...pad(link.follower, 'f'),
    hinge(link.driver, 'h'),
    hinge(link.follower, 'j'),
  ];
}

/** What an entry says was seen, and at which part; null where it says nothing of the kind. */
function seenIn(entry: Entry): { part: string; words: (name: (part: string) => string) => string } | null {
  if (entry.kind === 'tick') {
    const { group, part, held } = entry.body;
    const what = group === 'pad' ? ' pad' : group === 'hinge' ? ' hinge' : '';
    const words = printPhrase(tickWords(entry.body), 'mm');
    return { part, words: (name) => `${name(part)}${what}${heldWords(held, name)}: ${words}` };
  }
  if (entry.kind === 'reading') {
    const { point, value } = entry.body;
    const words = `${value.toFixed(2)} mm late`;
    return { part: point.part, words: (name) => `${name(point.part)}${heldWords(point.held, name)}: ${words}` };
  }
  return null;
}

/** What can be said to be wrong at the link at hand. */
function Claims({ desk }: { desk: RegulationDesk }) {
  const { state, write } = useJob();
  const { type, link, name } = desk;
  if (!link) return null;
  const hole = (key: string) => type.pads.find((each) => each.key === key)?.hole;
  const claims: { kind: FindingKind; part: string; words: string }[] = [
    { kind: 'adjuster-out', part: link.id, words: 'Its adjuster is out' },
    ...[link.driver, link.follower].flatMap((key) => {
      const own = hole(key);
      return own === undefined
        ? []
        : [{ kind: 'pad-leaking' as const, part: own, words: `The ${name(own)} pad is not level` }];
    }),
    ...[link.driver, link.follower].map((key) => ({
      kind: 'hinge-loose' as const,
      part: key,
      words: `The hinge of the ${name(key)} is loose`,
    })),
  ];
  return (
    <fieldset className="mt-3">
      <legend className="h3">Say what is wrong</legend>
      <div className="fault-keys">
        {claims.map(({ kind, part, words }) => {
          const known = [...state.findings.values()].find((each) => each.kind === kind && each.part === part);
          const said = known?.status === 'confirmed';
          return (
            <button
              key={`${kind} ${part}`}
              type="button"
              aria-pressed={said}
              onClick={() =>
                write('finding', {
                  finding: known?.finding ?? newId(),
                  kind,
                  part,
                  severity: 2,
                  status: said ? 'declined' : 'confirmed',
                })
              }
            >
              {said && '✓ '}
              {words}
            </button>
          );
        })}
      </div>
    </fieldset>
  );
}

/** The bench of a job, with a mechanism that is not what it seems: one looks, turns, and says what is wrong. */
export function PieceBench({ piece, onDone }: { piece: PracticePiece; onDone: () => void }) {
  const desk = useRegulation();
  const { state, write } = useJob();
  const { type, link, name, pull } = desk;
  const id = useId();
  usePageKeys(pageKeys.piece.keys);
  const laid = useLaidOut(piece);
  const ways = waysAt(desk, type);
  const look = (way: Way) => {
    const seen = seenAt(laid, state, way.look);
    if ('tick' in seen) {
      const { group, part, says } = seen.tick;
      if (write('tick', seen.tick)) desk.setSaid(`${name(part)}: ${choiceOf(group, says)?.words ?? says}`);
    } else {
      const why = desk.readLateness(seen.lateness, seen.lateness.toFixed(2));
      desk.setSaid(why ?? `${name(seen.link)}: ${seen.lateness.toFixed(2)} mm late`);
    }
  };
  const onKey = (key: string): boolean => {
    const way = ways.find(({ press }) => press === key.toLowerCase());
    if (way) look(way);
    return way !== undefined;
  };
  const ask = (
    <>
      <div className="fault-keys" role="group" aria-label="Ways to look">
        {ways.map((way) => (
          <button
            key={way.press}
            type="button"
            onClick={() => {
              look(way);
              desk.back();
            }}
          >
            <kbd>{way.press}</kbd> {way.words}
          </button>
        ))}
      </div>
      <div className="d-flex gap-2 align-items-center mt-2">
        <label htmlFor={`${id}-film`}>Film</label>
        <FilmSelect id={`${id}-film`} film={pull.film} films={pull.films} onPick={pull.setFilm} />
      </div>
      <Claims desk={desk} />
    </>
  );
  return (
    <RegulationBench
      desk={desk}
      label="Letters look; what is seen is written down."
      ask={ask}
      onKey={onKey}
      notes={<Seen desk={desk} parts={link ? [link.id, link.driver, link.follower] : []} />}
    >
      <OwnSetting desk={desk} />
      <section className="sheet mb-0" aria-label="What the piece says">
        {piece.told && <p>“{piece.told}”</p>}
        <p className="soft">
          Something is wrong here. Look, turn, look again; say what no adjuster can cure. The picture and the rules show
          what your own looks make of it, not what is there.
        </p>
        <Button onClick={onDone}>I am done: show what was there</Button>
      </section>
    </RegulationBench>
  );
}

/** What was seen at the link at hand and at its keys, newest first. */
function Seen({ desk, parts }: { desk: RegulationDesk; parts: readonly string[] }) {
  const { state } = useJob();
  const { type, name } = desk;
  const holes = type.pads.filter(({ key }) => parts.includes(key)).map(({ hole }) => hole);
  const here = state.entries
    .flatMap((entry) => {
      const seen = seenIn(entry);
      return seen && (parts.includes(seen.part) || holes.includes(seen.part))
        ? [{ id: entry.id, words: seen.words(name) }]
        : [];
    })
    .slice(-mostSeen)
    .reverse();
  return (
    <section className="sheet mb-0" aria-label="Seen here">
      <h3>Seen here</h3>
      {here.length === 0 ? (
        <p className="soft mb-0">Nothing yet.</p>
      ) : (
        <ul className="list-plain mb-0">
          {here.map(({ id, words }) => (
            <li key={id}>{words}</li>
          ))}
        </ul>
      )}
    </section>
  );
}
