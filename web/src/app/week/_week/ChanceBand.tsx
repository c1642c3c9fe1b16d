'use client';

import type { TicketChance } from '@holotonos/core';
import { useWhen } from '@/frame/BenchContext';

const minuteMs = 60_000;

/**
 * When a ticket will be done, as a band from the day one run in ten is done by to the day nine in ten are, with its due
 * date; the words say the same.
 */
export function ChanceBand({ chance, start, dueBy }: { chance: TicketChance; start: string; dueBy: string | null }) {
  const { shortDayText: dayText } = useWhen();
  const day = (minutes: number) => dayText(new Date(Date.parse(start) + minutes * minuteMs).toISOString());
  const { due } = chance;
  const end = Math.max(chance.p90, due ?? 0, 1) * 1.05;
  const at = (minutes: number) => `${(100 * Math.max(0, Math.min(end, minutes))) / end}%`;
  const inTen = chance.chance === null ? null : Math.round(chance.chance * 10);
  const [from, about, to] = [day(chance.p10), day(chance.p50), day(chance.p90)];
  const likely = from === to ? `Done on ${about}` : `Done about ${about}, between ${from} and ${to}`;
  const sure =
    inTen === null || dueBy === null
      ? ''
      : chance.chance === 1
        ? `; sure for ${dayText(dueBy)}`
        : chance.chance === 0
          ? `; hardly by ${dayText(dueBy)}`
          : `; ${inTen} in 10 by ${dayText(dueBy)}`;
  return (
    <div className="chance">
      <div className="chance-band" role="img" aria-label={`${likely}${sure}`}>
        <i className="span" style={{ left: at(chance.p10), width: `calc(${at(chance.p90)} - ${at(chance.p10)})` }} />
        <i className="likely" style={{ left: at(chance.p50) }} />
        {due !== null && <i className="due" style={{ left: at(due) }} />}
      </div>
      <div className="soft">
        {likely}
        {sure}
      </div>
    </div>
  );
}
