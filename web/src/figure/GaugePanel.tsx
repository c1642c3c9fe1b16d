'use client';

import { gaugeWarnings, printPhrase, readingDoubts, type ReadingState } from '@holotonos/core';
import { useId } from 'react';
import { Form } from '@/ui/bootstrap';
import { useJob } from '@/job/JobContext';
import type { Figure } from './useFigure';

const count = (n: number, one: string) => `${n} ${one}${n === 1 ? '' : 's'}`;

/** What is read with, what speaks against it, which devices are there, and the air where wood is read. */
export function GaugePanel({
  figure,
  readings,
  warnings = [],
  undecided = '',
}: {
  figure: Figure;
  /** readings the page rests on: those in doubt are named */
  readings: readonly ReadingState[];
  warnings?: readonly string[];
  undecided?: string;
}) {
  const { state, shop, now } = useJob();
  const id = useId();
  const { gauge, choices, devices, asksAir, air, setAir } = figure;
  const doubts = [...(gauge ? gaugeWarnings(shop, gauge.id, now) : []), ...readingDoubts(shop, readings)];
  const warn = [...doubts.map((said) => printPhrase(said, state.unit)), ...warnings];
  const number = (text: string) => (text.trim() === '' || !Number.isFinite(Number(text)) ? null : Number(text));
  return (
    <div className="sheet mb-0">
      <Form.Label htmlFor={`${id}-gauge`}>Gauge</Form.Label>
      <Form.Select id={`${id}-gauge`} value={gauge?.id ?? ''} onChange={(event) => figure.setGauge(event.target.value)}>
        {choices.map(({ id: value, name }) => (
          <option key={value} value={value}>
            {name}
          </option>
        ))}
      </Form.Select>
      {devices && devices.places > 0 && (
        <p
          className={`mt-2 mb-0 ${devices.connected < devices.places ? 'say attention' : 'soft'}`}
          data-testid="devices"
        >
          {devices.connected < devices.places
            ? 'Gauges not connected: type figures, they come back by themselves.'
            : `Gauges connected. ${count(devices.taken, 'figure')} heard`}
          {devices.bad > 0 && `, ${count(devices.bad, 'bad line')} passed over`}
          {devices.flooded > 0 && `, ${devices.flooded} too fast, held back`}
        </p>
      )}
      {figure.said && <p className="soft mb-0 mt-1">{figure.said}</p>}
      {asksAir && (
        <div className="d-flex gap-2 mt-2">
          <div>
            <Form.Label htmlFor={`${id}-warm`}>Room, °C</Form.Label>
            <Form.Control
              id={`${id}-warm`}
              type="number"
              step="0.5"
              min={-30}
              max={60}
              value={air.temperature ?? ''}
              onChange={(event) => setAir({ ...air, temperature: number(event.target.value) })}
            />
          </div>
          <div>
            <Form.Label htmlFor={`${id}-damp`}>Humidity, %</Form.Label>
            <Form.Control
              id={`${id}-damp`}
              type="number"
              min={0}
              max={100}
              value={air.humidity ?? ''}
              onChange={(event) => setAir({ ...air, humidity: number(event.target.value) })}
            />
          </div>
        </div>
      )}
      {undecided && <p className="say attention mt-2 mb-0">{undecided}</p>}
      {warn.map((words) => (
        <p key={words} className="say attention mt-2 mb-0">
          {words}
        </p>
      ))}
    </div>
  );
}
