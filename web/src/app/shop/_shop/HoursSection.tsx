'use client';

import { parseNumber, weekdays, type ScheduleWeek, type ShopState, type Weekday } from '@holotonos/core';
import { useController, type Control, type Path } from 'react-hook-form';
import { Button } from '@/ui/bootstrap';
import type { WriteShop } from '@/shop/useShop';
import { Problem, ShopSection, TextField } from '@/ui/fields';
import { TypedText } from '@/ui/typedFields';
import { useTypedForm } from '@/ui/useTypedForm';
import { dayNames, hoursText, parseDays, parseWeek } from './hoursText';

export type TypedWeek = Record<Weekday, string>;
export const typedWeek = (week: ScheduleWeek | undefined): TypedWeek =>
  Object.fromEntries(weekdays.map((day) => [day, hoursText(week?.[day])])) as TypedWeek;

/** A line for the hours of each day, of a form that keeps them as `week`. */
export function WeekFields<Typed extends { week: TypedWeek }>({ control }: { control: Control<Typed> }) {
  const { field } = useController({ control, name: 'week' as Path<Typed> });
  const typed = field.value as TypedWeek;
  return (
    <div className="shop-form week-fields">
      {weekdays.map((day) => (
        <TextField
          key={day}
          label={dayNames[day]}
          placeholder="closed"
          value={typed[day]}
          set={(text) => field.onChange({ ...typed, [day]: text })}
        />
      ))}
    </div>
  );
}

/** When the shop is open, and how many ovens and vices there are. */
export function HoursSection({ shop, write }: { shop: ShopState; write: WriteShop }) {
  const { hours } = shop;
  const start = {
    week: typedWeek(hours.week),
    zone: hours.timeZone,
    closed: hours.closed.join(', '),
    ovens: String(hours.resources.oven),
    vices: String(hours.resources.vice),
  };
  const { control, submit, problem, taken, isSending } = useTypedForm(start, (typed) => {
    const week = parseWeek(typed.week);
    if ('unread' in week) return `${week.unread}: type spans such as 9:00–12:30, 13:30–17:30.`;
    const closed = parseDays(typed.closed);
    if (closed === null)
      return { at: 'closed', words: 'Closed days: type dates such as 2026-12-24, 2026-12-31.' } as const;
    const resources = { oven: parseNumber(typed.ovens) ?? 0, vice: parseNumber(typed.vices) ?? 0 };
    return write('hours', { timeZone: typed.zone.trim(), week, closed, resources });
  });
  return (
    <ShopSection title="Opening hours">
      <form onSubmit={submit}>
        <WeekFields control={control} />
        <div className="shop-form mt-2">
          <TypedText control={control} name="zone" label="Time zone" />
          <TypedText control={control} name="closed" label="Closed on" placeholder="2026-12-24, 2026-12-31" />
          <TypedText control={control} name="ovens" label="Ovens" inputMode="numeric" />
          <TypedText control={control} name="vices" label="Vices" inputMode="numeric" />
        </div>
        <div className="d-flex align-items-center gap-3 mt-2">
          <Button type="submit">Keep these hours</Button>
          {taken && !isSending && <span role="status">Kept.</span>}
        </div>
        <Problem problem={problem} />
      </form>
    </ShopSection>
  );
}
