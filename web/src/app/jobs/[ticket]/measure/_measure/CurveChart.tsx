'use client';

import { along, length, mmPerUnit, printQuantity, rulerOf, type LengthUnit, type PartReport } from '@holotonos/core';
import { memo } from 'react';
import { axis, Line } from '@/ui/chart';
import { useColours } from '@/ui/useColours';

/** What was measured along a part, against what it should be. */
export const CurveChart = memo(function CurveChart({ report, unit }: { report: PartReport; unit: LengthUnit }) {
  const { ink, soft, line, action, attention } = useColours();
  const { curve, curveWords } = report;
  const ruler = rulerOf(unit);
  const dataset = (label: string, pick: 'value' | 'reference', colour: string, dashed: boolean) => ({
    label,
    data: curve.map((point) => ({ x: point.at / mmPerUnit[ruler], y: point[pick] / mmPerUnit[unit] })),
    borderColor: colour,
    backgroundColor: colour,
    pointRadius: dashed ? 0 : 3.5,
    borderWidth: 2,
    ...(dashed && { borderDash: [6, 5] }),
  });
  const words = curve
    .map(({ at, value }) => `${printQuantity(along(at), unit)}: ${printQuantity(length(value), unit)}`)
    .join('; ');
  return (
    <div style={{ height: '15rem' }}>
      <Line
        role="img"
        aria-label={`${curveWords}. ${words}`}
        data={{
          datasets: [
            dataset(curveWords, 'value', action, false),
            dataset(report.group === 'joint' ? 'Limit' : 'Reference', 'reference', attention, true),
          ],
        }}
        options={{
          animation: false,
          maintainAspectRatio: false,
          color: ink,
          scales: {
            x: { type: 'linear', ...axis(`${ruler} along the part`, soft, line) },
            y: axis(unit, soft, line),
          },
          plugins: { legend: { labels: { color: ink } } },
        }}
      />
    </div>
  );
});
