'use client';

import { mmPerUnit, printLength, type LengthUnit, type RimReport } from '@holotonos/core';
import { memo } from 'react';
import { axis, Line } from '@/ui/chart';
import { useColours } from '@/ui/useColours';

/** Rim height round the clock, with the plane through it and what remains beside the plane. */
export const RimChart = memo(function RimChart({ report, unit }: { report: RimReport; unit: LengthUnit }) {
  const colours = useColours();
  const clocks = [...report.heights.map(({ point }) => point.clock), 360];
  const scale = mmPerUnit[unit];
  const at = (clock: number) => report.heights.find(({ point }) => point.clock === clock % 360)?.mean ?? null;
  const residual = (clock: number) =>
    report.rim?.residuals.find((sample) => sample.clock === clock % 360)?.residual ?? null;
  const plane = (clock: number) => {
    const [height, rest] = [at(clock), residual(clock)];
    return height === null || rest === null ? null : height - rest;
  };
  const series = (of: (clock: number) => number | null) =>
    clocks.map((clock) => (of(clock) === null ? null : (of(clock) as number) / scale));
  const summary = report.rim
    ? `Flatness ${printLength(report.rim.flatness, unit)}, tilt ${printLength(report.rim.tilt, unit)}.`
    : 'Not enough heights yet.';
  return (
    <div style={{ height: '15rem' }}>
      <Line
        aria-label={`Rim height round the clock. ${summary}`}
        data={{
          labels: clocks.map((clock) => `${clock}°`),
          datasets: [
            {
              label: 'height',
              data: series(at),
              borderColor: colours.action,
              backgroundColor: colours.action,
              pointRadius: 5,
              borderWidth: 2,
              tension: 0,
            },
            {
              label: 'level plane through it',
              data: series(plane),
              borderColor: colours.soft,
              borderDash: [6, 4],
              pointRadius: 0,
              borderWidth: 2,
              tension: 0.4,
            },
          ],
        }}
        options={{
          maintainAspectRatio: false,
          animation: false,
          spanGaps: false,
          color: colours.ink,
          scales: {
            x: axis('clock (0° front, 180° hinge)', colours.ink, colours.line),
            y: {
              ...axis(`height, ${unit}`, colours.ink, colours.line),
              ticks: { color: colours.ink, callback: (value) => String(value).replace('-', '−') },
            },
          },
          plugins: { legend: { labels: { color: colours.ink, boxWidth: 24 } } },
        }}
      />
    </div>
  );
});
