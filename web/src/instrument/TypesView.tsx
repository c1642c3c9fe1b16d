'use client';

import { applyOptions, removableNames, type InstrumentType } from '@holotonos/core';
import { useRouter } from 'next/navigation';
import { useId, useMemo, useRef, useState } from 'react';
import { useBench } from '@/client/BenchContext';
import { Form } from '@/client/bootstrap';
import { unnamed } from '@/client/JobContext';
import { Strip } from '@/strip/Strip';

/** Brings in a type from a file: whole and sound, or every fault named and nothing taken. */
function TypeImport() {
  const { author } = useBench();
  const router = useRouter();
  const id = useId();
  const file = useRef<HTMLInputElement>(null);
  const [said, setSaid] = useState<{ ok: boolean; lines: string[] } | null>(null);
  const take = async (chosen: File) => {
    try {
      const response = await fetch(`/api/v1/types?author=${encodeURIComponent(author.trim() || unnamed)}`, {
        method: 'POST',
        body: chosen,
      });
      const answer = (await response.json()) as { problems?: { path: string; message: string }[]; message?: string };
      if (response.ok) {
        setSaid({ ok: true, lines: [`${chosen.name} is in the list.`] });
        router.refresh();
      } else
        setSaid({
          ok: false,
          lines: answer.problems?.map(({ path, message }) => `${path || 'The file'} ${message}`) ?? [
            answer.message ?? 'It was refused.',
          ],
        });
    } catch {
      setSaid({ ok: false, lines: ['The server does not answer. Try again in a moment.'] });
    }
    if (file.current) file.current.value = '';
  };
  return (
    <div className="sheet">
      <h2>Bring in a type</h2>
      <Form.Label htmlFor={id}>A type document (JSON)</Form.Label>
      <Form.Control
        id={id}
        ref={file}
        type="file"
        accept=".json,application/json"
        onChange={(event) => {
          const chosen = (event.target as HTMLInputElement).files?.[0];
          if (chosen) void take(chosen);
        }}
      />
      {said && (
        <div role="alert" className={`say mt-2 ${said.ok ? 'sound' : 'fault'}`}>
          {!said.ok && <strong>Nothing was taken.</strong>}
          <ul className="mb-0">
            {said.lines.slice(0, 20).map((line) => (
              <li key={line}>{line}</li>
            ))}
          </ul>
        </div>
      )}
    </div>
  );
}

/** Every instrument type known here, drawn to scale, with its options to try. */
export function TypesView({ types }: { types: readonly { type: InstrumentType; ships: boolean }[] }) {
  const [shown, setShown] = useState(types[0]?.type.id ?? '');
  const [options, setOptions] = useState<readonly string[]>([]);
  const [part, setPart] = useState<string | null>(null);
  const found = types.find(({ type }) => type.id === shown)?.type ?? types[0]?.type;
  const plain = useMemo(() => found && applyOptions(found, options), [found, options]);
  const control = useMemo(() => ({ targets: ['holes', 'keys'] as const, here: part, onPick: setPart }), [part]);
  if (!found || !plain) return <p className="sheet">No type is known here. Bring one in.</p>;
  return (
    <>
      <div className="sheet p-2">
        <Strip type={plain} control={control} />
      </div>
      <div className="split">
        <div className="sheet">
          <h2>{plain.name}</h2>
          {found.options.length > 0 && (
            <fieldset className="d-flex flex-wrap gap-3 mb-2">
              <legend className="visually-hidden">Options</legend>
              {found.options.map(({ id, name }) => (
                <Form.Check
                  key={id}
                  id={`option-${id}`}
                  type="checkbox"
                  label={name}
                  checked={options.includes(id)}
                  onChange={() =>
                    setOptions((now) => (now.includes(id) ? now.filter((each) => each !== id) : [...now, id]))
                  }
                />
              ))}
            </fieldset>
          )}
          <p className="mb-2">
            {plain.sections.length} sections, {plain.holes.length} holes, {plain.keys.length} keys, {plain.pads.length}{' '}
            pads, {plain.posts.length} posts, {plain.links.length} links, {plain.fingerings.length} fingerings,{' '}
            {plain.rules.length} rules of regulation. Play test: {plain.playTest}.
          </p>
          {part !== null && <p className="mb-2">Chosen: {removableNames(plain).get(part) ?? part}</p>}
          <a className="btn btn-quiet" href={`/api/v1/types/${found.id}`}>
            Save as a file
          </a>
          <h3 className="mt-3">What must hold</h3>
          <ol>
            {[...plain.rules]
              .sort((a, b) => a.rank - b.rank)
              .map(({ id, words }) => (
                <li key={id}>{words}</li>
              ))}
          </ol>
        </div>
        <div>
          <div className="sheet">
            <h2>Known here</h2>
            <ul className="part-list">
              {types.map(({ type, ships }) => (
                <li key={type.id}>
                  <button
                    type="button"
                    aria-current={type.id === found.id ? 'true' : undefined}
                    onClick={() => {
                      setShown(type.id);
                      setOptions([]);
                      setPart(null);
                    }}
                  >
                    <span className="flex-grow-1">{type.name}</span>
                    {!ships && <span className="soft">our own</span>}
                  </button>
                </li>
              ))}
            </ul>
          </div>
          <TypeImport />
        </div>
      </div>
    </>
  );
}
