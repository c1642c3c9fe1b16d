'use client';

import {
  adviceWords,
  parseLength,
  pictureWords,
  pointKey,
  printLength,
  printWithUncertainty,
  shelfGauges,
  stateOf,
  type ConformityOutput,
  type JobJudgement,
  type MeasureState,
  type MeasuringPoint,
  type PointReading,
} from '@holotonos/core';
import dynamic from 'next/dynamic';
import { useRouter, useSearchParams } from 'next/navigation';
import { useEffect, useId, useMemo, useRef, useState, type KeyboardEvent } from 'react';
import { usePageKeys } from '@/client/BenchContext';
import { Button, Form } from '@/client/bootstrap';
import { useJob } from '@/client/JobContext';
import { Bands } from './JobShell';
import { LeakPicture } from './LeakPicture';
import { StateMark } from './StateMark';
import { SuggestionCard } from './SuggestionCard';

// The chart library is only fetched where a rim is looked at.
const RimChart = dynamic(() => import('./RimChart').then((module) => module.RimChart), {
  ssr: false,
  loading: () => <p className="soft">Drawing …</p>,
});

type Group = 'pad' | 'rim';

interface Row extends PointReading {
  key: string;
  place: string;
  state: MeasureState;
  conformity: ConformityOutput | null;
  optional: boolean;
}

const keys = [
  { keys: 'Enter', does: 'take the reading and go to the next position' },
  { keys: '↓ ↑', does: 'next or previous position; a second figure there is a repeat' },
  { keys: 'Page Down, Page Up', does: 'next or previous part along the tube' },
  { keys: 'Ctrl Z', does: 'strike the last reading of this part' },
];

const place = ({ measure, clock }: MeasuringPoint) => `${measure === 'diameter' ? 'across ' : ''}${clock}°`;
const clockName = (clock: number) => ({ 0: 'front', 90: 'right', 180: 'hinge', 270: 'left' })[clock] ?? '';

/** The positions of one part with what is known at each. */
function rowsOf(judgement: JobJudgement, group: Group, part: string): Row[] {
  const pad = judgement.pads.get(part);
  const rim = judgement.rims.get(part);
  if (group === 'pad') {
    return (pad?.points ?? []).map((point) => ({
      ...point,
      key: pointKey(point.point),
      place: place(point.point),
      optional: false,
    }));
  }
  return [...(rim?.heights ?? []), ...(rim?.diameters ?? [])].map((point) => ({
    ...point,
    key: pointKey(point.point),
    place: place(point.point),
    conformity: null,
    optional: point.point.measure === 'diameter',
  }));
}

/** A gap has a verdict of its own; a height or diameter is only read, and the rim judged as a whole. */
function rowState({ state, optional, conformity, mean }: Row) {
  if (state === 'unmeasured') return optional ? null : <StateMark state={state} word={false} />;
  return conformity || mean === null ? <StateMark state={state} /> : <span className="soft">read</span>;
}

const gaugeFor = (measure: MeasuringPoint['measure']) =>
  ({ gap: 'feeler-film', height: 'dial-indicator', diameter: 'telescoping-gauge' })[measure];

/** The pads or rims of the instrument, walked with the keyboard alone. */
export function MeasureView() {
  const { ticket, type, names, state, judgement, write } = useJob();
  const router = useRouter();
  const query = useSearchParams();
  const group: Group = query.get('group') === 'rim' ? 'rim' : 'pad';
  const parts = useMemo(() => {
    const padded = new Set(type.pads.map(({ hole }) => hole));
    return type.holes.filter(({ id }) => group === 'rim' || padded.has(id)).map(({ id }) => id);
  }, [type, group]);
  const asked = query.get('part') ?? '';
  const part = parts.includes(asked) ? asked : (parts[0] ?? '');
  const rows = rowsOf(judgement, group, part);
  const go = (toGroup: Group, to: string) =>
    router.replace(`/jobs/${ticket}/measure?group=${toGroup}&part=${to}`, { scroll: false });
  usePageKeys(keys);

  return (
    <MeasurePart
      key={`${group} ${part}`}
      group={group}
      part={part}
      parts={parts}
      rows={rows}
      go={go}
      onReading={(point, value, typed, gaugeId) => {
        const gauge = shelfGauges.find(({ id }) => id === gaugeId);
        if (!gauge) return false;
        const { id, name, resolution, maxPermissibleError } = gauge;
        return write('reading', { point, value, typed, gauge: { id, name, resolution, maxPermissibleError } });
      }}
      onUndo={() => {
        const last = state.entries.findLast(
          (entry) =>
            entry.kind === 'reading' &&
            entry.body.point.group === group &&
            entry.body.point.part === part &&
            !state.struck.has(entry.id),
        );
        if (!last || last.kind !== 'reading') return null;
        write('strike', { entry: last.id, reason: 'undone while measuring' });
        return last.body.point;
      }}
      partName={names.get(part) ?? part}
    />
  );
}

interface PartProps {
  group: Group;
  part: string;
  parts: string[];
  rows: Row[];
  partName: string;
  go: (group: Group, part: string) => void;
  onReading: (point: MeasuringPoint, value: number, typed: string, gaugeId: string) => boolean;
  onUndo: () => MeasuringPoint | null;
}

function MeasurePart({ group, part, parts, rows, partName, go, onReading, onUndo }: PartProps) {
  const { state, judgement, names } = useJob();
  const { unit } = state;
  const id = useId();
  const input = useRef<HTMLInputElement>(null);
  const [index, setIndex] = useState(() => {
    const first = rows.findIndex(({ fresh }) => fresh.length === 0);
    return first === -1 ? 0 : first;
  });
  const [text, setText] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const [lastKey, setLastKey] = useState<string | null>(null);
  const [gauges, setGauges] = useState<Partial<Record<MeasuringPoint['measure'], string>>>({});
  const [said, setSaid] = useState('');

  const row = rows[index];
  const measure = row?.point.measure ?? 'gap';
  const gaugeId = gauges[measure] ?? gaugeFor(measure);
  const pad = judgement.pads.get(part);
  const rim = judgement.rims.get(part);
  const suggestions = judgement.suggestions.filter((suggestion) => suggestion.part === part);
  const limit = group === 'pad' ? pad?.limit : rim?.limits.flatness;
  const last = rows.find(({ key }) => key === lastKey) ?? row;
  const lastReading = last?.fresh.at(-1);

  const listed = useRef<HTMLUListElement>(null);

  useEffect(() => {
    input.current?.focus({ preventScroll: true });
    // Only the list scrolls, never the page: the strip and the readout stay where they are.
    const list = listed.current;
    const current = list?.querySelector<HTMLElement>('[aria-current=true]');
    if (list && current) list.scrollTop = current.offsetTop - list.clientHeight / 2;
  }, []);

  const move = (step: number) => setIndex((at) => Math.max(0, Math.min(rows.length - 1, at + step)));
  const otherPart = (step: number) => {
    const to = parts[parts.indexOf(part) + step];
    if (to !== undefined) go(group, to);
  };

  const take = () => {
    if (!row) return;
    const parsed = parseLength(text, unit);
    if (!parsed.ok) return setProblem(parsed.problem);
    if (measure === 'gap' && parsed.mm < 0) return setProblem('A gap cannot be less than 0.');
    if (measure === 'diameter' && parsed.mm <= 0) return setProblem('A diameter must be more than 0.');
    if (!onReading(row.point, parsed.mm, text.trim(), gaugeId)) return;
    setProblem(null);
    setText('');
    setLastKey(row.key);
    setSaid(`${row.place} taken`);
    move(1);
  };
  const undo = () => {
    const point = onUndo();
    if (!point) return setSaid('Nothing to strike here');
    setSaid(`Reading at ${place(point)} struck`);
    setIndex(rows.findIndex(({ key }) => key === pointKey(point)));
    setLastKey(null);
  };

  const onKeyDown = (event: KeyboardEvent) => {
    if ((event.ctrlKey || event.metaKey) && event.key.toLowerCase() === 'z') undo();
    else if (event.key === 'Enter') take();
    else if (event.key === 'ArrowDown') move(1);
    else if (event.key === 'ArrowUp') move(-1);
    else if (event.key === 'PageDown') otherPart(1);
    else if (event.key === 'PageUp') otherPart(-1);
    else return;
    event.preventDefault();
  };

  const partState = stateOf(judgement, group, part) ?? 'unmeasured';
  const verdictState = group === 'pad' ? (last?.state ?? 'unmeasured') : partState;
  const nextRow = rows[index + 1];

  const answers = suggestions.map((suggestion) => <SuggestionCard key={suggestion.key} suggestion={suggestion} />);

  const work = (
    <div className="measure">
      <div>
        <div className="d-flex gap-2 mb-2" role="group" aria-label="What to measure">
          {(['pad', 'rim'] as const).map((each) => (
            <Button
              key={each}
              variant={each === group ? 'primary' : 'quiet'}
              aria-pressed={each === group}
              onClick={() => go(each, part)}
            >
              {each === 'pad' ? 'Pads' : 'Rims'}
            </Button>
          ))}
        </div>
        <ul
          ref={listed}
          className="part-list"
          aria-label={group === 'pad' ? 'Pads along the tube' : 'Rims along the tube'}
        >
          {parts.map((each) => (
            <li key={each}>
              <button type="button" aria-current={each === part ? 'true' : undefined} onClick={() => go(group, each)}>
                <StateMark state={stateOf(judgement, group, each) ?? 'unmeasured'} word={false} />
                {names.get(each)}
              </button>
            </li>
          ))}
        </ul>
      </div>
      <div className="sheet mb-0">
        <h2>
          {group === 'pad' ? 'Pad' : 'Rim'} of {partName} <StateMark state={partState} />
        </h2>
        {group === 'pad' && pad && (
          <div className="judged">
            <LeakPicture pad={pad} here={row?.point.clock ?? null} />
            <div>
              <p className="mb-1" aria-live="polite">
                {pad.seat ? (
                  <>
                    <strong>{pictureWords[pad.seat.picture].title}.</strong> {pictureWords[pad.seat.picture].causes}{' '}
                    {pad.seat.rimSuspected ? 'The gaps follow the hollows of the rim. ' : ''}
                    <strong>{adviceWords[pad.seat.advice]}</strong>
                  </>
                ) : (
                  <span className="soft">
                    All eight positions at the lightest touch make the picture. Let the finger only rest on the key.
                  </span>
                )}
              </p>
              {answers}
            </div>
          </div>
        )}
        {group === 'rim' && rim && (
          <>
            <RimChart report={rim} unit={unit} />
            {rim.rim && rim.flatness ? (
              <dl className="row mb-0 mt-2">
                <dt className="col-5">Flatness</dt>
                <dd className="col-7">
                  {printWithUncertainty(rim.rim.flatness, rim.flatness.expandedUncertainty, unit)}, limit{' '}
                  {printLength(rim.limits.flatness, unit)}
                </dd>
                <dt className="col-5">Tilt across the rim</dt>
                <dd className="col-7">
                  {printLength(rim.rim.tilt, unit)}, limit {printLength(rim.limits.tilt, unit)}
                  {rim.rim.highClock !== null && <>; high at {Math.round(rim.rim.highClock)}°</>}
                </dd>
                {rim.rim.ellipse && (
                  <>
                    <dt className="col-5">Ovality</dt>
                    <dd className="col-7">
                      {printLength(rim.rim.ellipse.ovality, unit)}, limit {printLength(rim.limits.ovality, unit)}
                    </dd>
                  </>
                )}
              </dl>
            ) : (
              <p className="soft mt-2 mb-0">
                Six heights or more make the plane. Diameters across the hole are optional.
              </p>
            )}
          </>
        )}
        {group === 'rim' && answers}
      </div>
      <div>
        <div className="sheet">
          <table className="readings">
            <caption className="visually-hidden">Readings of this part</caption>
            <thead>
              <tr>
                <th scope="col">Place</th>
                <th scope="col">Reading</th>
                <th scope="col">State</th>
              </tr>
            </thead>
            <tbody>
              {rows.map((each, i) => (
                <tr key={each.key} className={i === index ? 'here' : ''} onClick={() => setIndex(i)}>
                  <th scope="row">
                    {each.place}{' '}
                    <span className="soft">{each.point.measure === 'gap' ? clockName(each.point.clock) : ''}</span>
                  </th>
                  <td>
                    {each.mean !== null ? (
                      <>
                        {each.conformity
                          ? printWithUncertainty(each.mean, each.conformity.expandedUncertainty, unit)
                          : printLength(each.mean, unit)}
                        {each.fresh.length > 1 && <span className="soft"> ({each.fresh.length} readings)</span>}
                      </>
                    ) : each.stale.length > 0 ? (
                      <span className="stale-figure" title={`Disturbed by: ${each.stale.at(-1)?.stale?.title ?? ''}`}>
                        {printLength(each.stale.at(-1)?.value ?? 0, unit)}
                      </span>
                    ) : (
                      <span className="soft">{each.optional ? 'if wanted' : '–'}</span>
                    )}
                  </td>
                  <td>{rowState(each)}</td>
                </tr>
              ))}
            </tbody>
          </table>
          {rows.some(({ fresh, stale }) => fresh.length === 0 && stale.length > 0) && (
            <p className="say attention mt-2 mb-0">
              Stale since “{rows.findLast(({ stale }) => stale.length > 0)?.stale.at(-1)?.stale?.title}”. Read again
              before relying on it.
            </p>
          )}
        </div>
        <div className="sheet mb-0">
          <Form.Label htmlFor={`${id}-gauge`}>Gauge</Form.Label>
          <Form.Select
            id={`${id}-gauge`}
            value={gaugeId}
            onChange={(event) => {
              setGauges((now) => ({ ...now, [measure]: event.target.value }));
              input.current?.focus();
            }}
          >
            {shelfGauges.map(({ id: value, name }) => (
              <option key={value} value={value}>
                {name}
              </option>
            ))}
          </Form.Select>
          {last?.conformity?.verdict === 'undecided' && (
            <p className="say attention mt-2 mb-0">
              Too near the limit for this gauge.{' '}
              {last.conformity.readingsNeeded
                ? `${last.conformity.readingsNeeded - last.fresh.length} more readings like these would decide it.`
                : 'More readings would not decide it: take a finer gauge.'}
            </p>
          )}
        </div>
      </div>
    </div>
  );

  const readout = (
    <div className="readout">
      <div>
        <label className="asked" htmlFor={`${id}-figure`}>
          {partName}, {row?.place} {clockName(row?.point.clock ?? -1) && `(${clockName(row?.point.clock ?? -1)})`}
        </label>
        <div className="soft">
          {{ gap: 'gap at the lightest touch', height: 'rim height', diameter: 'hole diameter' }[measure]} in {unit}
          {nextRow ? ` · then ${nextRow.place}` : ' · last position'}
        </div>
      </div>
      <div>
        <Form.Control
          ref={input}
          id={`${id}-figure`}
          data-figure
          inputMode="decimal"
          autoComplete="off"
          value={text}
          isInvalid={problem !== null}
          aria-describedby={`${id}-problem`}
          onChange={(event) => {
            setText(event.target.value);
            setProblem(null);
          }}
          onKeyDown={onKeyDown}
        />
        <div id={`${id}-problem`} role="alert" style={{ color: 'var(--fault)' }}>
          {problem}
        </div>
      </div>
      <div data-testid="last-reading">
        <div className="figure">{lastReading ? printLength(lastReading.value, unit) : '–'}</div>
      </div>
      <div>
        <div style={{ fontSize: '1.25rem' }} data-testid="verdict">
          <StateMark state={verdictState} />
        </div>
        <div className="soft">
          {group === 'pad' ? 'limit' : 'flatness limit'} {limit === undefined ? '' : printLength(limit, unit)}
        </div>
      </div>
      <div className="visually-hidden" aria-live="polite">
        {said}
      </div>
    </div>
  );
  return <Bands work={work} readout={readout} />;
}
