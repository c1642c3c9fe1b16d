'use client';

import {
  length,
  parseNumber,
  passWords,
  printQuantity,
  spoiltBy,
  tenonZones,
  type Learned,
  type LengthUnit,
  type PartReport,
  type PassKind,
} from '@holotonos/core';
import { useId, useState } from 'react';
import { Button } from '@/ui/bootstrap';
import { FieldProblem, TextField } from '@/ui/fields';
import { useWhen } from '@/frame/BenchContext';
import { useJob } from '@/job/JobContext';
import { PassLesson } from '@/job/PassLesson';
import { AngleForm } from './AngleForm';
import { EndView } from './EndView';

const signed = (value: number, places: number) => value.toFixed(places).replace('-', '−');
const withSpread = ({ value, spread, seen }: Learned, unit: LengthUnit) =>
  `${printQuantity(length(value, spread), unit)} (${seen})`;

/** Straightening in passes: set, let go, read again; what sprang back goes into the next one. */
export function LinePasses({ part, report }: { part: string; report: PartReport | null }) {
  const { state, type, write } = useJob();
  const line = report?.line;
  const passes = report?.passes ?? [];
  const waiting =
    state.passes.filter((pass) => pass.part === part && pass.pass === 'straighten').length - passes.length;
  if (!line && passes.length === 0) return null;
  return (
    <div className="passes">
      {line && line.shape !== 'straight' && <EndView line={line} unit={state.unit} />}
      <div>
        <h3>Passes</h3>
        {passes.length > 0 && (
          <div className="table-wide">
            <table className="readings mb-2">
              <caption className="visually-hidden">Straightening passes and what came of them</caption>
              <thead>
                <tr>
                  <th scope="col">Bent before</th>
                  <th scope="col">Set by</th>
                  <th scope="col">Bent after</th>
                  <th scope="col">Sprang back</th>
                  <th scope="col">Lesson</th>
                </tr>
              </thead>
              <tbody>
                {passes.map(({ entry, before, set, after, returned, aside }) => (
                  <tr key={entry}>
                    <td>{before.toFixed(2)}°</td>
                    <td>{set.toFixed(2)}°</td>
                    <td>{signed(after, 2)}°</td>
                    <td>{(100 * returned).toFixed(0)} %</td>
                    <td className="text-wrap">
                      <PassLesson entry={entry} aside={aside} name={`straightening by ${set.toFixed(2)}°`} />
                    </td>
                  </tr>
                ))}
              </tbody>
            </table>
          </div>
        )}
        {waiting > 0 && <p className="soft mb-2">The last pass counts once the line has been read again.</p>}
        {line?.correction && (
          <AngleForm
            label="I have set it by, degrees"
            action="Log the pass"
            most={90}
            placeholder={line.correction.setDegrees.toFixed(2)}
            onLog={(amount) => {
              const disturbs = spoiltBy('straighten-body', part, type);
              return write('pass', { pass: 'straighten', group: 'body-line', part, amount, disturbs });
            }}
          />
        )}
      </div>
    </div>
  );
}

const zoneWords = { shoulder: 'Shoulder', middle: 'Middle', leading: 'Leading end' } as const;

/** Expanding and shrinking in passes: what one pass of the tool does to this tenon, third by third. */
export function JointPasses({ part, report }: { part: string; report: PartReport | null }) {
  const { state, type, write } = useJob();
  const { momentText } = useWhen();
  const id = useId();
  const [text, setText] = useState('');
  const steps = report?.steps;
  const kind = type.joints.find(({ id }) => id === part)?.kind;
  if (!steps || kind === 'corked' || kind === 'wound') return null;
  const clicks = text.trim() === '' ? undefined : (parseNumber(text) ?? NaN);
  const wrong = clicks !== undefined && !(clicks > 0 && clicks <= 1000);
  const log = (pass: PassKind) => {
    const amount = pass === 'lap' ? undefined : clicks;
    const disturbs = spoiltBy('expand-tenon', part, type);
    if (write('pass', { pass, group: 'joint', part, ...(amount !== undefined && { amount }), disturbs })) setText('');
  };
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
              <th scope="col">One pass or click</th>
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
                <th scope="row" className="text-wrap">
                  {each === 'expand' ? 'Expander' : 'Collet'}, one {steps[each].per}
                </th>
                {tenonZones.map((zone) => {
                  const learned = steps[each][zone];
                  return (
                    <td key={zone} className="text-wrap">
                      {learned ? withSpread(learned, state.unit) : '–'}
                    </td>
                  );
                })}
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {done.length > 0 && (
        <details className="mb-2">
          <summary>Passes one by one ({done.length})</summary>
          <ol className="mb-0">
            {done.map(({ entry, pass, amount, benchTime, aside }) => {
              const name = `${passWords[pass]}${amount === undefined ? '' : ` by ${amount} clicks`}`;
              return (
                <li key={entry}>
                  {name}, {momentText(benchTime)} <PassLesson entry={entry} aside={aside} name={name.toLowerCase()} />
                </li>
              );
            })}
          </ol>
        </details>
      )}
      <div className="d-flex flex-wrap gap-2 align-items-end">
        <TextField
          label="Clicks of the tool, if it has any"
          className="short-figure"
          inputMode="numeric"
          value={text}
          set={setText}
          wrongBy={wrong ? `${id}-wrong` : undefined}
        />
        <Button variant="quiet" disabled={wrong} onClick={() => log('expand')}>
          Log a pass of the expander
        </Button>
        <Button variant="quiet" disabled={wrong} onClick={() => log('shrink')}>
          Log a pass of the collet
        </Button>
        <Button variant="quiet" onClick={() => log('lap')}>
          Log lapping
        </Button>
        <div className="w-100">
          <FieldProblem
            id={`${id}-wrong`}
            words={wrong ? 'Clicks are a figure, more than 0 and 1000 at most.' : undefined}
          />
        </div>
      </div>
    </div>
  );
}
