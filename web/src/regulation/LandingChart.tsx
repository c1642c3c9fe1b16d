'use client';

import { mmPerUnit, pressedUnder } from '@holotonos/core';
import { memo, useMemo } from 'react';
import { axis, Line } from '@/ui/chart';
import { useColours } from '@/ui/useColours';
import type { RegulationDesk } from './useRegulation';

const samples = 33;
/** Only the last of the way is drawn, where pads land, mm. */
const closeTo = 0.3;

/** What is left open under each pad at hand as the finger goes down: who lands first is who comes to nothing first. */
export const LandingChart = memo(function LandingChart({ desk }: { desk: RegulationDesk }) {
  const { link, shown, forcesAt, touch, unit, name, pressed } = desk;
  const { ink, soft, line, action, attention } = useColours();
  const held = [...pressed].join();
  const pads = useMemo(
    () => (link ? [link.driver, link.follower].filter((key) => shown.keys.some(({ id }) => id === key)) : []),
    [link, shown],
  );
  const most = Math.max(1, touch * 1.5);
  const curves = useMemo(() => {
    const forces = Array.from({ length: samples }, (_, i) => (most * i) / (samples - 1));
    const states = pressedUnder(shown, forces.map(forcesAt));
    return pads.map((pad) =>
      states.flatMap(({ keys }, i) => {
        const gap = keys.find(({ id }) => id === pad)?.gap ?? 0;
        return gap > closeTo ? [] : [{ x: forces[i] ?? 0, y: gap / mmPerUnit[unit] }];
      }),
    );
    // The forces hang on which keys are held; the function that makes them is new each time.
    // oxlint-disable-next-line react/exhaustive-deps
  }, [shown, pads, held, most, unit]);
  const colours = [action, attention];
  const firsts = curves.map((curve) => curve.find(({ y }) => y <= 0)?.x ?? null);
  const words = pads
    .map(
      (pad, i) => `${name(pad)} ${firsts[i] == null ? 'does not seal' : `seals from about ${firsts[i].toFixed(2)} N`}`,
    )
    .join('; ');
  return (
    <div className="landing-chart">
      <Line
        role="img"
        aria-label={`Gap against force: ${words}`}
        data={{
          datasets: pads.map((pad, i) => ({
            label: name(pad),
            data: curves[i] ?? [],
            borderColor: colours[i % 2],
            backgroundColor: colours[i % 2],
            borderWidth: 2,
            pointRadius: 0,
            ...(i === 1 && { borderDash: [6, 4] }),
          })),
        }}
        options={{
          animation: false,
          maintainAspectRatio: false,
          color: ink,
          scales: {
            x: { type: 'linear', min: 0, max: most, ...axis('N at the touch', soft, line) },
            y: { min: 0, ...axis(`gap, ${unit}`, soft, line) },
          },
          plugins: { legend: { labels: { color: ink } } },
        }}
      />
    </div>
  );
});
