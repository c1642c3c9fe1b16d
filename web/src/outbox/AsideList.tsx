'use client';

import type { Problem } from '@holotonos/core';
import { useId, useState } from 'react';
import { v4 as newId } from 'uuid';
import { useBench, useWhen } from '@/frame/BenchContext';
import { Button, Form } from '@/ui/bootstrap';
import { entryFrom, leavesOf } from './entryLeaves';
import type { AnyNew, Aside } from './entryQueue';

/** What was wrong, each with its place. */
const inWords = (problems: readonly Problem[]) =>
  problems
    .map(({ path, message }) =>
      [path.replace(/^\/(body\/)?/, '').replaceAll('/', ' › '), message].filter(Boolean).join(' '),
    )
    .join('; ');

interface Props<New extends AnyNew> {
  /** whose they are, where that is not the page’s own job */
  of?: string | undefined;
  aside: readonly Aside<New>[];
  /** what an entry says; null where that is not known yet, and it may throw on one that says nothing */
  words: (entry: New) => string | null;
  /** what is wrong with one that was changed, as far as can be told here */
  wrongWith: (changed: New) => Promise<readonly Problem[]>;
  sendAgain: (id: string, changed?: New) => void;
  letGo: (id: string) => void;
}

/** An entry that was set aside, typed anew value by value. */
function Editor<New extends AnyNew>({
  entry,
  wrongWith,
  sendAgain,
  done,
}: Pick<Props<New>, 'wrongWith' | 'sendAgain'> & { entry: New; done: () => void }) {
  const { who } = useBench();
  const id = useId();
  const leaves = leavesOf(entry);
  const [texts, setTexts] = useState(() => leaves.map(({ text }) => text));
  const [problem, setProblem] = useState<string | null>(null);
  const submit = async () => {
    const changed = entryFrom(entry, texts, newId());
    if ('notAFigure' in changed) return setProblem(`${changed.notAFigure} must be a figure.`);
    const wrong = await wrongWith(changed);
    if (wrong.length > 0) return setProblem(inWords(wrong));
    // Whoever changes it signs it.
    sendAgain(entry.id, { ...changed, author: who() || changed.author });
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
export function AsideList<New extends AnyNew>({ of, aside, words: wordsOf, wrongWith, sendAgain, letGo }: Props<New>) {
  const { momentText } = useWhen();
  const [editing, setEditing] = useState<string | null>(null);
  if (aside.length === 0) return null;
  /** What the entry says, as far as that can be told of one that was refused. */
  const said = (entry: New) => {
    const plain = entry.kind.replaceAll('-', ' ');
    try {
      return wordsOf(entry) ?? plain;
    } catch {
      return plain;
    }
  };
  return (
    <section className="say fault m-3" aria-label="Entries not taken">
      <p className="mb-1" role="alert">
        <strong>
          {aside.length === 1 ? 'One entry' : `${aside.length} entries`}
          {of && ` of ${of}`} {aside.length === 1 ? 'was not taken and waits here.' : 'were not taken and wait here.'}
        </strong>{' '}
        Everything after that was written.
      </p>
      <ul className="list-plain mb-0">
        {aside.map(({ entry, problems }) => {
          const { id, benchTime } = entry;
          const words = said(entry);
          return (
            <li key={id} className="mb-2">
              {momentText(benchTime)}: <strong>{words}</strong>. {inWords(problems)}{' '}
              {editing === id ? (
                <Editor entry={entry} wrongWith={wrongWith} sendAgain={sendAgain} done={() => setEditing(null)} />
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
