'use client';

import {
  type MeasuringPoint,
  deciderWords,
  gaugesFor,
  askWords,
  gaugesInUse,
  pointKey,
  readPoint,
  roundProgress,
  stateOf,
  usualOf,
  whatDecidesPoint,
  pointWords,
  printPhrase,
  type Measure,
  type MeasureState,
  type RoundState,
} from '@holotonos/core';
import { useMemo, useRef, useState, type KeyboardEvent } from 'react';
import { usePageKeys } from '@/frame/keysHere';
import { pageKeys } from '@/frame/pageKeys';
import { useFirstFocus } from '@/frame/useFirstFocus';
import { Button } from '@/ui/bootstrap';
import { useJob } from '@/job/JobContext';
import { Bands } from '@/job/JobShell';
import { FigureReadout } from '@/figure/FigureReadout';
import { GaugePanel } from '@/figure/GaugePanel';
import { isMeasuredGroup, measuredGroups, targetsOfGroup } from '@/figure/groups';
import { useFigure } from '@/figure/useFigure';
import { useStripControl } from '@/tube/StripControl';

/** Points shown before and after the one that is asked for. */
const shownAround = 7;

/** Walks the points of a round, the readout leading. Where it stands follows from the logbook, on whatever device. */
export function RoundWalk({ round, onLeave }: { round: RoundState; onLeave: () => void }) {
  const { state, judgement, names, shop, write } = useJob();
  const progress = useMemo(() => roundProgress(state, round), [state, round]);
  const [at, setAt] = useState<number | null>(null);
  const [lastKey, setLastKey] = useState<string | null>(null);
  usePageKeys(pageKeys.round.keys);
  const { steps } = progress;
  const index = Math.min(at ?? progress.next, steps.length - 1);
  const finished = at === null && progress.next >= steps.length;
  const step = steps[index];
  const point = finished ? null : (step?.point ?? null);
  const nameOf = (part: string) => names.get(part) ?? part.replaceAll('-', ' ');

  /** The next open point after this one; when none is left there, wherever the first is open. */
  const onward = (from: number) => {
    const after = steps.findIndex(({ step: is }, i) => i > from && is === 'open');
    setAt(after === -1 ? null : after);
  };
  const input = useRef<HTMLInputElement>(null);
  const figure = useFigure(point, input, (taken) => {
    setLastKey(pointKey(taken));
    onward(index);
  });
  useFirstFocus(input);

  const last = steps.find(({ key }) => key === lastKey) ?? null;
  const lastRead = last ? readPoint(state, last.point) : null;
  const lastReading = lastRead?.fresh.at(-1) ?? null;
  // A gap under a pad has a verdict of its own; everything else is judged with its part.
  const pad = last?.point.group === 'pad' ? judgement.pads.get(last.point.part) : undefined;
  const gap = pad?.points.find(({ point: at }) => pointKey(at) === lastKey);
  const verdict: MeasureState | null =
    gap?.conformity?.verdict ?? (last ? stateOf(judgement, last.point.group, last.point.part) : null);
  const undecided =
    pad && gap?.conformity?.verdict === 'undecided'
      ? deciderWords(whatDecidesPoint(gap, pad.limit, gaugesInUse(shop)))
      : '';

  const skip = () => {
    if (!point) return;
    if (write('round-skip', { round: round.round, point })) onward(index);
  };
  const undo = () => {
    const entry = state.entries.findLast(
      (each) =>
        each.kind === 'reading' &&
        each.seq > round.seq &&
        !state.struck.has(each.id) &&
        steps.some(({ key }) => key === pointKey(each.body.point)),
    );
    if (!entry || entry.kind !== 'reading') return figure.say('Nothing to strike in this round');
    write('strike', { entry: entry.id, reason: 'undone in the round' });
    setAt(steps.findIndex(({ key }) => key === pointKey(entry.body.point)));
    setLastKey(null);
  };
  const onKeyDown = (event: KeyboardEvent) => {
    if ((event.ctrlKey || event.metaKey) && event.key.toLowerCase() === 'z') undo();
    else if (event.key === 'Enter') figure.take();
    else if (event.key === 'ArrowDown') setAt(Math.min(steps.length - 1, index + 1));
    else if (event.key === 'ArrowUp') setAt(Math.max(0, index - 1));
    else if (event.key === 'PageDown') skip();
    else return;
    event.preventDefault();
  };

  const pointText = (each: MeasuringPoint) => printPhrase(pointWords(each), state.unit);
  const part = point?.part ?? null;
  const group = point?.group ?? null;
  useStripControl(
    useMemo(
      () => ({
        targets: group !== null && isMeasuredGroup(group) ? targetsOfGroup(group) : targetsOfGroup('pad'),
        here: part,
        stateOfPart: (id: string) => {
          const is = group && stateOf(judgement, group, id);
          return is ? [is] : [];
        },
        onPick: (id: string) => {
          const to = steps.findIndex((each) => each.point.part === id);
          if (to !== -1) setAt(to);
          input.current?.focus();
        },
      }),
      [part, group, judgement, steps, input],
    ),
  );

  const from = Math.max(0, index - shownAround);
  const shown = steps.slice(from, index + shownAround + 1);
  const gaugeName = (measure: Measure) => usualOf(gaugesFor(shop, measure), measure)?.name ?? 'gauge';
  const percent = Math.round((100 * (progress.taken + progress.skipped)) / Math.max(1, steps.length));
  const work = (
    <div className="round-walk">
      <div className="sheet mb-0">
        <h2>{round.name}</h2>
        <progress value={progress.taken + progress.skipped} max={steps.length} aria-label="Points done">
          {percent} %
        </progress>
        <p className="soft">
          {progress.taken} of {steps.length} read{progress.skipped > 0 ? `, ${progress.skipped} passed over` : ''}.
        </p>
        {finished ? (
          <p className="say sound">Every point is read or passed over. End the round, or go back to any point.</p>
        ) : (
          point && (
            <p className="round-now">
              <strong>{nameOf(point.part)}</strong>
              <span>{pointText(point)}</span>
              <span className="soft">{measuredGroups.find(({ id }) => id === point.group)?.words}</span>
            </p>
          )
        )}
        <div className="d-flex flex-wrap gap-2">
          <Button variant="quiet" onClick={skip} disabled={!point}>
            Pass over
          </Button>
          <Button variant="quiet" onClick={onLeave}>
            Leave it for later
          </Button>
          <Button
            variant={finished ? 'primary' : 'quiet'}
            onClick={() => write('round-over', { round: round.round }) && onLeave()}
          >
            End the round
          </Button>
        </div>
      </div>
      <ol className="sheet mb-0 round-points" start={from + 1} aria-label="Points around this one">
        {shown.map((each, i) => {
          const own = from + i;
          const changes =
            own === 0 || gaugeName(steps[own - 1]?.point.measure ?? 'gap') !== gaugeName(each.point.measure);
          return (
            <li key={each.key} className={own === index && !finished ? 'here' : each.step}>
              <button
                type="button"
                className="plain-link"
                aria-current={own === index && !finished ? 'step' : undefined}
                onClick={() => {
                  setAt(own);
                  input.current?.focus();
                }}
              >
                {nameOf(each.point.part)}, {pointText(each.point)}
              </button>{' '}
              <span className="soft">
                {each.step === 'taken'
                  ? `read${each.readings > 1 ? ` ${each.readings} times` : ''}`
                  : each.step === 'skipped'
                    ? 'passed over'
                    : changes
                      ? `take the ${gaugeName(each.point.measure)}`
                      : ''}
              </span>
            </li>
          );
        })}
      </ol>
      <GaugePanel figure={figure} readings={lastRead?.fresh ?? []} undecided={undecided} />
    </div>
  );
  const next = steps.find(({ step: is }, i) => i > index && is === 'open');
  const readout = (
    <FigureReadout
      figure={figure}
      input={input}
      point={point}
      where={point ? `${nameOf(point.part)}, ${pointText(point)}` : 'The round is done'}
      next={
        next
          ? `then ${nameOf(next.point.part)}, ${pointText(next.point)}`
          : finished
            ? 'nothing is open'
            : 'the last open point'
      }
      last={last && lastReading ? { reading: lastReading, point: last.point } : null}
      unit={state.unit}
      verdict={verdict}
      limit={last ? askWords(last.point) : ''}
      onKeyDown={onKeyDown}
    />
  );
  return <Bands work={work} readout={readout} />;
}
