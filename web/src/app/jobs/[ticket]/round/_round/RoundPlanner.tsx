'use client';

import {
  isWanted,
  gaugesFor,
  isFurtherStation,
  measuringPoints,
  orderRound,
  pointKey,
  pointOf,
  roundProgress,
  usualOf,
  type Measure,
  type MeasuringPoint,
  type RoundState,
} from '@holotonos/core';
import { useId, useMemo, useState } from 'react';
import { v4 as newId } from 'uuid';
import { Button, Form } from '@/ui/bootstrap';
import { useJob } from '@/job/JobContext';
import { Bands } from '@/job/JobShell';
import { isMeasuredGroup, measuredGroups, type MeasuredGroup } from '@/figure/groups';
import { useWhen } from '@/frame/BenchContext';

type Which = 'open' | 'stale' | 'all';
const whichWords: Record<Which, string> = {
  open: 'not read yet, or stale',
  stale: 'stale only',
  all: 'all of them',
};

/** Chooses the points of a round, says how long it is and with which gauges, and offers rounds that were left. */
export function RoundPlanner({ open, onOpen }: { open: readonly RoundState[]; onOpen: (round: string) => void }) {
  const { momentText } = useWhen();
  const { state, type, names, shop, write } = useJob();
  const id = useId();
  const [groups, setGroups] = useState<readonly MeasuredGroup[]>(['pad']);
  const [which, setWhich] = useState<Which>('open');
  const [extras, setExtras] = useState(false);
  const [part, setPart] = useState('');
  const all = useMemo(() => measuringPoints(type).map(pointOf), [type]);
  // Hole diameters are read on the rim's page, as points of the rim.
  const walkable = useMemo(() => all.filter(({ group }) => isMeasuredGroup(group)), [all]);
  const gaugeOf = useMemo(
    () => (measure: Measure) => usualOf(gaugesFor(shop, measure), measure)?.name ?? 'no gauge of the shop',
    [shop],
  );
  const points = useMemo(() => {
    const wanted = (point: MeasuringPoint) => {
      const readings = state.points.get(pointKey(point))?.readings ?? [];
      const last = readings.at(-1);
      const stale = last !== undefined && last.stale !== null;
      if (which === 'stale' ? !stale : which === 'open' && last !== undefined && !stale) return false;
      const usual = !isWanted(point) && !isFurtherStation(type, point);
      return (extras || usual) && (part === '' || point.part === part);
    };
    const chosen = walkable.filter(
      (point) => isMeasuredGroup(point.group) && groups.includes(point.group) && wanted(point),
    );
    return orderRound(type, chosen, gaugeOf);
  }, [walkable, state.points, groups, which, extras, part, type, gaugeOf]);
  const gauges = [...new Set(points.map(({ measure }) => gaugeOf(measure)))];
  const parts = useMemo(
    () => [
      ...new Set(
        walkable.filter(({ group }) => isMeasuredGroup(group) && groups.includes(group)).map((each) => each.part),
      ),
    ],
    [walkable, groups],
  );

  const start = () => {
    const round = newId();
    const name = measuredGroups
      .filter((each) => groups.includes(each.id))
      .map(({ words }) => words.toLowerCase())
      .join(', ');
    if (write('round', { round, name: name.charAt(0).toUpperCase() + name.slice(1), points })) onOpen(round);
  };
  const work = (
    <div className="round-plan">
      {open.length > 0 && (
        <section className="sheet" aria-labelledby={`${id}-open`}>
          <h2 id={`${id}-open`}>Rounds under way</h2>
          <ul className="list-plain">
            {open.map((round) => {
              const { taken, skipped, steps } = roundProgress(state, round);
              return (
                <li key={round.round} className="d-flex flex-wrap gap-3 align-items-center mb-2">
                  <span>
                    <strong>{round.name}</strong>{' '}
                    <span className="soft">
                      begun {momentText(round.benchTime)}, {taken} of {steps.length} read
                      {skipped > 0 ? `, ${skipped} passed over` : ''}
                    </span>
                  </span>
                  <Button onClick={() => onOpen(round.round)}>Go on with it</Button>
                  <Button variant="quiet" onClick={() => write('round-over', { round: round.round })}>
                    End it
                  </Button>
                </li>
              );
            })}
          </ul>
        </section>
      )}
      <section className="sheet mb-0" aria-labelledby={`${id}-new`}>
        <h2 id={`${id}-new`}>A new round</h2>
        <fieldset className="mb-3">
          <legend>What is read</legend>
          <div className="d-flex flex-wrap gap-3">
            {measuredGroups.map(({ id: group, words }) => (
              <Form.Check
                key={group}
                id={`${id}-${group}`}
                label={words}
                checked={groups.includes(group)}
                onChange={() =>
                  setGroups((now) => (now.includes(group) ? now.filter((each) => each !== group) : [...now, group]))
                }
              />
            ))}
          </div>
        </fieldset>
        <div className="d-flex flex-wrap gap-3 mb-3">
          <div>
            <Form.Label htmlFor={`${id}-which`}>Which points</Form.Label>
            <Form.Select id={`${id}-which`} value={which} onChange={(event) => setWhich(event.target.value as Which)}>
              {(Object.keys(whichWords) as Which[]).map((each) => (
                <option key={each} value={each}>
                  {whichWords[each]}
                </option>
              ))}
            </Form.Select>
          </div>
          <div>
            <Form.Label htmlFor={`${id}-part`}>Part</Form.Label>
            <Form.Select id={`${id}-part`} value={part} onChange={(event) => setPart(event.target.value)}>
              <option value="">every part</option>
              {parts.map((each) => (
                <option key={each} value={each}>
                  {names.get(each) ?? each}
                </option>
              ))}
            </Form.Select>
          </div>
          <Form.Check
            className="align-self-end"
            id={`${id}-extras`}
            label="also what is read only when wanted: run-out, marks, corks, leaks, stands"
            checked={extras}
            onChange={() => setExtras((now) => !now)}
          />
        </div>
        <p aria-live="polite" className="mb-0">
          {points.length === 0
            ? 'No point answers to this: choose other groups, or read all of them again.'
            : `${points.length} points. ${gauges.length === 1 ? 'One gauge' : `${gauges.length} gauges`}, one after the other: ${gauges.join(', ')}.`}
        </p>
      </section>
    </div>
  );
  const readout = (
    <div className="readout-plain">
      <Button onClick={start} disabled={points.length === 0 || points.length > 3000}>
        Start the round
      </Button>
      <span className="soft">A round can be left and taken up on any device.</span>
    </div>
  );
  return <Bands work={work} readout={readout} />;
}
