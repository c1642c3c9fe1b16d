'use client';

import { fingeringWords, partnersOf, type Fingering } from '@holotonos/core';
import { memo, useMemo } from 'react';
import { axis, Line } from '@/ui/chart';
import { useColours } from '@/ui/useColours';

/** How far each note is from its name, from the lowest up, with the note it is overblown into above it. */
export const CentsChart = memo(function CentsChart({
  compass,
  cents,
  limit,
  here,
}: {
  compass: readonly Fingering[];
  /** as read, from where the whole instrument stands, by fingering */
  cents: ReadonlyMap<string, number>;
  limit: number;
  /** the fingering at hand */
  here: string | null;
}) {
  const { ink, soft, line, action, attention } = useColours();
  const rows = useMemo(() => {
    const partners = partnersOf(compass);
    const above = new Set([...partners.values()].map(({ id }) => id));
    // A note that is overblown from another stands over it, not beside it.
    return compass
      .filter(({ id, register }) => register === 1 || !above.has(id))
      .map((low) => ({ low, high: partners.get(low.id) ?? null }));
  }, [compass]);
  const of = (id: string | undefined) => (id === undefined ? null : (cents.get(id) ?? null));
  const flat = (label: string, value: number) => ({
    label,
    data: rows.map(() => value),
    borderColor: attention,
    backgroundColor: attention,
    borderDash: [6, 5],
    borderWidth: 2,
    pointRadius: 0,
    pointStyle: 'line' as const,
  });
  const points = (
    label: string,
    pick: (row: (typeof rows)[number]) => string | undefined,
    colour: string,
    hollow: boolean,
  ) => ({
    label,
    data: rows.map((row) => of(pick(row))),
    borderColor: colour,
    backgroundColor: hollow ? 'transparent' : colour,
    pointStyle: hollow ? ('triangle' as const) : ('circle' as const),
    showLine: false,
    borderWidth: 2,
    pointRadius: rows.map((row) => (pick(row) === here ? 9 : 5)),
  });
  const words = compass
    .flatMap((note) => {
      const off = cents.get(note.id);
      return off === undefined ? [] : [`${fingeringWords(note)} ${off.toFixed(1)}`];
    })
    .join('; ');
  return (
    <div className="note-chart">
      <Line
        role="img"
        aria-label={`Cents from its name, by note, the whole in tune. ${words || 'Nothing read yet'}`}
        data={{
          labels: rows.map(({ low }) => fingeringWords(low)),
          datasets: [
            points('the note', ({ low }) => low.id, action, false),
            points('overblown from it', ({ high }) => high?.id, ink, true),
            flat('sharp by as much as it may be', limit),
            flat('flat by as much', -limit),
          ],
        }}
        options={{
          animation: false,
          maintainAspectRatio: false,
          scales: {
            x: {
              ...axis('Note as written, lowest first', ink, line),
              ticks: { color: ink, maxRotation: 90, autoSkip: true },
            },
            y: { ...axis('Cents from its name', ink, line), suggestedMin: -2 * limit, suggestedMax: 2 * limit },
          },
          plugins: {
            legend: { labels: { color: soft, usePointStyle: true } },
            tooltip: { mode: 'index', intersect: false },
          },
        }}
      />
    </div>
  );
});
