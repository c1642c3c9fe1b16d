'use client';

import {
  pointKey,
  along,
  parseLength,
  pointsOfPart,
  printLength,
  printPhrase,
  printQuantity,
  rulerOf,
  printWithUncertainty,
  referenceKey,
  deciderWords,
  gaugesInUse,
  groupNamed,
  isFurtherStation,
  isWanted,
  stateOf,
  unitOfMeasure,
  whatDecides,
  whatDecidesPoint,
  pointWords,
  type ConformityOutput,
  type InstrumentType,
  type JobJudgement,
  type JobState,
  type LengthUnit,
  type MeasureState,
  type MeasuringPoint,
  type PointReading,
} from '@holotonos/core';
import { useRouter, useSearchParams } from 'next/navigation';
import { Link } from '@/ui/Link';
import { useEffect, useMemo, useRef, useState, type KeyboardEvent } from 'react';
import { usePageKeys } from '@/frame/keysHere';
import { pageKeys } from '@/frame/pageKeys';
import { useFirstFocus } from '@/frame/useFirstFocus';
import { Button } from '@/ui/bootstrap';
import { FigureForm } from '@/ui/FigureForm';
import { useJob } from '@/job/JobContext';
import { Bands } from '@/job/JobShell';
import { StateMark } from '@/ui/StateMark';
import { SuggestionCard } from '@/job/SuggestionCard';
import { FigureReadout } from '@/figure/FigureReadout';
import { GaugePanel } from '@/figure/GaugePanel';
import { isMeasuredGroup, measuredGroups, partsToMeasure, type MeasuredGroup } from '@/figure/groups';
import { PartPanel } from './PartPanel';
import { ReadingsHere } from './ReadingsHere';
import { useFigure } from '@/figure/useFigure';

const quarterClocks = [0, 90, 180, 270] as const;

interface Row extends PointReading {
  key: string;
  place: string;
  state: MeasureState;
  conformity: ConformityOutput | null;
  optional: boolean;
}

/** Where on its part a point lies, as short as can be understood beside the others of its group. */
function place(point: MeasuringPoint, unit: LengthUnit, type: InstrumentType): string {
  const { group, measure, clock, at } = point;
  const gauge = measure === 'key-gap' && at !== undefined ? referenceKey(type, point.part, at) : null;
  if (gauge) return `key of ${gauge.name}, ${clock}°`;
  const { spots, round } = groupNamed(group) ?? {};
  const spot = spots?.[measure];
  if (spot !== undefined) return spot;
  if (round) return `${measure === 'diameter' ? 'across ' : ''}${clock}°`;
  if (at === undefined) return printPhrase(pointWords(point), unit);
  const station = printQuantity(along(at), unit);
  if (measure === 'run-out') return `run-out at ${station}`;
  return `${group === 'joint' ? `${measure} ` : measure === 'mark-gap' ? 'mark ' : ''}${station}, ${clock}°`;
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
    place: place(point.point, state.unit, type),
  });
  const more = (point: PointReading): Row => ({
    ...row(point),
    state: point.fresh.length > 0 ? 'within' : point.stale.length > 0 ? 'stale' : 'unmeasured',
    conformity: null,
    optional: isWanted(point.point) || isFurtherStation(type, point.point),
  });
  if (group === 'pad')
    return [
      ...(pad?.points ?? []).map((point) => ({ ...row(point), optional: false })),
      ...pointsOfPart(state, type, group, part)
        .filter(({ point }) => point.measure !== 'gap')
        .map(more),
    ];
  if (group === 'rim')
    return [...(rim?.heights ?? []), ...(rim?.diameters ?? [])].map((point) => ({
      ...row(point),
      conformity: null,
      optional: isWanted(point.point),
    }));
  return pointsOfPart(state, type, group, part).map(more);
}

/** The furthest station there can be, mm. */
const furthest = 5000;

/** A station between those the instrument type names. */
function StationForm({ unit, onStation }: { unit: LengthUnit; onStation: (at: number) => void }) {
  const ruler = rulerOf(unit);
  const read = (text: string) => {
    const typed = parseLength(text, ruler);
    if (!typed.ok) return typed.problem;
    return typed.mm >= 0 && typed.mm <= furthest ? typed.mm : 'It must lie on the instrument, from its upper end.';
  };
  return (
    <FigureForm
      label={`Another station, ${ruler}`}
      action="Add"
      quiet
      className="mt-2"
      read={read}
      onTaken={(at) => {
        onStation(at);
        return true;
      }}
    />
  );
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
  const [extra, setExtra] = useState<readonly { of: string; at: number }[]>([]);
  /** the key a bell is gauged by, where it is not the largest */
  const [gaugeKey, setGaugeKey] = useState<number | undefined>(undefined);
  const rows = useMemo(() => {
    const known = rowsOf(state, type, judgement, group, part);
    const keys = new Set(known.map(({ key }) => key));
    const { measure = 'deviation', clocks = [] } = groupNamed(group)?.stations ?? {};
    const more = extra
      .filter(({ of }) => of === `${group} ${part}`)
      .flatMap(({ at }) => clocks.map((clock): MeasuringPoint => ({ group, part, measure, at, clock })))
      .filter((point) => !keys.has(pointKey(point)));
    const ofKey =
      gaugeKey !== undefined && group === 'body-line' && referenceKey(type, part, gaugeKey)
        ? quarterClocks
            .map((clock): MeasuringPoint => ({ group, part, measure: 'key-gap', at: gaugeKey, clock }))
            .filter((point) => !keys.has(pointKey(point)))
        : [];
    return [
      ...known,
      ...[...more, ...ofKey].map((point): Row => ({
        point,
        fresh: [],
        stale: [],
        mean: null,
        key: pointKey(point),
        place: place(point, state.unit, type),
        state: 'unmeasured',
        conformity: null,
        optional: true,
      })),
    ];
  }, [state, type, judgement, group, part, extra, gaugeKey]);
  const link = type.links.find(({ id }) => id === part);
  const nameOf = (id: string) => names.get(id) ?? id;
  const go = (toGroup: MeasuredGroup, to: string) =>
    router.replace(`/jobs/${ticket}/measure?group=${toGroup}&part=${to}`, { scroll: false });
  usePageKeys(pageKeys.measure.keys);

  return (
    <MeasurePart
      key={`${group} ${part}`}
      group={group}
      part={part}
      parts={parts}
      rows={rows}
      onStation={(at) => setExtra((now) => [...now, { of: `${group} ${part}`, at }])}
      gaugeKey={gaugeKey}
      onGaugeKey={setGaugeKey}
      go={go}
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
  /** adds a station of the technician's own */
  onStation: (at: number) => void;
  onUndo: () => MeasuringPoint | null;
  /** where the hole of the key lies that a bell is gauged by; undefined for the largest */
  gaugeKey: number | undefined;
  onGaugeKey: (at: number | undefined) => void;
}

function MeasurePart({ group, part, parts, rows, partName, go, onStation, onUndo, gaugeKey, onGaugeKey }: PartProps) {
  const { ticket, state, type, judgement, names, shop } = useJob();
  const { unit } = state;
  const [index, setIndex] = useState(() => {
    const first = rows.findIndex(({ fresh, optional }) => fresh.length === 0 && !optional);
    return first === -1 ? 0 : first;
  });
  const [lastKey, setLastKey] = useState<string | null>(null);

  const row = rows[index];
  const definition = groupNamed(group);
  const move = (step: number) => setIndex((at) => Math.max(0, Math.min(rows.length - 1, at + step)));
  const input = useRef<HTMLInputElement>(null);
  const figure = useFigure(row?.point ?? null, input, (point) => {
    setLastKey(pointKey(point));
    // What is read only when wanted is gone to by hand: a second figure at the last place is a repeat.
    const next = rows[index + 1];
    if (!(next?.optional && !row?.optional && definition?.endsWithWanted)) move(1);
  });
  const report = judgement.parts.get(`${group}:${part}`) ?? null;
  const pad = judgement.pads.get(part);
  const rim = judgement.rims.get(part);
  const suggestions = judgement.suggestions.filter((suggestion) => suggestion.part === part);
  const limit = group === 'pad' ? pad?.limit : group === 'rim' ? rim?.limits.flatness : undefined;
  const last = rows.find(({ key }) => key === lastKey) ?? row;
  const lastReading = last?.fresh.at(-1);

  const listed = useRef<HTMLUListElement>(null);

  useFirstFocus(input);
  useEffect(() => {
    // Only the list scrolls, never the page: the strip and the readout stay where they are.
    const list = listed.current;
    const current = list?.querySelector<HTMLElement>('[aria-current=true]');
    if (list && current) list.scrollTop = current.offsetTop - list.clientHeight / 2;
  }, []);

  const otherPart = (step: number) => {
    const to = parts[parts.indexOf(part) + step];
    if (to !== undefined) go(group, to);
  };

  const undo = () => {
    const point = onUndo();
    if (!point) return figure.say('Nothing to strike here');
    figure.say(`Reading at ${place(point, unit, type)} struck`);
    setIndex(rows.findIndex(({ key }) => key === pointKey(point)));
    setLastKey(null);
  };

  const onKeyDown = (event: KeyboardEvent) => {
    if ((event.ctrlKey || event.metaKey) && event.key.toLowerCase() === 'z') undo();
    else if (event.key === 'Enter') figure.take();
    else if (event.key === 'ArrowDown') move(1);
    else if (event.key === 'ArrowUp') move(-1);
    else if (event.key === 'PageDown') otherPart(1);
    else if (event.key === 'PageUp') otherPart(-1);
    else return;
    event.preventDefault();
  };

  const doubtful = report?.facts.find(({ verdict }) => verdict === 'undecided');
  const undecided =
    last?.conformity?.verdict === 'undecided' && pad
      ? deciderWords(whatDecidesPoint(last, pad.limit, gaugesInUse(shop)))
      : doubtful
        ? `${doubtful.words}: ${deciderWords(whatDecides(doubtful, gaugesInUse(shop)))}`
        : '';
  const partState = stateOf(judgement, group, part) ?? 'unmeasured';
  const verdictState = group === 'pad' ? (last?.state ?? 'unmeasured') : partState;
  const nextRow = rows[index + 1];
  const groupWords = definition?.heading ?? '';

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
          <Link className="btn btn-quiet" href={`/jobs/${ticket}/round`}>
            Round …
          </Link>
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
          {definition?.titled ? `${definition.titled} ${partName}` : partName} <StateMark state={partState} />
        </h2>
        <PartPanel
          group={group}
          part={part}
          answers={answers}
          here={row?.point.clock ?? null}
          gaugeKey={gaugeKey}
          onGaugeKey={onGaugeKey}
          go={go}
        />
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
                          : printQuantity({ value: each.mean, unit: unitOfMeasure(each.point.measure) }, unit)}
                        {each.fresh.length > 1 && <span className="soft"> ({each.fresh.length} readings)</span>}
                      </>
                    ) : each.stale.length > 0 ? (
                      <span className="stale-figure" title={`Disturbed by: ${each.stale.at(-1)?.stale?.title ?? ''}`}>
                        {printQuantity(
                          { value: each.stale.at(-1)?.value ?? 0, unit: unitOfMeasure(each.point.measure) },
                          unit,
                        )}
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
          {row && <ReadingsHere point={row} unit={unit} where={row.place} />}
          {definition?.stations && <StationForm unit={unit} onStation={onStation} />}
          {rows.some(({ fresh, stale }) => fresh.length === 0 && stale.length > 0) && (
            <p className="say attention mt-2 mb-0">
              Stale since “{rows.findLast(({ stale }) => stale.length > 0)?.stale.at(-1)?.stale?.title}”. Read again
              before relying on it.
            </p>
          )}
        </div>
        <GaugePanel
          figure={figure}
          readings={rows.flatMap(({ fresh }) => fresh)}
          warnings={report?.warnings ?? []}
          undecided={undecided}
        />
      </div>
    </div>
  );

  const readout = (
    <FigureReadout
      figure={figure}
      input={input}
      point={row?.point ?? null}
      where={`${partName}, ${row?.place ?? ''}${definition?.round && !(row && definition.spots?.[row.point.measure]) && clockName(row?.point.clock ?? -1) ? ` (${clockName(row?.point.clock ?? -1)})` : ''}`}
      next={nextRow ? `then ${nextRow.place}` : 'last position'}
      last={last && lastReading ? { reading: lastReading, point: last.point } : null}
      unit={unit}
      verdict={verdictState}
      limit={
        limit === undefined
          ? (report?.facts[0]?.words ?? '')
          : `${group === 'pad' ? 'limit' : 'flatness limit'} ${printLength(limit, unit)}`
      }
      onKeyDown={onKeyDown}
    />
  );
  return <Bands work={work} readout={readout} />;
}
