'use client';

import {
  along,
  mmPerUnit,
  parseNumber,
  printLength,
  printPhrase,
  printQuantity,
  rulerOf,
  type BoreOutput,
  type LengthUnit,
  type ReportFact,
} from '@holotonos/core';
import { useId, useState } from 'react';
import { useSolved } from '@/job/useSolved';
import { Form } from '@/ui/bootstrap';

/** The places named in a text, in the order they stand, mm. */
const placesIn = (text: string, unit: LengthUnit) =>
  (text.match(/\d+(?:[.,]\d+)?/g) ?? []).map((each) => (parseNumber(each) ?? 0) * mmPerUnit[unit]);

/** The bore against straight pieces fitted to it, for a bore whose reference nobody knows: taper of each piece, what is left over. */
export function FittedBore({
  bore,
  limits,
  unit,
}: {
  bore: BoreOutput;
  limits: readonly ReportFact[];
  unit: LengthUnit;
}) {
  const id = useId();
  const [open, setOpen] = useState(false);
  const [text, setText] = useState('');
  const ruler = rulerOf(unit);
  const limitOf = (fact: string) => limits.find(({ id: each }) => each === fact)?.limit?.upper ?? 0.1;
  const result = useSolved(
    'bore',
    open
      ? {
          stations: bore.stations.map(({ at, mean }) => ({ at, readings: [{ clock: 0, diameter: mean }] })),
          reference: { kind: 'fit', breaks: placesIn(text, ruler) },
          limits: { deviation: limitOf('bore-deviation'), ovality: limitOf('bore-ovality') },
        }
      : null,
  );
  const fitted = result?.status === 'solved' ? (result.output as BoreOutput) : null;
  const most = fitted?.stations.reduce((a, b) => (Math.abs(b.deviation) > Math.abs(a.deviation) ? b : a));
  return (
    <details className="mt-2" onToggle={(event) => setOpen(event.currentTarget.open)}>
      <summary>Against straight pieces fitted to it</summary>
      <Form.Label htmlFor={id} className="mt-2">
        Breaks between the pieces, {ruler} along the part
      </Form.Label>
      <Form.Control
        id={id}
        inputMode="decimal"
        placeholder="none: one piece"
        value={text}
        onChange={(event) => setText(event.target.value)}
      />
      {fitted ? (
        <>
          <table className="readings mt-2">
            <caption className="visually-hidden">Fitted pieces</caption>
            <thead>
              <tr>
                <th scope="col">From</th>
                <th scope="col">To</th>
                <th scope="col">Taper</th>
                <th scope="col">Half angle</th>
              </tr>
            </thead>
            <tbody>
              {(fitted.cones ?? []).map(({ from, to, taper, halfAngleDegrees }) => (
                <tr key={from}>
                  <td>{printQuantity(along(from), unit)}</td>
                  <td>{printQuantity(along(to), unit)}</td>
                  <td>{Math.abs(taper) < 1e-9 ? 'none' : `1 : ${(1 / taper).toFixed(1).replace('-', '−')}`}</td>
                  <td>{halfAngleDegrees.toFixed(3).replace('-', '−')}°</td>
                </tr>
              ))}
            </tbody>
          </table>
          {most && (
            <p className="soft mb-0">
              It leaves {printLength(most.deviation, unit)} at {printQuantity(along(most.at), unit)}.
            </p>
          )}
        </>
      ) : (
        result && (
          <p className="say attention mt-2 mb-0">
            {result.status === 'unsolvable'
              ? printPhrase(result.said, unit)
              : 'Breaks must lie between the first and the last station, with stations on either side.'}
          </p>
        )
      )}
    </details>
  );
}
