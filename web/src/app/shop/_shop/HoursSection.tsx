'use client';

import { parseNumber, weekdays, type ScheduleWeek, type ShopState, type Weekday } from '@holotonos/core';
import { useState } from 'react';
import { Button } from '@/ui/bootstrap';
import type { WriteShop } from '@/shop/useShop';
import { Problem, ShopSection, TextField } from '@/ui/fields';
import { dayNames, hoursText, parseDays, parseWeek } from './hoursText';

export type TypedWeek = Record<Weekday, string>;
export const typedWeek = (week: ScheduleWeek | undefined): TypedWeek =>
  Object.fromEntries(weekdays.map((day) => [day, hoursText(week?.[day])])) as TypedWeek;

/** A line for the hours of each day. */
export function WeekFields({ typed, set }: { typed: TypedWeek; set: (typed: TypedWeek) => void }) {
  return (
    <div className="shop-form week-fields">
      {weekdays.map((day) => (
        <TextField
          key={day}
          label={dayNames[day]}
          placeholder="closed"
          value={typed[day]}
          set={(text) => set({ ...typed, [day]: text })}
        />
      ))}
    </div>
  );
}

/** When the shop is open, and how many ovens and vices there are. */
export function HoursSection({ shop, write }: { shop: ShopState; write: WriteShop }) {
  const { hours } = shop;
  const [typed, setTyped] = useState(() => typedWeek(hours.week));
  const [zone, setZone] = useState(hours.timeZone);
  const [closed, setClosed] = useState(hours.closed.join(', '));
  const [ovens, setOvens] = useState(String(hours.resources.oven));
  const [vices, setVices] = useState(String(hours.resources.vice));
  const [problem, setProblem] = useState<string | null>(null);
  const [kept, setKept] = useState(false);
  const submit = async () => {
    setKept(false);
    const week = parseWeek(typed);
    if ('unread' in week) return setProblem(`${week.unread}: type spans such as 9:00–12:30, 13:30–17:30.`);
    const days = parseDays(closed);
    if (days === null) return setProblem('Closed days: type dates such as 2026-12-24, 2026-12-31.');
    const resources = { oven: parseNumber(ovens) ?? 0, vice: parseNumber(vices) ?? 0 };
    const wrong = await write('hours', { timeZone: zone.trim(), week, closed: days, resources });
    setProblem(wrong);
    setKept(wrong === null);
  };
  return (
    <ShopSection title="Opening hours">
      <form
        onSubmit={(event) => {
          event.preventDefault();
          void submit();
        }}
      >
        <WeekFields typed={typed} set={setTyped} />
        <div className="shop-form mt-2">
          <TextField label="Time zone" value={zone} set={setZone} />
          <TextField label="Closed on" placeholder="2026-12-24, 2026-12-31" value={closed} set={setClosed} />
          <TextField label="Ovens" inputMode="numeric" value={ovens} set={setOvens} />
          <TextField label="Vices" inputMode="numeric" value={vices} set={setVices} />
        </div>
        <div className="d-flex align-items-center gap-3 mt-2">
          <Button type="submit">Keep these hours</Button>
          {kept && <span role="status">Kept.</span>}
        </div>
        <Problem problem={problem} />
      </form>
    </ShopSection>
  );
}
