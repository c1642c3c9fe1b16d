'use client';

import {
  downTheTube,
  freshId,
  idsOf,
  instrumentTypeProblems,
  measuringPoints,
  placeOfPart,
  rowId,
  type ChangeableList,
  type EntryBody,
  type InstrumentType,
  type PartPlace,
} from '@holotonos/core';
import { useSearchParams } from 'next/navigation';
import { useCallback, useId, useMemo, useState } from 'react';
import { useBench } from '@/frame/BenchContext';
import { Button, Form } from '@/ui/bootstrap';
import { useJob } from '@/job/JobContext';
import { unnamed } from '@/job/unnamed';
import { Bands } from '@/job/JobShell';
import { useStripControl } from '@/tube/StripControl';
import { assumedWords, rowForms, rowFrom, type Filled } from './rowForms';
import { RowForm } from './RowForm';

const lists = Object.keys(rowForms) as ChangeableList[];
const listWords: Partial<Record<ChangeableList, string>> = {
  keys: 'Keys',
  holes: 'Tone holes',
  posts: 'Posts',
  rods: 'Rods',
  pads: 'Pads',
  links: 'Links',
  fittings: 'Fittings',
  sections: 'Sections',
};

type Row = InstrumentType[ChangeableList][number];
type Section = InstrumentType['sections'][number];

/** The form asks only for the ends of a bore: what lies between them is kept, drawn out to the new length. */
const boreBetween = (before: Section, after: Section): Section['bore'] => {
  const ends = [before, after].map(({ bore }) => `${bore[0]?.diameter} ${bore.at(-1)?.diameter}`);
  if (ends[0] !== ends[1]) return after.bore;
  return before.bore.map(({ at, diameter }) => ({
    at: (at * after.length) / before.length,
    diameter,
  })) as Section['bore'];
};

/** Keeps the instrument as it is known now among the shop's types, so that the next one can start from it. */
function KeepType() {
  const { ticket, type } = useJob();
  const { author } = useBench();
  const id = useId();
  const [name, setName] = useState(type.name);
  const [said, setSaid] = useState<{ ok: boolean; lines: string[] } | null>(null);
  const keep = async () => {
    try {
      const list = await fetch('/api/v1/types');
      const { types = [] } = (await list.json()) as { types?: { id: string; name: string; ships: boolean }[] };
      if (!list.ok) throw new Error();
      const known = types.find((each) => !each.ships && each.name === name.trim());
      // Kept under its own name it is the next revision of that type; under a new one it takes nobody’s place.
      const document = { ...type, name: name.trim(), id: known?.id ?? freshId(name, 'type', idsOf(types)) };
      const response = await fetch(`/api/v1/types?author=${encodeURIComponent(author.trim() || unnamed)}`, {
        method: 'POST',
        headers: { 'Content-Type': 'application/json' },
        body: JSON.stringify(document),
      });
      const answer = (await response.json()) as { problems?: { path: string; message: string }[]; message?: string };
      setSaid(
        response.ok
          ? { ok: true, lines: [`“${document.name}” is kept. New tickets can start from it.`] }
          : {
              ok: false,
              lines: answer.problems?.map(({ message }) => message) ?? [answer.message ?? 'It was refused.'],
            },
      );
    } catch {
      setSaid({ ok: false, lines: ['The server does not answer. Try again in a moment.'] });
    }
  };
  return (
    <form
      className="sheet"
      onSubmit={(event) => {
        event.preventDefault();
        void keep();
      }}
    >
      <h2>Keep it as a type</h2>
      <Form.Label htmlFor={id}>Name of the type</Form.Label>
      <Form.Control
        id={id}
        className="mb-2"
        value={name}
        maxLength={80}
        onChange={(event) => setName(event.target.value)}
      />
      <div className="d-flex flex-wrap gap-2">
        <Button type="submit" variant="quiet" disabled={name.trim() === ''}>
          Keep it
        </Button>
        <a className="btn btn-quiet" href={`/api/v1/jobs/${ticket}/type`}>
          Save as a file
        </a>
      </div>
      {said && (
        <div role="alert" className={`say mt-2 ${said.ok ? 'sound' : 'fault'}`}>
          {said.lines.slice(0, 8).map((line) => (
            <div key={line}>{line}</div>
          ))}
        </div>
      )}
    </form>
  );
}

/** The instrument as it is known now: every part in a list, to be added, moved, renamed while it is on the bench. */
export function InstrumentView() {
  const { type, names, state, write } = useJob();
  const { unit } = state;
  const query = useSearchParams();
  const asked = query.get('list');
  const [list, setList] = useState<ChangeableList>(lists.find((each) => each === asked) ?? 'keys');
  const [chosen, setChosen] = useState<string | null>(null);

  const rows = type[list] as readonly Row[];
  const wordsOf = (row: Row): string => {
    const name = (id: string) => names.get(id) ?? id;
    if ('driver' in row) return `${name(row.driver)} ${row.acts.replaceAll('-', ' ')} ${name(row.follower)}`;
    if ('hole' in row) return `${name(row.hole)} under ${name(row.key)}`;
    return row.name;
  };
  /** What a problem is about: its path names a row of a list. */
  const partAt = (path: string) => {
    const [, of = '', place = ''] = path.split('/');
    const about = (type as unknown as Record<string, unknown>)[of];
    const found = Array.isArray(about) ? (about as Row[])[Number(place)] : undefined;
    const words = found && ('name' in found || 'driver' in found || 'hole' in found) ? wordsOf(found) : '';
    return words === '' ? null : <strong>{words}: </strong>;
  };
  const order = new Map(downTheTube(type, rows.map(rowId)).map((id, i) => [id, i]));
  const sorted = [...rows].sort((a, b) => (order.get(rowId(a)) ?? 0) - (order.get(rowId(b)) ?? 0));
  const row = rows.find((each) => rowId(each) === chosen) ?? null;
  const problems = useMemo(() => instrumentTypeProblems(type, unit), [type, unit]);
  const places = useMemo(() => measuringPoints(type).length, [type]);
  const assumed = useMemo(
    () => lists.flatMap((each) => (type[each] as readonly Row[]).filter((one) => one.assumed)).length,
    [type],
  );

  const put = useCallback(
    (to: ChangeableList, fresh: object) =>
      write('instrument-change', { put: { [to]: [fresh] } } as EntryBody<'instrument-change'>),
    [write],
  );
  const add = (name: string, filled: Filled) => {
    const id = list === 'links' ? `${String(filled.driver)}-to-${String(filled.follower)}` : name;
    const read = rowFrom(type, list, freshId(id, 'part', names.keys()), name, filled, unit);
    return read.ok ? put(list, read.row) : read.wrong;
  };
  const change = (name: string, filled: Filled) => {
    if (!row) return false;
    const read = rowFrom(type, list, rowId(row), name, filled, unit, row);
    if (!read.ok) return read.wrong;
    return put(list, 'bore' in row ? { ...read.row, bore: boreBetween(row, read.row as typeof row) } : read.row);
  };

  useStripControl(
    useMemo(
      () => ({
        targets:
          list === 'pads' || list === 'links'
            ? (['holes'] as const)
            : list === 'sections'
              ? (['sections'] as const)
              : ([list] as const),
        here: chosen,
        onPick: setChosen,
        flagOf: (part: string) => {
          const found = (type[list] as readonly Row[]).find((each) => rowId(each) === part);
          return found?.assumed ? `assumed: ${assumedWords(list, found.assumed)}` : null;
        },
        ...((list === 'holes' || list === 'posts' || list === 'fittings') && {
          onPlace: (part: string, { section, at, clock }: PartPlace) => {
            const moved = type[list].find(({ id }) => id === part);
            const before = placeOfPart(type, part);
            if (!moved || !before || (before.section === section && before.at === at && before.clock === clock)) return;
            const still = moved.assumed?.filter((field) => field !== 'at' && field !== 'clock') ?? [];
            const { assumed: _assumed, ...plain } = moved;
            put(list, { ...plain, section, at, clock, ...(still.length > 0 && { assumed: still }) });
            setChosen(part);
          },
        }),
      }),
      [list, chosen, type, put],
    ),
  );

  const work = (
    <div className="strip-down">
      <div>
        <ul className="part-list" aria-label="Kinds of part">
          {lists.map((each) => (
            <li key={each}>
              <button
                type="button"
                aria-current={each === list ? 'true' : undefined}
                onClick={() => {
                  setList(each);
                  setChosen(null);
                }}
              >
                <span className="flex-grow-1">{listWords[each]}</span>
                <span className="soft">{type[each].length}</span>
              </button>
            </li>
          ))}
        </ul>
      </div>
      <div>
        <div className="sheet">
          <h2>{listWords[list]}</h2>
          {sorted.length === 0 ? (
            <p className="soft mb-0">
              None yet. Add them as you meet them; nothing has to be known before work starts.
            </p>
          ) : (
            <ul className="part-list">
              {sorted.map((each) => (
                <li key={rowId(each)}>
                  <button
                    type="button"
                    aria-current={rowId(each) === chosen ? 'true' : undefined}
                    onClick={() => setChosen(rowId(each))}
                  >
                    <span className="flex-grow-1">{wordsOf(each)}</span>
                    {each.assumed && <span className="soft">{assumedWords(list, each.assumed)} assumed</span>}
                  </button>
                </li>
              ))}
            </ul>
          )}
        </div>
        {problems.length > 0 && (
          <div className="say attention">
            <strong>Still loose:</strong>
            <ul className="mb-0">
              {problems.slice(0, 6).map(({ path, message }) => (
                <li key={`${path} ${message}`}>
                  {partAt(path)}
                  {message}
                </li>
              ))}
            </ul>
          </div>
        )}
      </div>
      <div>
        {row && (
          <div className="sheet">
            <h2>{wordsOf(row)}</h2>
            <RowForm
              key={`${list} ${rowId(row)} ${JSON.stringify(row)}`}
              type={type}
              unit={unit}
              list={list}
              row={row}
              action="Change it"
              onDone={change}
              onRemove={() => {
                write('instrument-change', { remove: { [list]: [rowId(row)] } } as EntryBody<'instrument-change'>);
                setChosen(null);
              }}
            />
          </div>
        )}
        <div className="sheet">
          <h2>Add</h2>
          <RowForm key={list} type={type} unit={unit} list={list} action="Add it" onDone={add} />
        </div>
        <KeepType />
      </div>
    </div>
  );
  return (
    <Bands
      work={work}
      says={
        <div className="readout-plain">
          <div>
            <div className="next">{type.name}</div>
            <div className="soft">
              {type.holes.length} holes, {type.keys.length} keys, {type.pads.length} pads, {type.posts.length} posts,{' '}
              {type.links.length} links · {places} places to measure
              {assumed > 0 && ` · ${assumed} parts with figures nobody has measured`}
            </div>
          </div>
        </div>
      }
    />
  );
}
