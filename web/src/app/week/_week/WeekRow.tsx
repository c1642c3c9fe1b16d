'use client';

import { clockWords, type BenchQuestion, type Stretch, type TicketChance } from '@holotonos/core';
import { useDraggable, useDroppable } from '@dnd-kit/core';
import { Link } from '@/ui/Link';
import { memo } from 'react';
import { ChanceBand } from './ChanceBand';
import type { Cells } from './weekCells';

export interface WeekTicket {
  ticket: string;
  instrument: string;
  dueBy: string | null;
}

/** One piece of work in the week: can be taken up, dropped on, and chosen. */
function Block({
  stretch,
  title,
  person,
  zone,
  chosen,
  choose,
}: {
  stretch: Stretch;
  person: string | null;
  title: string;
  zone: string;
  chosen: boolean;
  choose: (task: string) => void;
}) {
  const { timeText } = clockWords(zone);
  const drag = useDraggable({ id: stretch.task });
  const drop = useDroppable({ id: stretch.task });
  const { transform } = drag;
  return (
    <button
      ref={(node) => {
        drag.setNodeRef(node);
        drop.setNodeRef(node);
      }}
      type="button"
      className={`week-block${chosen ? ' chosen' : ''}${drop.isOver && !drag.isDragging ? ' over' : ''}${drag.isDragging ? ' dragged' : ''}`}
      style={transform ? { transform: `translate(${transform.x}px, ${transform.y}px)` } : undefined}
      {...drag.listeners}
      {...drag.attributes}
      aria-pressed={chosen}
      aria-roledescription="step, can be moved"
      onClick={() => choose(stretch.task)}
    >
      <span className="figures">
        {timeText(stretch.from)}–{timeText(stretch.to)}
      </span>{' '}
      {title}
      {person !== null && <span className="soft"> {person}</span>}
    </button>
  );
}

function ChanceOf({
  chance,
  question,
  dueBy,
  late,
}: {
  chance: TicketChance | undefined;
  question: BenchQuestion;
  dueBy: string | null;
  late: boolean;
}) {
  return (
    <>
      {late && <div className="notice">Late as things stand</div>}
      {chance && <ChanceBand chance={chance} start={question.input.calendar?.start ?? ''} dueBy={dueBy} />}
    </>
  );
}

/** One ticket through the week. Drawn anew only when something of its own has changed: a week holds many. */
export const TicketRow = memo(function TicketRow({
  ticket: { ticket, instrument, dueBy },
  days,
  today,
  cells,
  question,
  names,
  zone,
  chance,
  late,
  chosen,
  choose,
}: {
  ticket: WeekTicket;
  days: readonly string[];
  today: string;
  cells: Cells;
  question: BenchQuestion;
  /** of people, by id */
  names: ReadonlyMap<string, string>;
  zone: string;
  chance: TicketChance | undefined;
  late: boolean;
  /** the chosen step, where it is one of this ticket */
  chosen: string | null;
  choose: (task: string) => void;
}) {
  const { dayOf, timeText } = clockWords(zone);
  const titleOf = (task: string) => question.tasks[task]?.title ?? task;
  const piece = (stretch: Stretch, day: string) =>
    stretch.kind === 'work' ? (
      <Block
        key={`${stretch.task} ${stretch.from}`}
        stretch={stretch}
        title={titleOf(stretch.task)}
        person={names.get(stretch.person ?? '') ?? null}
        zone={zone}
        chosen={chosen === stretch.task}
        choose={choose}
      />
    ) : (
      <div key={`${stretch.task} cure`} className="week-cure">
        {dayOf(stretch.to) === day ? `cured ${timeText(stretch.to)}` : 'cures'}: {titleOf(stretch.task)}
      </div>
    );
  return (
    <tr>
      <th scope="row">
        <Link href={`/jobs/${ticket}/plan`}>{ticket}</Link>
        <div className="soft">{instrument}</div>
        <ChanceOf chance={chance} question={question} dueBy={dueBy} late={late} />
      </th>
      {days.map((day) => (
        <td key={day} className={day === today ? 'today' : undefined}>
          {cells.get(day)?.map((stretch) => piece(stretch, day))}
        </td>
      ))}
    </tr>
  );
});
