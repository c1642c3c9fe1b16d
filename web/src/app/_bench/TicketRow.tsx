import { practices, type BenchSummary, type ClockWords, type PracticeName } from '@holotonos/core';
import { Link } from '@/ui/Link';
import { counted } from '@/ui/words';

/**
 * One ticket in a row that is read down the list: its number and day, what it is and whose, what is next or what it waits for,
 * who is at it, how far it is.
 *
 * @param hands whose turn it is by the schedule; empty where it is nobody's
 */
export function TicketRow({
  summary,
  hands,
  when,
  now,
}: {
  summary: BenchSummary;
  hands: string;
  when: ClockWords;
  now: string;
}) {
  const { dayText, momentText } = when;
  const {
    ticket,
    instrument,
    maker,
    made,
    owner,
    practice,
    stage,
    next,
    blockedBy,
    curing,
    soaking,
    partsOff,
    dueBy,
    done,
    steps,
    signedOff,
  } = summary;
  const whose = [maker, made, owner, practices[practice as PracticeName].title].filter(Boolean).join(' · ');
  const late = dueBy !== null && !signedOff && dueBy < when.dayOf(now);
  const tone = signedOff ? 'over' : next ? '' : 'waits';
  const attention = [
    summary.suggestions > 0 && `${counted(summary.suggestions, 'suggestion')} to answer`,
    summary.staleRims > 0 && `${counted(summary.staleRims, 'rim')} stale`,
    summary.stalePads > 0 && `${counted(summary.stalePads, 'pad')} stale`,
    partsOff > 0 && `${counted(partsOff, 'part')} off`,
  ].filter((text) => text !== false);
  return (
    <li className={`ticket ${tone}`}>
      <div>
        <Link className="number" href={`/jobs/${ticket}`}>
          {ticket}
        </Link>
        <div className={late ? 'overdue' : 'soft'}>
          {dueBy ? `${late ? 'was due' : 'due'} ${dayText(dueBy)}` : 'no date agreed'}
        </div>
      </div>
      <div>
        <strong className="one-line" title={instrument}>
          {instrument}
        </strong>
        <div className="one-line" title={whose}>
          {whose}
        </div>
      </div>
      <div>
        {signedOff ? (
          <span>Signed off and ready to go home.</span>
        ) : next ? (
          <>
            <span className="soft">Next: </span>
            <strong>{next}</strong>
          </>
        ) : (
          <>
            <span className="soft">Waits for: </span>
            {blockedBy.join('; ') || 'a decision'}
          </>
        )}
        {curing.map(({ title, until }) => (
          <div key={title}>
            Curing until {momentText(until)}: {title}
          </div>
        ))}
        {soaking.map(({ part, until, due }) => (
          <div key={`${part} ${until}`}>
            {due ? (
              <strong>Soaked long enough, time to look: {part}</strong>
            ) : (
              `Soaking until ${momentText(until)}: ${part}`
            )}
          </div>
        ))}
        {summary.again > 0 && <div>{counted(summary.again, 'done step')} to be looked at again</div>}
        {summary.looks > 0 && (
          <div>
            <Link href={`/jobs/${ticket}`}>{counted(summary.looks, 'look')} asked of a master</Link>
          </div>
        )}
        {summary.toAgree > 0 && (
          <div>
            <Link href={`/jobs/${ticket}/estimate`}>{counted(summary.toAgree, 'step')} to agree with the owner</Link>
          </div>
        )}
        {attention.length > 0 && <div className="soft">{attention.join(' · ')}</div>}
      </div>
      <div>
        <div className="label">{stage}</div>
        <div className="soft one-line">{hands}</div>
        <div className="far">
          <div className="bar" role="img" aria-label={`${done} of ${steps} steps done`}>
            <div style={{ width: `${steps > 0 ? (100 * done) / steps : 0}%` }} />
          </div>
          <span className="soft">
            {done} of {steps}
          </span>
        </div>
      </div>
    </li>
  );
}
