'use client';

import {
  askWords,
  printQuantity,
  unitOfMeasure,
  type LengthUnit,
  type MeasureState,
  type MeasuringPoint,
  type ReadingState,
} from '@holotonos/core';
import { useEffect, useId, useRef, type KeyboardEvent, type RefObject } from 'react';
import { soundReading } from '@/frame/sounds';
import { Form } from '@/ui/bootstrap';
import { StateMark } from '@/ui/StateMark';
import { typedUnit } from './groups';
import type { Figure } from './useFigure';

/** The bottom band while measuring: what is asked for, the field, the last figure very large, its verdict, what comes next. */
export function FigureReadout({
  figure,
  input,
  point,
  where,
  next,
  last,
  unit,
  verdict,
  limit,
  onKeyDown,
}: {
  figure: Figure;
  input: RefObject<HTMLInputElement | null>;
  point: MeasuringPoint | null;
  where: string;
  next: string;
  last: { reading: ReadingState; point: MeasuringPoint } | null;
  unit: LengthUnit;
  /** of what was read last */
  verdict: MeasureState | null;
  limit: string;
  onKeyDown: (event: KeyboardEvent) => void;
}) {
  const id = useId();
  const heard = useRef(figure.taken);
  useEffect(() => {
    // Once for each figure, with the verdict it was given.
    if (figure.taken > heard.current) soundReading(verdict);
    heard.current = figure.taken;
  }, [figure.taken, verdict]);
  return (
    <div className="readout">
      <div>
        <label className="asked" htmlFor={`${id}-figure`}>
          {where}
        </label>
        <div className="soft">
          {point ? `${askWords(point)}, ${typedUnit(point.measure, unit, figure.gauge?.scale)} · ${next}` : next}
        </div>
      </div>
      <div>
        <Form.Control
          ref={input}
          id={`${id}-figure`}
          data-figure
          data-aimed={figure.aimed}
          inputMode="decimal"
          autoComplete="off"
          isInvalid={figure.problem !== null}
          aria-describedby={`${id}-problem`}
          onChange={figure.edited}
          onKeyDown={onKeyDown}
        />
        <div id={`${id}-problem`} role="alert" className="problem">
          {figure.problem}
        </div>
      </div>
      <div data-testid="last-reading">
        <div className="figure">
          {last ? printQuantity({ value: last.reading.value, unit: unitOfMeasure(last.point.measure) }, unit) : '–'}
        </div>
      </div>
      <div>
        <div style={{ fontSize: '1.25rem' }} data-testid="verdict">
          {verdict && <StateMark state={verdict} />}
        </div>
        <div className="soft">{limit}</div>
      </div>
      <div className="visually-hidden" aria-live="polite">
        {figure.said}
      </div>
    </div>
  );
}
