'use client';

import {
  pointKey,
  pointsOfPart,
  printLength,
  printWithUncertainty,
  shelfGauges,
  stateOf,
  unitOfMeasure,
  type ConformityOutput,
  type InstrumentType,
  type JobJudgement,
  type JobState,
  type Measure,
  type MeasureState,
  type MeasuringPoint,
  type PointReading,
} from '@holotonos/core';
import { useRouter, useSearchParams } from 'next/navigation';
import { useEffect, useId, useMemo, useRef, useState, type KeyboardEvent } from 'react';
import { usePageKeys } from '@/client/BenchContext';
import { Button, Form } from '@/client/bootstrap';
import { useJob } from '@/client/JobContext';
import { pointWords } from '@/components/entryWords';
import { Bands } from '@/components/JobShell';
import { StateMark } from '@/components/StateMark';
import { SuggestionCard } from '@/components/SuggestionCard';
import {
  gaugeFor,
  isMeasuredGroup,
  measuredGroups,
  measureWords,
  parseFigure,
  partsToMeasure,
  printFigureOf,
  typedUnit,
  type MeasuredGroup,
} from './groups';
import { PadPanel } from './PadPanel';
import { ReportPanel } from './ReportPanel';
import { RimPanel } from './RimPanel';

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

/** Where on its part a point lies, as short as can be understood beside the others of its group. */
function place(point: MeasuringPoint): string {
  const { group, measure, clock, at } = point;
  if (group === 'pad' || group === 'rim') return `${measure === 'diameter' ? 'across ' : ''}${clock}°`;
  if (at === undefined) return pointWords(point);
  return `${group === 'joint' ? `${measure} ` : ''}${Math.round(at * 10) / 10} mm, ${clock}°`;
}
const clockName = (clock: number) => ({ 0: 'front', 90: 'right', 180: 'hinge', 270: 'left' })[clock] ?? '';

/** The positions of one part with what is known at each. */
function rowsOf(
  state: JobState,
  type: InstrumentType,
  judgement: JobJudgement,
  group: MeasuredGroup,
  part: string,
): Row[] {
  const pad = judgement.pads.get(part);
  const rim = judgement.rims.get(part);
  const row = <T extends PointReading>(point: T) => ({
    ...point,
    key: pointKey(point.point),
    place: place(point.point),
  });
  if (group === 'pad') return (pad?.points ?? []).map((point) => ({ ...row(point), optional: false }));
  if (group === 'rim')
    return [...(rim?.heights ?? []), ...(rim?.diameters ?? [])].map((point) => ({
      ...row(point),
      conformity: null,
      optional: point.point.measure === 'diameter',
    }));
  return pointsOfPart(state, type, group, part).map((point) => ({
    ...row(point),
    state: point.fresh.length > 0 ? 'within' : point.stale.length > 0 ? 'stale' : 'unmeasured',
    conformity: null,
    optional: point.point.measure === 'leak',
  }));
}

/** A gap has a verdict of its own; a height or diameter is only read, and the rim judged as a whole. */
function rowState({ state, optional, conformity, mean }: Row) {
  if (state === 'unmeasured') return optional ? null : <StateMark state={state} word={false} />;
  return conformity || mean === null ? <StateMark state={state} /> : <span className="soft">read</span>;
}

/** Every group of measures of the instrument, part by part, walked with the keyboard alone. */
export function MeasureView() {
  const { ticket, type, names, state, judgement, write } = useJob();
  const router = useRouter();
  const query = useSearchParams();
  const wanted = query.get('group');
  const group: MeasuredGroup = isMeasuredGroup(wanted) ? wanted : 'pad';
  const parts = useMemo(() => partsToMeasure(type, group), [type, group]);
  const asked = query.get('part') ?? '';
  const part = parts.includes(asked) ? asked : (parts[0] ?? '');
  const rows = useMemo(() => rowsOf(state, type, judgement, group, part), [state, type, judgement, group, part]);
  const link = type.links.find(({ id }) => id === part);
  const nameOf = (id: string) => names.get(id) ?? id;
  const go = (toGroup: MeasuredGroup, to: string) =>
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
      partName={link ? `${nameOf(link.driver)} to ${nameOf(link.follower)}` : nameOf(part)}
    />
  );
}

interface PartProps {
  group: MeasuredGroup;
  part: string;
  parts: string[];
  rows: Row[];
  partName: string;
  go: (group: MeasuredGroup, part: string) => void;
  onReading: (point: MeasuringPoint, value: number, typed: string, gaugeId: string) => boolean;
  onUndo: () => MeasuringPoint | null;
}

function MeasurePart({ group, part, parts, rows, partName, go, onReading, onUndo }: PartProps) {
  const { state, type, judgement, names } = useJob();
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
  const [gauges, setGauges] = useState<Partial<Record<Measure, string>>>({});
  const [said, setSaid] = useState('');

  const row = rows[index];
  const measure = row?.point.measure ?? 'gap';
  const gaugeId = gauges[measure] ?? gaugeFor[measure];
  const report = judgement.parts.get(`${group}:${part}`) ?? null;
  const pad = judgement.pads.get(part);
  const rim = judgement.rims.get(part);
  const suggestions = judgement.suggestions.filter((suggestion) => suggestion.part === part);
  const limit = group === 'pad' ? pad?.limit : group === 'rim' ? rim?.limits.flatness : undefined;
  const own = unitOfMeasure(measure);
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
    const parsed = parseFigure(text, measure, unit);
    if (!parsed.ok) return setProblem(parsed.problem);
    if (!onReading(row.point, parsed.value, text.trim(), gaugeId)) return;
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
  const groupWords = measuredGroups.find(({ id: each }) => each === group)?.words ?? '';

  const answers = suggestions.map((suggestion) => <SuggestionCard key={suggestion.key} suggestion={suggestion} />);

  const work = (
    <div className="measure">
      <div>
        <div className="measure-groups mb-2" role="group" aria-label="What to measure">
          {measuredGroups.map(({ id: each, words }) => (
            <Button
              key={each}
              variant={each === group ? 'primary' : 'quiet'}
              aria-pressed={each === group}
              onClick={() => {
                const known = partsToMeasure(type, each);
                go(each, known.includes(part) ? part : (known[0] ?? ''));
              }}
            >
              {words}
            </Button>
          ))}
        </div>
        <ul ref={listed} className="part-list" aria-label={`${groupWords} along the tube`}>
          {parts.map((each) => (
            <li key={each}>
              <button type="button" aria-current={each === part ? 'true' : undefined} onClick={() => go(group, each)}>
                <StateMark state={stateOf(judgement, group, each) ?? 'unmeasured'} word={false} />
                {names.get(each) ?? each.replaceAll('-', ' ')}
              </button>
            </li>
          ))}
        </ul>
      </div>
      <div className="sheet mb-0">
        <h2>
          {group === 'pad' ? `Pad of ${partName}` : group === 'rim' ? `Rim of ${partName}` : partName}{' '}
          <StateMark state={partState} />
        </h2>
        {group === 'pad' && pad && <PadPanel pad={pad} here={row?.point.clock ?? null} answers={answers} />}
        {group === 'rim' && rim && <RimPanel rim={rim} unit={unit} />}
        {group !== 'pad' && group !== 'rim' && <ReportPanel report={report} unit={unit} />}
        {group !== 'pad' && answers}
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
                          : printFigureOf(each.mean, unitOfMeasure(each.point.measure), unit)}
                        {each.fresh.length > 1 && <span className="soft"> ({each.fresh.length} readings)</span>}
                      </>
                    ) : each.stale.length > 0 ? (
                      <span className="stale-figure" title={`Disturbed by: ${each.stale.at(-1)?.stale?.title ?? ''}`}>
                        {printFigureOf(each.stale.at(-1)?.value ?? 0, unitOfMeasure(each.point.measure), unit)}
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
          {partName}, {row?.place}{' '}
          {(group === 'pad' || group === 'rim') &&
            clockName(row?.point.clock ?? -1) &&
            `(${clockName(row?.point.clock ?? -1)})`}
        </label>
        <div className="soft">
          {group === 'rim' ? `${measure === 'height' ? 'rim' : 'hole'} ` : ''}
          {measureWords[measure]} in {typedUnit(measure, unit)}
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
        <div className="figure">{lastReading ? printFigureOf(lastReading.value, own, unit) : '–'}</div>
      </div>
      <div>
        <div style={{ fontSize: '1.25rem' }} data-testid="verdict">
          <StateMark state={verdictState} />
        </div>
        <div className="soft">
          {limit === undefined
            ? (report?.facts[0]?.words ?? '')
            : `${group === 'pad' ? 'limit' : 'flatness limit'} ${printLength(limit, unit)}`}
        </div>
      </div>
      <div className="visually-hidden" aria-live="polite">
        {said}
      </div>
    </div>
  );
  return <Bands work={work} readout={readout} />;
}
