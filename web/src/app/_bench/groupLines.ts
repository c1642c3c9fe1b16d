import { splitTask, stages, type Person, type ScheduleOutput } from '@holotonos/core';
import type { TicketLine } from '@holotonos/store';
import type { ListGrouping } from './listQuestion';

/** Tickets that stand together under a name; the name is empty where nothing is grouped. */
export interface TicketGroup {
  name: string;
  lines: TicketLine[];
}

const nobody = 'Nobody’s turn';
const unread = 'Not to be read';

/** Whose turn each ticket is: whoever the schedule gives its next piece of work to, by name. */
export function handsOf({
  schedule,
  shop,
}: {
  schedule: Pick<ScheduleOutput, 'tasks'> | null;
  shop: { people: readonly Pick<Person, 'id' | 'name'>[] };
}): ReadonlyMap<string, string> {
  const names = new Map(shop.people.map(({ id, name }) => [id, name]));
  const next = new Map<string, { start: number; name: string }>();
  for (const { id, start, attendedEnd, person } of schedule?.tasks ?? []) {
    const { ticket } = splitTask(id);
    const name = names.get(person ?? '');
    // What takes nobody’s time, or no time, is nobody’s turn.
    if (name !== undefined && attendedEnd > start && start < (next.get(ticket)?.start ?? Infinity))
      next.set(ticket, { start, name });
  }
  return new Map([...next].map(([ticket, { name }]) => [ticket, name]));
}

/** The lines of a page under the stage each is at, or under whose turn it is; within a group in the order they came in. */
export function groupLines(
  lines: readonly TicketLine[],
  by: ListGrouping,
  hands: ReadonlyMap<string, string>,
): TicketGroup[] {
  if (by === 'none') return [{ name: '', lines: [...lines] }];
  const groups = new Map<string, TicketLine[]>();
  for (const line of lines) {
    const name = by === 'stage' ? (line.summary?.stage ?? unread) : (hands.get(line.ticket) ?? nobody);
    groups.set(name, [...(groups.get(name) ?? []), line]);
  }
  const place = ([name]: [string, unknown]) =>
    by === 'stage' ? [...stages, 'signed off', unread].indexOf(name) : name === nobody ? 1 : 0;
  return [...groups]
    .sort((a, b) => place(a) - place(b) || (by === 'hands' ? a[0].localeCompare(b[0]) : 0))
    .map(([name, of]) => ({ name, lines: of }));
}
