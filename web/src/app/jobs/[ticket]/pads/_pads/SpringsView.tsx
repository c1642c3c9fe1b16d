'use client';

import {
  forceAtTouch,
  forceBand,
  gaugeOfReading,
  gaugesFor,
  printFigure,
  readAtPlaces,
  springRows,
  usualOf,
  type ReadAt,
  type StockState,
} from '@holotonos/core';
import { useRouter, useSearchParams } from 'next/navigation';
import { useId, useMemo, useState } from 'react';
import { readFigure } from '@/figure/groups';
import { usePageKeys } from '@/frame/keysHere';
import { pageKeys } from '@/frame/pageKeys';
import { useJob } from '@/job/JobContext';
import { Bands } from '@/job/JobShell';
import { useDrawers } from '@/shop/useStock';
import { Button, Form } from '@/ui/bootstrap';
import { FieldProblem, figureField, TextField } from '@/ui/fields';
import { PickCell } from '@/ui/PickCell';
import { StateMark } from '@/ui/StateMark';
import { ForceChart } from './ForceChart';
import { PadsNav } from './PadsNav';
import { newtons, SpringForm } from './SpringForm';

/** The springs of a job: felt at the touch, set by their measures, renewed out of the drawers. */
export function SpringsView({ first }: { first: StockState }) {
  const { ticket, type, state, judgement, shop, names, write } = useJob();
  const { stock } = useDrawers(first);
  const router = useRouter();
  const here = useSearchParams().get('part');
  const id = useId();
  usePageKeys(pageKeys.springs.keys);
  const [text, setText] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const [readAt, setReadAt] = useState<ReadAt>('touch');
  const rows = useMemo(() => springRows(state, type, judgement), [state, type, judgement]);
  const band = useMemo(() => forceBand(state, type), [state, type]);
  const at = Math.max(
    0,
    rows.findIndex(({ key }) => key === here),
  );
  const row = rows[at];
  const go = (key: string) => {
    setProblem(null);
    setText('');
    router.replace(`/jobs/${ticket}/pads/springs?part=${key}`);
  };
  const take = () => {
    if (!row) return;
    const read = readFigure(text, 'force', state.unit);
    if (!read.ok) return setProblem(read.problem);
    const gauge = usualOf(gaugesFor(shop, 'force'), 'force');
    if (!gauge) return setProblem('No gauge on the shelf takes a force.');
    const point = { group: 'spring', part: row.key, measure: 'force', clock: 0 } as const;
    const arms = row.main;
    const where = arms ? readAt : 'touch';
    const value = arms ? forceAtTouch(read.value, where, arms) : read.value;
    // What was read, and where, stays with the figure: the arms may be measured better later.
    const typed = where === 'touch' ? text.trim() : `${text.trim()} at the ${where}`;
    if (!write('reading', { point, value, typed, gauge: gaugeOfReading(gauge) })) return;
    const next = rows[at + 1];
    if (next) go(next.key);
    else setText('');
  };
  return (
    <Bands
      work={
        <div className="pads-page">
          <PadsNav usual="set" />
          {row ? (
            <div className="shims">
              <div className="scroll-x">
                <table className="readings">
                  <caption className="visually-hidden">Springs, key by key</caption>
                  <thead>
                    <tr>
                      <th scope="col">Key</th>
                      <th scope="col">Spring</th>
                      <th scope="col" className="num">
                        Was, N
                      </th>
                      <th scope="col" className="num">
                        At the touch, N
                      </th>
                      <th scope="col">It is</th>
                    </tr>
                  </thead>
                  <tbody>
                    {rows.map(({ key, kinds, force, before, state: stands, main, helper }) => (
                      <tr key={key} className={key === row.key ? 'here' : undefined}>
                        <PickCell here={key === row.key} onPick={() => go(key)}>
                          {names.get(key) ?? key}
                        </PickCell>
                        <td>
                          {kinds.join(', ')}
                          {main && <span className="soft"> measured{helper ? ', helper too' : ''}</span>}
                        </td>
                        <td className="num">{before === null ? '' : printFigure(before, 'mm', 2)}</td>
                        <td className="num">{force === null ? '' : printFigure(force, 'mm', 2)}</td>
                        <td>
                          <StateMark state={stands} />
                        </td>
                      </tr>
                    ))}
                  </tbody>
                </table>
              </div>
              <section className="sheet" aria-label={`Spring of ${names.get(row.key) ?? row.key}`}>
                <h2>{names.get(row.key) ?? row.key}</h2>
                <form
                  className="d-flex flex-wrap gap-2 align-items-end mb-2"
                  onSubmit={(event) => {
                    event.preventDefault();
                    take();
                  }}
                >
                  <TextField
                    label={`Force at the ${row.main ? readAt : 'touch'} to seal, N`}
                    className="short-figure"
                    {...figureField}
                    value={text}
                    set={setText}
                    wrongBy={problem === null ? undefined : id}
                  />
                  {row.main && (
                    <div>
                      <Form.Label htmlFor={`${id}-at`}>Read at the</Form.Label>
                      <Form.Select
                        id={`${id}-at`}
                        value={readAt}
                        onChange={(event) => setReadAt(event.target.value as ReadAt)}
                      >
                        {readAtPlaces.map((place) => (
                          <option key={place} value={place}>
                            {place}
                          </option>
                        ))}
                      </Form.Select>
                    </div>
                  )}
                  <Button type="submit" disabled={text.trim() === ''}>
                    Take it, next
                  </Button>
                  <span className="soft">
                    {band.least !== null || band.most !== null
                      ? `Wanted: ${band.least === null ? 'up' : newtons(band.least)} to ${band.most === null ? 'any' : newtons(band.most)}`
                      : 'The practice sets no limits.'}
                  </span>
                  <div className="w-100">
                    <FieldProblem id={id} words={problem ?? undefined} />
                  </div>
                </form>
                <SpringForm key={row.key} row={row} band={band} stock={stock} />
              </section>
            </div>
          ) : (
            <p>No key of this instrument is written down with a spring.</p>
          )}
        </div>
      }
      readout={<ForceChart rows={rows} band={band} here={row?.key ?? null} />}
    />
  );
}
