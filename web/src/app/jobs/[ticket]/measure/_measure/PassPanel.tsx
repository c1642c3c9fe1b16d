'use client';

import {
  length,
  operationKinds,
  parseNumber,
  printQuantity,
  tenonZones,
  type Learned,
  type LengthUnit,
  type PartReport,
  type PassKind,
} from '@holotonos/core';
import { useId, useState } from 'react';
import { Button, Form } from '@/ui/bootstrap';
import { useJob } from '@/job/JobContext';
import { EndView } from './EndView';

const signed = (value: number, places: number) => value.toFixed(places).replace('-', '−');
const withSpread = ({ value, spread, seen }: Learned, unit: LengthUnit) =>
  `${printQuantity(length(value, spread), unit)} (${seen})`;

/** What a pass on this part makes untrue: what the whole operation would. */
const disturbedBy = (operation: 'straighten-body' | 'expand-tenon', part: string) =>
  operationKinds[operation].disturbs.map((pattern) => pattern.replace('{part}', part));

/** Straightening in passes: set, let go, read again; what sprang back goes into the next one. */
export function LinePasses({ part, report }: { part: string; report: PartReport | null }) {
  const { state, write } = useJob();
  const id = useId();
  const [text, setText] = useState('');
  const line = report?.line;
  const passes = report?.passes ?? [];
  const waiting =
    state.passes.filter((pass) => pass.part === part && pass.pass === 'straighten').length - passes.length;
  const amount = parseNumber(text) ?? NaN;
  if (!line && passes.length === 0) return null;
  return (
    <div className="passes">
      {line && line.shape !== 'straight' && <EndView line={line} unit={state.unit} />}
      <div>
        <h3>Passes</h3>
        {passes.length > 0 && (
          <table className="readings mb-2">
            <caption className="visually-hidden">Straightening passes and what came of them</caption>
            <thead>
              <tr>
                <th scope="col">Bent before</th>
                <th scope="col">Set by</th>
                <th scope="col">Bent after</th>
                <th scope="col">Sprang back</th>
              </tr>
            </thead>
            <tbody>
              {passes.map(({ entry, before, set, after, returned }) => (
                <tr key={entry}>
                  <td>{before.toFixed(2)}°</td>
                  <td>{set.toFixed(2)}°</td>
                  <td>{signed(after, 2)}°</td>
                  <td>{(100 * returned).toFixed(0)} %</td>
                </tr>
              ))}
            </tbody>
          </table>
        )}
        {waiting > 0 && <p className="soft mb-2">The last pass counts once the line has been read again.</p>}
        {line?.correction && (
          <form
            className="d-flex gap-2 align-items-end"
            onSubmit={(event) => {
              event.preventDefault();
              const disturbs = disturbedBy('straighten-body', part);
              if (write('pass', { pass: 'straighten', group: 'body-line', part, amount, disturbs })) setText('');
            }}
          >
            <div>
              <Form.Label htmlFor={`${id}-set`}>I have set it by, degrees</Form.Label>
              <Form.Control
                id={`${id}-set`}
                inputMode="decimal"
                value={text}
                placeholder={line.correction.setDegrees.toFixed(2)}
                onChange={(event) => setText(event.target.value)}
              />
            </div>
            <Button type="submit" disabled={!(amount > 0 && amount < 90)}>
              Log the pass
            </Button>
          </form>
        )}
      </div>
    </div>
  );
}

const zoneWords = { shoulder: 'Shoulder', middle: 'Middle', leading: 'Leading end' } as const;

/** Expanding and shrinking in passes: what one pass of the tool does to this tenon, third by third. */
export function JointPasses({ part, report }: { part: string; report: PartReport | null }) {
  const { state, type, write } = useJob();
  const steps = report?.steps;
  const kind = type.joints.find(({ id }) => id === part)?.kind;
  if (!steps || kind === 'corked' || kind === 'wound') return null;
  const log = (pass: PassKind) =>
    write('pass', { pass, group: 'joint', part, disturbs: disturbedBy('expand-tenon', part) });
  const known = (['expand', 'shrink'] as const).filter((each) => tenonZones.some((zone) => steps[each][zone]));
  const done = state.passes.filter((pass) => pass.part === part && pass.group === 'joint');
  return (
    <div className="mt-2">
      <h3>Passes</h3>
      <p className="soft mb-2">
        {done.length === 0
          ? 'Log each pass of the tool, then read the tenon in all three thirds: what a pass does here is learned from that.'
          : `${done.length} logged. Read all three thirds after each: the leading end grows faster.`}
      </p>
      {known.length > 0 && (
        <table className="readings mb-2">
          <caption className="visually-hidden">What one pass does to each third of the tenon</caption>
          <thead>
            <tr>
              <th scope="col">One pass</th>
              {tenonZones.map((zone) => (
                <th scope="col" key={zone}>
                  {zoneWords[zone]}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {known.map((each) => (
              <tr key={each}>
                <th scope="row">{each === 'expand' ? 'Expander' : 'Collet'}</th>
                {tenonZones.map((zone) => {
                  const learned = steps[each][zone];
                  return <td key={zone}>{learned ? withSpread(learned, state.unit) : '–'}</td>;
                })}
              </tr>
            ))}
          </tbody>
        </table>
      )}
      <div className="d-flex flex-wrap gap-2">
        <Button variant="quiet" onClick={() => log('expand')}>
          Log a pass of the expander
        </Button>
        <Button variant="quiet" onClick={() => log('shrink')}>
          Log a pass of the collet
        </Button>
        <Button variant="quiet" onClick={() => log('lap')}>
          Log lapping
        </Button>
      </div>
    </div>
  );
}
