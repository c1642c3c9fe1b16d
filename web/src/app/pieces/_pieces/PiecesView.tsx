'use client';

import {
  gradeWords,
  grades as allGrades,
  nextGrade,
  practiceNames,
  practices,
  shippedTypes,
  type Grade,
  type PracticeName,
  type ShopState,
} from '@holotonos/core';
import { Link } from '@/ui/Link';
import { useRouter } from 'next/navigation';
import { useEffect, useId, useState } from 'react';
import { useBench, useWhen } from '@/frame/BenchContext';
import { unnamed } from '@/job/unnamed';
import { useShop } from '@/shop/useShop';
import { practiceTicket } from '@/job/practiceTicket';
import { Button, Form } from '@/ui/bootstrap';
import { solverThread } from '@/workers/solverThread';
import { mostFileBytes, readPiece } from './keptPieces';
import { usePieces } from './usePieces';

const mostSeed = 999_999;
const noRoom = 'This browser has no room to keep it: put a piece away first.';

/** Takes up a new piece: an instrument, a grade it has something for. */
function NewPiece({ shop }: { shop: ShopState }) {
  const { author, who } = useBench();
  const { takeUp } = usePieces();
  const router = useRouter();
  const id = useId();
  const [instrument, setInstrument] = useState('concert-flute');
  const [practice, setPractice] = useState<PracticeName>('stage');
  const [known, setKnown] = useState<{ of: string; grades: Grade[] } | null>(null);
  const [picked, setPicked] = useState<Grade | null>(null);
  const [busy, setBusy] = useState(false);
  const [problem, setProblem] = useState('');
  const of = `${instrument} ${practice}`;
  useEffect(() => {
    let left = false;
    solverThread()
      .solver.grades({ instrument, practice })
      .then(
        (found) => !left && setKnown({ of: `${instrument} ${practice}`, grades: found }),
        () => !left && setProblem('The page could not load what it reckons with: load it again.'),
      );
    return () => {
      left = true;
    };
  }, [instrument, practice]);
  const grades = known?.of === of ? known.grades : null;
  const grade =
    picked !== null && grades?.includes(picked) ? picked : nextGrade(shop.practised, author.trim(), grades ?? [1]);
  const begin = async () => {
    setBusy(true);
    setProblem('');
    try {
      const seed = Math.floor(Math.random() * (mostSeed + 1));
      const piece = await solverThread().solver.newPiece({ instrument, practice, grade, seed });
      const kept = takeUp(piece, who());
      if (kept === null) setProblem(noRoom);
      else router.push(`/pieces/bench?piece=${kept}`);
    } catch (error) {
      setProblem((error as Error).message);
    }
    setBusy(false);
  };
  return (
    <section className="sheet" aria-label="Take up a piece">
      <h2>Take up a piece</h2>
      <form
        onSubmit={(event) => {
          event.preventDefault();
          void begin();
        }}
      >
        <div className="d-flex flex-wrap gap-3 mb-3">
          <div>
            <Form.Label htmlFor={`${id}-instrument`}>Instrument</Form.Label>
            <Form.Select
              id={`${id}-instrument`}
              value={instrument}
              onChange={(event) => setInstrument(event.target.value)}
            >
              {shippedTypes
                .filter(({ links }) => links.length > 0)
                .map((type) => (
                  <option key={type.id} value={type.id}>
                    {type.name}
                  </option>
                ))}
            </Form.Select>
          </div>
          <div>
            <Form.Label htmlFor={`${id}-practice`}>Regulated for</Form.Label>
            <Form.Select
              id={`${id}-practice`}
              value={practice}
              onChange={(event) => setPractice(event.target.value as PracticeName)}
            >
              {practiceNames.map((name) => (
                <option key={name} value={name}>
                  {practices[name].title}
                </option>
              ))}
            </Form.Select>
          </div>
        </div>
        <fieldset className="mb-3">
          <legend className="h3">Grade</legend>
          {allGrades.map((each) => (
            <Form.Check
              key={each}
              type="radio"
              id={`${id}-grade-${each}`}
              name="grade"
              label={`${each}. ${gradeWords[each]}`}
              checked={grade === each}
              disabled={!grades?.includes(each)}
              onChange={() => setPicked(each)}
            />
          ))}
          {grades?.length === 0 && <p className="soft mb-0">No pad of it follows another that could be set.</p>}
        </fieldset>
        <Button type="submit" disabled={busy || !grades || grades.length === 0}>
          {busy ? 'Laying it out …' : 'Take it up'}
        </Button>
        <p className="text-danger mb-0" role="alert">
          {problem}
        </p>
      </form>
    </section>
  );
}

/** Takes up a piece somebody wrote or saved. */
function FromFile() {
  const { who } = useBench();
  const { takeUp } = usePieces();
  const router = useRouter();
  const id = useId();
  const [problem, setProblem] = useState('');
  const take = async (file: File) => {
    if (file.size > mostFileBytes) return setProblem('This file is too large to be a practice piece.');
    const read = readPiece(await file.text());
    if ('problem' in read) return setProblem(read.problem);
    const kept = takeUp(read.piece, who());
    if (kept === null) setProblem(noRoom);
    else router.push(`/pieces/bench?piece=${kept}`);
  };
  return (
    <section className="sheet" aria-label="A piece from a file">
      <h2>A piece from a file</h2>
      <p className="soft">
        Pieces can be written by hand and given on: JSON after the{' '}
        <a href="/api/v1/schema/practice-piece" download="practice-piece-1.json">
          published schema
        </a>
        .
      </p>
      <Form.Label htmlFor={`${id}-file`}>File</Form.Label>
      <Form.Control
        id={`${id}-file`}
        type="file"
        accept="application/json,.json"
        onChange={(event) => {
          const { files } = event.target as HTMLInputElement;
          const [file] = files ?? [];
          setProblem('');
          if (file) void take(file);
        }}
      />
      <p className="text-danger mb-0" role="alert">
        {problem}
      </p>
    </section>
  );
}

/** Pieces that lie here, begun or gone through. */
function OnTheShelf() {
  const { pieces, drop } = usePieces();
  const { momentText } = useWhen();
  if (!pieces || pieces.length === 0) return null;
  return (
    <section className="sheet" aria-label="On the shelf">
      <h2>On the shelf</h2>
      <ul className="list-plain mb-0">
        {pieces.map(({ id, piece, at, done, entries }) => (
          <li key={id} className="d-flex flex-wrap gap-2 align-items-baseline">
            <Link href={`/pieces/bench?piece=${id}`}>{piece.title}</Link>
            <span className="soft">
              {done ? 'gone through' : entries.length > 1 ? 'begun' : 'not begun'}, {momentText(at)}
            </span>
            <Button variant="quiet" aria-label={`Put away: ${piece.title}`} onClick={() => drop(id)}>
              Put away
            </Button>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** How far everybody has come, whoever is at the bench first. */
function Progress({ shop }: { shop: ShopState }) {
  const { author } = useBench();
  const { dayText } = useWhen();
  const me = author.trim() || unnamed;
  const people = [...new Set(shop.practised.map(({ person }) => person))].sort(
    (a, b) => Number(b === me) - Number(a === me) || a.localeCompare(b),
  );
  return (
    <section className="sheet" aria-label="How far you have come">
      <h2>How far you have come</h2>
      {people.length === 0 && <p className="soft mb-0">Nobody has gone through a piece yet.</p>}
      {people.map((person) => (
        <div
          key={person}
          className="table-responsive"
          tabIndex={0}
          role="group"
          aria-label={`How far ${person} has come`}
        >
          <table className="table mb-3">
            <caption className="caption-top">{person}</caption>
            <thead>
              <tr>
                <th scope="col">Grade</th>
                <th scope="col">Gone through</th>
                <th scope="col">Cured</th>
                <th scope="col">In a row</th>
                <th scope="col">Looks, last time</th>
                <th scope="col">Last</th>
              </tr>
            </thead>
            <tbody>
              {shop.practised
                .filter((each) => each.person === person)
                .map(({ grade, done, cured, inRow, looks, at }) => (
                  <tr key={grade}>
                    <th scope="row">
                      {grade}. {gradeWords[grade]}
                    </th>
                    <td>{done}</td>
                    <td>{cured}</td>
                    <td>{inRow}</td>
                    <td>{looks}</td>
                    <td>{dayText(at)}</td>
                  </tr>
                ))}
            </tbody>
          </table>
        </div>
      ))}
    </section>
  );
}

/** Practice pieces: to take up, to go on with, and how far one has come. */
export function PiecesView({ first }: { first: ShopState }) {
  const { shop } = useShop(first);
  return (
    <main id="main" className="page">
      <h1>Practice pieces</h1>
      <p>
        A mechanism with something wrong at it that you are not told. Look, turn, say what is wrong; then see what was
        there. Nothing of it touches a real job. For a whole overhaul there is{' '}
        <Link href={`/jobs/${practiceTicket}`}>a ticket to play with</Link>.
      </p>
      <NewPiece shop={shop} />
      <OnTheShelf />
      <Progress shop={shop} />
      <FromFile />
    </main>
  );
}
