'use client';

import { reminderWays, reminderWords, type CheckUpStanding, type NewEntry } from '@holotonos/core';
import { Link } from '@/ui/Link';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { v4 as newId } from 'uuid';
import { useBench, useWhen } from '@/frame/BenchContext';
import { unnamed } from '@/job/unnamed';
import { written } from '@/outbox/queues';
import type { CheckUpLine } from '@/server/checkUps';
import { Button, Form } from '@/ui/bootstrap';
import { Problem } from '@/ui/fields';

type Way = (typeof reminderWays)[number];

const headings: Record<CheckUpStanding, string> = {
  over: 'Their day is over',
  soon: 'Soon',
  later: 'Later',
};

/** The owner was reminded: how, in one press. */
function Remind({ line }: { line: CheckUpLine }) {
  const { who } = useBench();
  const router = useRouter();
  const [by, setBy] = useState<Way>('card');
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const remind = async () => {
    setBusy(true);
    const entry = {
      ...{ id: newId(), kind: 'reminder', author: who() || unnamed, benchTime: new Date().toISOString() },
      body: { by },
    } as NewEntry;
    const wrong = await written(line.ticket, entry);
    setBusy(false);
    setProblem(wrong);
    if (wrong === null) router.refresh();
  };
  return (
    <>
      <div className="d-flex flex-wrap gap-2">
        <Form.Select
          aria-label={`How the owner of ${line.ticket} was reminded`}
          className="w-auto"
          value={by}
          onChange={(event) => setBy(event.target.value as Way)}
        >
          {reminderWays.map((way) => (
            <option key={way} value={way}>
              {reminderWords[way]}
            </option>
          ))}
        </Form.Select>
        <Button variant="quiet" disabled={busy} aria-label={`Reminded: ${line.ticket}`} onClick={() => void remind()}>
          Reminded
        </Button>
      </div>
      <Problem problem={problem} />
    </>
  );
}

function Line({ line }: { line: CheckUpLine }) {
  const { dayText } = useWhen();
  const { ticket, day, owner, instrument, maker, made, signedAt, signedBy, reminded } = line;
  const files = `/api/v1/jobs/${encodeURIComponent(ticket)}`;
  return (
    <li className="check-up">
      <div>
        <strong>{dayText(day)}</strong>
        <div>
          <Link href={`/jobs/${encodeURIComponent(ticket)}/record`}>{ticket}</Link>
        </div>
      </div>
      <div>
        {[instrument, maker, made].filter(Boolean).join(', ')}
        <div>{owner}</div>
        <div className="soft">
          Signed {dayText(signedAt)} by {signedBy}.{' '}
          {reminded
            ? `Reminded ${dayText(reminded.at)} ${reminderWords[reminded.by as Way] ?? ''}.`
            : 'Nobody has reminded the owner yet.'}
        </div>
      </div>
      <div className="d-flex flex-wrap gap-2 align-items-start">
        <a className="btn btn-quiet" href={`${files}/check-up.pdf`} aria-label={`Card for ${ticket}`}>
          Card
        </a>
        <a className="btn btn-quiet" href={`${files}/check-up.ics`} aria-label={`Calendar entry for ${ticket}`}>
          Calendar
        </a>
        <Remind line={line} />
      </div>
    </li>
  );
}

/** Instruments that should be looked at again, the nearest day first. */
export function CheckUpList({ lines }: { lines: readonly CheckUpLine[] }) {
  if (lines.length === 0)
    return (
      <p className="sheet">
        No check-up is agreed in the year to come. The day is set when a record is signed; the ticket of an instrument
        that has come back takes it off this list.
      </p>
    );
  return (['over', 'soon', 'later'] as const).map((standing) => {
    const own = lines.filter((line) => line.standing === standing);
    return (
      own.length > 0 && (
        <section key={standing} className="sheet" aria-labelledby={`check-ups-${standing}`}>
          <h2 id={`check-ups-${standing}`}>{headings[standing]}</h2>
          <ul className="list-plain mb-0">
            {own.map((line) => (
              <Line key={line.ticket} line={line} />
            ))}
          </ul>
        </section>
      )
    );
  });
}
