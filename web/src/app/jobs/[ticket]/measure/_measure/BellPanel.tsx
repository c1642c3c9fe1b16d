'use client';

import { length, printQuantity, referenceKeys, spoiltBy, type PartReport } from '@holotonos/core';
import { useId } from 'react';
import { Form } from '@/ui/bootstrap';
import { useJob } from '@/job/JobContext';
import { AngleForm } from './AngleForm';

const told = (value: number | null, print: (value: number) => string) => (value === null ? '–' : print(value));
const angle = (value: number) => `${value.toFixed(2).replace('-', '−')}°`;
const share = (value: number) => `${(100 * value).toFixed(0)} %`;

/**
 * A bell and what it is gauged by: any sound key may be chosen, and each push is logged with what it left. A bell is turned
 * past, let go, and turned back less.
 *
 * @param at where the hole of the key lies that is the gauge now, mm along the bell; undefined for the largest
 */
export function BellPanel({
  part,
  report,
  at,
  onKey,
}: {
  part: string;
  report: PartReport | null;
  at: number | undefined;
  onKey: (at: number | undefined) => void;
}) {
  const { state, type, write } = useJob();
  const id = useId();
  const keys = referenceKeys(type, part);
  const [largest] = keys;
  if (!largest) return null;
  const turns = report?.turns ?? [];
  const lean = (value: number) => printQuantity(length(value), state.unit);
  return (
    <section className="mt-3" aria-label="Turning the bell">
      <h3>Turning</h3>
      <div className="d-flex flex-wrap gap-2 align-items-end mb-2">
        <div>
          <Form.Label htmlFor={`${id}-key`}>Reference key</Form.Label>
          <Form.Select
            id={`${id}-key`}
            value={at ?? largest.at}
            onChange={(event) => {
              const chosen = Number(event.target.value);
              onKey(chosen === largest.at ? undefined : chosen);
            }}
          >
            {keys.map((key) => (
              <option key={key.id} value={key.at}>
                {key.name}
              </option>
            ))}
          </Form.Select>
        </div>
        <AngleForm
          label="I have turned it by, degrees"
          action="Log the push"
          most={45}
          onLog={(amount) => {
            const disturbs = spoiltBy('turn-bell', 'instrument', type);
            return write('pass', { pass: 'turn-bell', group: 'body-line', part, amount, disturbs });
          }}
        />
      </div>
      {turns.length === 0 ? (
        <p className="soft mb-0">
          Take the soundest large key that hinges on the body. Read the marks or its gap front and back, push past, let
          it return, log the push, read again.
        </p>
      ) : (
        <table className="readings">
          <caption className="visually-hidden">Pushes that turned the bell and what each left</caption>
          <thead>
            <tr>
              <th scope="col">Turned before</th>
              <th scope="col">Pushed</th>
              <th scope="col">Left</th>
              <th scope="col">Came back</th>
              <th scope="col">Key, front less back</th>
            </tr>
          </thead>
          <tbody>
            {turns.map(({ entry, set, before, after, keyBefore, keyAfter, returned }) => (
              <tr key={entry}>
                <td>{told(before, angle)}</td>
                <td>{angle(set)}</td>
                <td>{told(after, angle)}</td>
                <td>{told(returned, share)}</td>
                <td>
                  {told(keyBefore, lean)} → {told(keyAfter, lean)}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </section>
  );
}
