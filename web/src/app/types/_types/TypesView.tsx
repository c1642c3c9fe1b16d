'use client';

import { applyOptions, removableNames, type InstrumentType } from '@holotonos/core';
import { useRouter } from 'next/navigation';
import { useMemo, useState } from 'react';
import { useBench } from '@/frame/BenchContext';
import { Form } from '@/ui/bootstrap';
import { unnamed } from '@/job/unnamed';
import { FileTaker } from '@/files/FileTaker';
import { Strip } from '@/tube/Strip';

/** Brings in a type from a file: whole and sound, or every fault named and nothing taken. */
function TypeImport() {
  const { author } = useBench();
  const router = useRouter();
  return (
    <div className="sheet">
      <h2>Bring in a type</h2>
      <FileTaker
        label="A type document (JSON)"
        accept=".json,application/json"
        type="application/json"
        url={`/api/v1/types?author=${encodeURIComponent(author.trim() || unnamed)}`}
        taken={(_answer, name) => {
          router.refresh();
          return `${name} is in the list.`;
        }}
      />
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
