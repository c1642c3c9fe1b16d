'use client';

import {
  deciderWords,
  gaugesInUse,
  groupNamed,
  pointKey,
  printLength,
  printQuantity,
  printWithUncertainty,
  stateOf,
  unitOfMeasure,
  whatDecides,
  whatDecidesPoint,
  type MeasuringPoint,
} from '@holotonos/core';
import { Link } from '@/ui/Link';
import { useEffect, useRef, useState, type KeyboardEvent } from 'react';
import { useFirstFocus } from '@/frame/useFirstFocus';
import { Button } from '@/ui/bootstrap';
import { useJob } from '@/job/JobContext';
import { Bands } from '@/job/JobShell';
import { StateMark } from '@/ui/StateMark';
import { SuggestionCard } from '@/job/SuggestionCard';
import { FigureReadout } from '@/figure/FigureReadout';
import { GaugePanel } from '@/figure/GaugePanel';
import { measuredGroups, partsToMeasure, type MeasuredGroup } from '@/figure/groups';
import { PartPanel } from './PartPanel';
import { ReadingsHere } from './ReadingsHere';
import { useFigure } from '@/figure/useFigure';
import { clockName, place, rowState, type Row } from './placeRows';
import { StationForm } from './StationForm';

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

/** One part of a group: its places and figures, what they come to, what is done about it. */
export function MeasurePart({
  group,
  part,
  parts,
  rows,
  partName,
  go,
  onStation,
  onUndo,
  gaugeKey,
  onGaugeKey,
}: PartProps) {
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
