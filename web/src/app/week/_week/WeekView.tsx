'use client';

import {
  clockWords,
  dayAfter,
  latenessOf,
  liveOrders,
  splitTask,
  stretchesOf,
  taskId,
  weekdayText,
  whyNotBefore,
  type BenchOrder,
  type BenchQuestion,
  type PlanEdges,
  type ScheduleOutput,
  type ShopState,
} from '@holotonos/core';
import {
  DndContext,
  KeyboardSensor,
  pointerWithin,
  PointerSensor,
  rectIntersection,
  useSensor,
  useSensors,
  type CollisionDetection,
  type DragEndEvent,
} from '@dnd-kit/core';
import { Link } from '@/ui/Link';
import { useRouter } from 'next/navigation';
import { useCallback, useId, useMemo, useState } from 'react';
import { v4 as newId } from 'uuid';
import { useBench } from '@/frame/BenchContext';
import { usePageKeys } from '@/frame/keysHere';
import { pageKeys } from '@/frame/pageKeys';
import { Button, Form } from '@/ui/bootstrap';
import { unnamed } from '@/job/unnamed';
import { written } from '@/outbox/queues';
import { useShop } from '@/shop/useShop';
import { minutesText } from '@/ui/words';
import { latenessWords } from './latenessWords';
import { useSchedule } from './useSchedule';
import { daysOfWeek, shownDays, weekCells, type Cells } from './weekCells';
import { TicketRow, type WeekTicket } from './WeekRow';

interface Props {
  tickets: WeekTicket[];
  question: BenchQuestion;
  first: ScheduleOutput;
  order: PlanEdges[];
  shop: ShopState;
  now: string;
}

const noCells: Cells = new Map();

/** What the pointer is on; with the keyboard, what the step lies over most. */
const under: CollisionDetection = (moment) => {
  const hit = pointerWithin(moment);
  return hit.length > 0 ? hit : rectIntersection(moment);
};

/** The week over all tickets: what is worked when, what cures, how sure each date is. Steps can be put before others. */
export function WeekView({ tickets, question, first, order, shop: firstShop, now }: Props) {
  const router = useRouter();
  const { author } = useBench();
  const { shop, write } = useShop(firstShop);
  const { schedule, chances, progress, stop } = useSchedule(question, first);
  const { zone } = useBench();
  const { dayOf } = clockWords(zone);
  const today = dayOf(now);
  const [week, setWeek] = useState(0);
  const [chosen, setChosen] = useState<string | null>(null);
  const [said, setSaid] = useState<{ tone: 'fault' | 'sound'; text: string } | null>(null);
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 6 } }),
    useSensor(KeyboardSensor, { keyboardCodes: { start: ['KeyM'], cancel: ['Escape'], end: ['KeyM', 'Enter'] } }),
  );
  usePageKeys(pageKeys.week.keys);

  const stretches = useMemo(() => stretchesOf(question, schedule), [question, schedule]);
  const late = useMemo(
    () => (schedule.late.length > 0 ? latenessOf(question.input, schedule) : null),
    [question, schedule],
  );
  const { cells, workdays, last } = useMemo(() => weekCells(stretches, zone), [stretches, zone]);
  // Seven days from today on: what is over needs no room, and on a Friday the work that comes is next week's.
  const from = dayAfter(today, week * daysOfWeek);
  const days = useMemo(() => shownDays(from, workdays), [from, workdays]);
  const names = useMemo(() => new Map(shop.people.map(({ id, name }) => [id, name])), [shop.people]);
  const choose = useCallback((task: string) => setChosen((before) => (before === task ? null : task)), [setChosen]);
  const titleOf = (task: string) => question.tasks[task]?.title ?? task;

  const putBefore = async (active: string, over: string) => {
    const why = whyNotBefore(order, question, active, over);
    if (why !== null) return setSaid({ tone: 'fault', text: `It cannot go there. ${why}` });
    const [a, b] = [splitTask(active), splitTask(over)];
    const by = author.trim() || unnamed;
    const reason = `Put before “${titleOf(over)}” in the week`;
    let wrong: string | null = null;
    if (a.ticket === b.ticket) {
      const body = { operation: a.operation, before: b.operation, reason };
      const entry = {
        id: newId(),
        kind: 'plan-change' as const,
        author: by,
        benchTime: new Date().toISOString(),
        body,
      };
      wrong = await written(a.ticket, entry);
    } else wrong = await write('bench-order', { first: a, second: b, reason });
    if (wrong !== null) return setSaid({ tone: 'fault', text: wrong });
    setSaid({ tone: 'sound', text: `“${titleOf(active)}” now goes before “${titleOf(over)}”.` });
    router.refresh();
  };
  const dropped = ({ active, over }: DragEndEvent) => {
    if (over && over.id !== active.id) void putBefore(String(active.id), String(over.id));
  };
  const wishes = liveOrders(shop.benchOrder, question.tasks);

  return (
    <>
      <div className="d-flex flex-wrap align-items-center gap-3 mb-2">
        <h1 className="mb-0">The week</h1>
        <div className="d-flex gap-2">
          <Button variant="quiet" disabled={week <= 0} onClick={() => setWeek(week - 1)}>
            Earlier
          </Button>
          <Button
            variant="quiet"
            disabled={dayAfter(from, daysOfWeek) > (last ?? today)}
            onClick={() => setWeek(week + 1)}
          >
            Later
          </Button>
        </div>
        <span className="soft">
          {weekdayText(from)} to {weekdayText(dayAfter(from, daysOfWeek - 1))}, times of {zone}
        </span>
        <Link className="ms-auto" href="/week/wall">
          On the wall
        </Link>
        <a href="/api/v1/calendar.ics">Calendar file</a>
      </div>
      {late && (
        <p className="say attention" data-testid="week-late">
          {latenessWords(schedule.late.length, late)}
        </p>
      )}
      {said && (
        <p className={`say ${said.tone}`} role="alert" data-testid="week-said">
          {said.text}
        </p>
      )}
      <DndContext id="week" sensors={sensors} collisionDetection={under} onDragEnd={dropped}>
        <div className="table-wide">
          <table className="week">
            <caption className="visually-hidden">Work by ticket and day</caption>
            <thead>
              <tr>
                <th scope="col">Ticket</th>
                {days.map((day) => (
                  <th key={day} scope="col" className={day === today ? 'today' : undefined}>
                    {weekdayText(day)}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {tickets.map((ticket) => (
                <TicketRow
                  key={ticket.ticket}
                  ticket={ticket}
                  days={days}
                  today={today}
                  cells={cells.get(ticket.ticket) ?? noCells}
                  question={question}
                  names={names}
                  zone={zone}
                  chance={chances?.find(({ id }) => id === ticket.ticket)}
                  late={schedule.late.includes(ticket.ticket)}
                  chosen={chosen !== null && splitTask(chosen).ticket === ticket.ticket ? chosen : null}
                  choose={choose}
                />
              ))}
            </tbody>
          </table>
        </div>
      </DndContext>
      {chosen !== null && question.tasks[chosen] && (
        <ChosenStep
          key={chosen}
          task={chosen}
          question={question}
          schedule={schedule}
          onBefore={(over) => void putBefore(chosen, over)}
        />
      )}
      {wishes.length > 0 && (
        <Wishes
          wishes={wishes}
          titleOf={titleOf}
          lift={async (wish) => {
            const wrong = await write('bench-order', { ...wish, withdrawn: true });
            if (wrong === null) router.refresh();
            else setSaid({ tone: 'fault', text: wrong });
          }}
        />
      )}
      {/* At the foot: what comes and goes by itself moves nothing that a hand is on its way to. */}
      {progress && (
        <p className="say at-foot d-flex gap-3 align-items-center" role="status">
          <progress max={1} value={progress.share} aria-label={progress.what} /> {progress.what}
          <Button variant="quiet" onClick={stop}>
            Stop
          </Button>
        </p>
      )}
    </>
  );
}

/** What the chosen step is, and a way to move it without dragging. */
function ChosenStep({
  task,
  question,
  schedule,
  onBefore,
}: {
  task: string;
  question: BenchQuestion;
  schedule: ScheduleOutput;
  onBefore: (over: string) => void;
}) {
  const id = useId();
  const [over, setOver] = useState('');
  const { ticket, operation, title, attended, unattended } = question.tasks[task] ?? {};
  return (
    <section className="sheet mt-3" aria-labelledby={`${id}-head`}>
      <h2 id={`${id}-head`}>
        {ticket}: {title}
      </h2>
      <p>
        {minutesText(attended ?? 0)} of work
        {(unattended ?? 0) > 0 && <>, then {minutesText(unattended ?? 0)} by itself</>}.{' '}
        <Link href={`/jobs/${ticket}/plan?step=${encodeURIComponent(operation ?? '')}`}>Open its card</Link>
      </p>
      <form
        className="d-flex flex-wrap gap-2 align-items-end"
        onSubmit={(event) => {
          event.preventDefault();
          if (over !== '') onBefore(over);
        }}
      >
        <div className="flex-fill">
          <Form.Label htmlFor={`${id}-over`}>Put it before</Form.Label>
          <Form.Select id={`${id}-over`} value={over} onChange={(event) => setOver(event.target.value)}>
            <option value="">choose a step</option>
            {schedule.tasks
              .filter((other) => other.id !== task && other.attendedEnd > other.start)
              .map((other) => (
                <option key={other.id} value={other.id}>
                  {splitTask(other.id).ticket}: {question.tasks[other.id]?.title}
                </option>
              ))}
          </Form.Select>
        </div>
        <Button type="submit" disabled={over === ''}>
          Move it
        </Button>
      </form>
    </section>
  );
}

function Wishes({
  wishes,
  titleOf,
  lift,
}: {
  wishes: readonly BenchOrder[];
  titleOf: (task: string) => string;
  lift: (wish: BenchOrder) => Promise<void>;
}) {
  return (
    <section className="sheet mt-3" aria-labelledby="wishes">
      <h2 id="wishes">Put before by hand, between tickets</h2>
      <ul className="list-plain mb-0">
        {wishes.map((wish) => {
          const [a, b] = [
            taskId(wish.first.ticket, wish.first.operation),
            taskId(wish.second.ticket, wish.second.operation),
          ];
          return (
            <li key={`${a} ${b}`}>
              {wish.first.ticket}, {titleOf(a)}, before {wish.second.ticket}, {titleOf(b)}{' '}
              <Button
                variant="quiet"
                aria-label={`Let go: ${titleOf(a)} before ${titleOf(b)}`}
                onClick={() => void lift(wish)}
              >
                Let go
              </Button>
            </li>
          );
        })}
      </ul>
    </section>
  );
}
