'use client';

import type { ForceBand, SpringRow } from '@holotonos/core';
import { memo } from 'react';
import { useJob } from '@/job/JobContext';
import { axis, Line } from '@/ui/chart';
import { useColours } from '@/ui/useColours';

/** The force at every touch, one beside the other, between what the practice wants at least and at most. */
export const ForceChart = memo(function ForceChart({
  rows,
  band,
  here,
}: {
  rows: readonly SpringRow[];
  band: ForceBand;
  here: string | null;
}) {
  const { names } = useJob();
  const { ink, soft, line, action, attention } = useColours();
  if (rows.every(({ force, before }) => force === null && before === null))
    return <p className="soft mb-0">The forces of all touches show here beside each other, once one is read.</p>;
  const labels = rows.map(({ key }) => (names.get(key) ?? key).replace(/ key$/, ''));
  const even = (label: string, limit: number | null) =>
    limit === null
      ? []
      : [
          {
            label,
            data: rows.map(() => limit),
            borderColor: attention,
            backgroundColor: attention,
            borderDash: [6, 5],
            borderWidth: 2,
            pointRadius: 0,
          },
        ];
  const points = (label: string, pick: 'force' | 'before', colour: string, radius: number) => ({
    label,
    data: rows.map((row) => row[pick]),
    borderColor: colour,
    backgroundColor: pick === 'force' ? colour : 'transparent',
    showLine: false,
    pointRadius: rows.map(({ key }) => (key === here ? radius + 3 : radius)),
    borderWidth: 2,
  });
  const words = rows.flatMap(({ force }, i) => (force === null ? [] : [`${labels[i]} ${force.toFixed(2)}`])).join('; ');
  return (
    <div className="force-chart">
      <Line
        role="img"
        aria-label={`Force at the touch, N. ${words}`}
        data={{
          labels,
          datasets: [
            points('now', 'force', action, 5),
            points('before', 'before', soft, 4),
            ...even('at least', band.least),
            ...even('at most', band.most),
          ],
        }}
        options={{
          animation: false,
          maintainAspectRatio: false,
          color: ink,
          scales: {
            x: { ...axis('', soft, line), title: { display: false } },
            y: { min: 0, ...axis('N at the touch', soft, line) },
          },
          plugins: { legend: { labels: { color: ink } } },
        }}
      />
    </div>
  );
});
