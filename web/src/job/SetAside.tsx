'use client';

import { misfits, entryWords, type Entry, type LengthUnit, type Problem } from '@holotonos/core';
import { useId, useState } from 'react';
import { v4 as newId } from 'uuid';
import { useBench, useWhen } from '@/frame/BenchContext';
import { Button, Form } from '@/ui/bootstrap';
import type { Aside } from './entryQueue';
import { useJob } from './JobContext';
import { jobForms } from './jobForms';
import { entryFrom, leavesOf } from './entryLeaves';

/** What was wrong, each with its place. */
const inWords = (problems: readonly Problem[]) =>
  problems
    .map(({ path, message }) =>
      [path.replace(/^\/(body\/)?/, '').replaceAll('/', ' › '), message].filter(Boolean).join(' '),
    )
    .join('; ');

/** An entry that was set aside, typed anew value by value. */
function Editor({ aside, done }: { aside: Aside; done: () => void }) {
  const { state, sendAgain } = useJob();
  const { who } = useBench();
  const id = useId();
  const leaves = leavesOf(aside.entry);
  const [texts, setTexts] = useState(() => leaves.map(({ text }) => text));
  const [problem, setProblem] = useState<string | null>(null);
  const submit = async () => {
    const changed = entryFrom(aside.entry, texts, newId());
    if ('notAFigure' in changed) return setProblem(`${changed.notAFigure} must be a figure.`);
    const form = (await jobForms())?.entryProblems(changed) ?? [];
    const wrong = form.length > 0 ? form : misfits(state, changed);
    if (wrong.length > 0) return setProblem(inWords(wrong));
    // Whoever changes it signs it.
    sendAgain(aside.entry.id, { ...changed, author: who() || changed.author });
    done();
  };
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        void submit();
      }}
    >
      <div className="shop-form my-2">
        {leaves.map(({ label }, i) => (
          <div key={label}>
            <Form.Label htmlFor={`${id}-${i}`}>{label}</Form.Label>
            <Form.Control
              id={`${id}-${i}`}
              value={texts[i] ?? ''}
              onChange={(event) => setTexts(texts.map((text, at) => (at === i ? event.target.value : text)))}
            />
          </div>
        ))}
      </div>
      <Button type="submit">Send it so</Button>{' '}
      <Button variant="quiet" onClick={done}>
        Back
      </Button>
      {problem !== null && (
        <p role="alert" className="say fault mt-2 mb-0">
          {problem}
        </p>
      )}
    </form>
  );
}

/** Entries the server will not take as they are. They wait here, out of the way of the others, until somebody decides. */
export function SetAside() {
  const { aside, names, state, sendAgain, letGo } = useJob();
  const { momentText } = useWhen();
  const [editing, setEditing] = useState<string | null>(null);
  if (aside.length === 0) return null;
  return (
    <section className="say fault m-3" aria-label="Entries not taken">
      <p className="mb-1" role="alert">
        <strong>
          {aside.length === 1 ? 'One entry was not taken' : `${aside.length} entries were not taken`} and waits here.
        </strong>{' '}
        Everything after it was written.
      </p>
      <ul className="list-plain mb-0">
        {aside.map((each) => {
          const { id, benchTime } = each.entry;
          const words = wordsOf(each, names, state.unit);
          return (
            <li key={id} className="mb-2">
              {momentText(benchTime)}: <strong>{words}</strong>. {inWords(each.problems)}{' '}
              {editing === id ? (
                <Editor aside={each} done={() => setEditing(null)} />
              ) : (
                <span className="d-inline-flex flex-wrap gap-2">
                  <Button variant="quiet" aria-label={`Change it: ${words}`} onClick={() => setEditing(id)}>
                    Change it
                  </Button>
                  <Button variant="quiet" aria-label={`Send it again: ${words}`} onClick={() => sendAgain(id)}>
                    Send it again
                  </Button>
                  <Button variant="quiet" aria-label={`Give it up: ${words}`} onClick={() => letGo(id)}>
                    Give it up
                  </Button>
                </span>
              )}
            </li>
          );
        })}
      </ul>
    </section>
  );
}

/** What the entry says, as far as that can be told of one that was refused. */
function wordsOf({ entry }: Aside, names: ReadonlyMap<string, string>, unit: LengthUnit): string {
  try {
    return entryWords({ ...entry, seq: 0, receivedAt: entry.benchTime } as Entry, names, unit);
  } catch {
    return entry.kind.replaceAll('-', ' ');
  }
}
