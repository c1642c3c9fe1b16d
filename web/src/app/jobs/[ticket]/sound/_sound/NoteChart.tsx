'use client';

import { fingeringWords, heardFrom, type Fingering, type NoteLoss } from '@holotonos/core';
import { memo } from 'react';
import { axis, Bar } from '@/ui/chart';
import { useColours } from '@/ui/useColours';

/** More than this is silence either way, dB. */
const mostShown = 20;
const figure = (loss: number) => Number(Math.min(mostShown, loss).toFixed(1));

/** How much weaker each note stands, from the lowest up: by all that leaks, and by the place at hand. */
export const NoteChart = memo(function NoteChart({
  compass,
  together,
  place,
}: {
  compass: readonly Fingering[];
  together: readonly NoteLoss[];
  place: { name: string; losses: readonly NoteLoss[] } | null;
}) {
  const { ink, soft, line, action, attention } = useColours();
  const lossOf = (losses: readonly NoteLoss[]) => {
    const by = new Map(losses.map(({ id, loss }) => [id, loss]));
    return compass.map(({ id }) => figure(by.get(id) ?? 0));
  };
  const main = lossOf(together);
  const suffer = compass.filter((_, i) => (main[i] ?? 0) > heardFrom).map(fingeringWords);
  const words =
    suffer.length === 0 ? 'no note suffers' : `${suffer.length} notes suffer, from ${suffer[0]} to ${suffer.at(-1)}`;
  return (
    <div className="note-chart">
      <Bar
        role="img"
        aria-label={`How much weaker each note stands: ${words}${place ? `; beside it ${place.name}, if it leaks` : ''}`}
        data={{
          labels: compass.map(fingeringWords),
          datasets: [
            // Where nothing is known to leak its bars would only take the others’ room.
            ...(main.some((loss) => loss > 0) || !place
              ? [{ label: 'All that leaks', data: main, backgroundColor: action }]
              : []),
            ...(place
              ? [
                  {
                    label: `${place.name}, if it leaks`,
                    data: lossOf(place.losses),
                    backgroundColor: 'transparent',
                    borderColor: attention,
                    borderWidth: 2,
                  },
                ]
              : []),
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
            y: { ...axis('Weaker by, dB', ink, line), beginAtZero: true, suggestedMax: 6 },
          },
          plugins: { legend: { labels: { color: soft, boxWidth: 14 } }, tooltip: { mode: 'index', intersect: false } },
        }}
      />
    </div>
  );
});
