'use client';

import { jobRecord, planBasis, printPhrase } from '@holotonos/core';
import { ForThose } from '@/frame/ForThose';
import { useMemo } from 'react';
import { useWhen } from '@/frame/BenchContext';
import { useJob } from '@/job/JobContext';
import { figureText, limitText, lookWords, readOnlyWords, rowWords, ruleLines } from '@/job/recordWords';
import { LightDial } from './LightDial';
import { minutesText } from '@/ui/words';
import { Bands } from '@/job/JobShell';
import { PhotoRow } from '@/photos/PhotoRow';
import { PhotoSwipe } from '@/photos/PhotoSwipe';
import { ReadingsTaker } from '@/files/ReadingsTaker';
import { BookTaker } from './BookTaker';
import { SignOff } from './SignOff';

function Section({ title, empty, children }: { title: string; empty?: string | false; children: React.ReactNode }) {
  return (
    <section className="mb-3">
      <h2>{title}</h2>
      {empty ? <p className="soft">{empty}</p> : children}
    </section>
  );
}

/** The record that goes home with the instrument, and the ways out of here. */
export function RecordView() {
  const { dayText } = useWhen();
  const { ticket, state, type, now, shop } = useJob();
  const record = useMemo(() => jobRecord(state, type, now, planBasis(shop)), [state, type, now, shop]);
  if (!record) return null;
  const { unit } = state;
  const { intake, signOff } = record;
  const base = `/api/v1/jobs/${ticket}`;
  return (
    <Bands
      work={
        <div className="split">
          <article className="sheet" aria-label="Record">
            <h2>
              {record.ticket}: {record.instrument}
            </h2>
            <p>
              {[intake.maker, intake.model, intake.serial && `no. ${intake.serial}`, intake.made]
                .filter(Boolean)
                .join(', ')}
              <br />
              {intake.owner}. Taken in {dayText(record.openedAt)}. Practice: {record.practice.title}.{' '}
              {record.practice.holds}
            </p>
            <Section title="Intake">
              <p className="mb-0">
                {[
                  intake.complaint && `What was wrong: ${intake.complaint}`,
                  intake.testPlay && `Test play: ${intake.testPlay}`,
                  intake.mayChange && `What may be changed: ${intake.mayChange}`,
                ]
                  .filter(Boolean)
                  .join(' ') || 'No complaint was written down.'}
              </p>
            </Section>
            <Section title="Found" empty={record.found.length === 0 && 'Nothing yet.'}>
              <ul>
                {record.found.map((finding) => (
                  <li key={finding.finding}>
                    {finding.title}, {finding.place}: <strong>{finding.statusWord}</strong>
                    {finding.note && <span className="soft"> · {finding.note}</span>}
                  </li>
                ))}
              </ul>
            </Section>
            <Section title="Done" empty={record.done.length === 0 && 'Nothing yet.'}>
              <ul>
                {record.done.map((step) => (
                  <li key={`${step.operation} ${step.at}`}>
                    {step.title}{' '}
                    <span className="soft">
                      {dayText(step.at)}, {step.by}
                      {step.minutes > 0 && `, ${minutesText(step.minutes)}`}
                      {step.note && ` · ${step.note}`}
                    </span>
                  </li>
                ))}
              </ul>
            </Section>
            <Section
              title="Figures, before and after"
              empty={record.figures.length + record.readOnly.length === 0 && 'Nothing was measured.'}
            >
              <div className="table-wide" role="region" aria-label="Figures, before and after" tabIndex={0}>
                <table className="figures">
                  <thead>
                    <tr>
                      <th scope="col">Measure</th>
                      <th scope="col">Before</th>
                      <th scope="col">After</th>
                      <th scope="col">Limit</th>
                    </tr>
                  </thead>
                  <tbody>
                    {record.figures.map((row) => (
                      <tr key={`${row.group} ${row.part} ${row.id}`}>
                        <th scope="row">{rowWords(row)}</th>
                        <td>{figureText(row.before, row.unit, unit)}</td>
                        <td>
                          {figureText(row.after, row.unit, unit)}
                          {row.stale && <span className="soft"> (stale)</span>}
                        </td>
                        <td>{limitText(row.limit, row.unit, unit)}</td>
                      </tr>
                    ))}
                  </tbody>
                </table>
              </div>
              {record.readOnly.length > 0 && (
                <ul className="soft mt-2">
                  {record.readOnly.map((read) => (
                    <li key={`${read.group} ${read.part}`}>{readOnlyWords(read)}</li>
                  ))}
                </ul>
              )}
            </Section>
            {record.looks.length > 0 && (
              <Section title="Looked at, without a figure">
                <ul className="looks">
                  {record.looks.map((look) => (
                    <li key={`${look.group} ${look.place}`}>{lookWords(look, unit)}</li>
                  ))}
                </ul>
              </Section>
            )}
            {record.adjusted.length > 0 && (
              <Section title="Adjusters that were set">
                <ul className="looks">
                  {record.adjusted.map(({ link, says }) => (
                    <li key={link}>{printPhrase(says, unit)}</li>
                  ))}
                </ul>
              </Section>
            )}
            {record.given.length > 0 && (
              <Section title="What it was given">
                <ul className="looks">
                  {record.given.map((said) => {
                    const line = printPhrase(said, unit);
                    return <li key={line}>{line}</li>;
                  })}
                </ul>
              </Section>
            )}
            {record.finish.length > 0 && (
              <Section title="Finish">
                <ul className="looks">
                  {record.finish.map((line) => (
                    <li key={line}>{line}</li>
                  ))}
                </ul>
              </Section>
            )}
            {record.plays.length > 0 && (
              <Section title="How it plays">
                <ul className="looks">
                  {record.plays.map((line) => (
                    <li key={line}>{line}</li>
                  ))}
                </ul>
              </Section>
            )}
            {record.rules && (
              <Section title="How the keys close together">
                <ul className="looks">
                  {ruleLines(record.rules, unit).map((line) => (
                    <li key={line}>{line}</li>
                  ))}
                </ul>
              </Section>
            )}
            {record.lights.length > 0 && (
              <Section title="Leak light, first and last">
                <ul className="lights">
                  {record.lights.map(({ part, place, first, last }) => (
                    <li key={part}>
                      <LightDial sectors={first.sectors} />
                      {last && <LightDial sectors={last.sectors} />}
                      <span>
                        {place}: {first.title.toLowerCase()}
                        {last && `, then ${last.title.toLowerCase()}`}
                      </span>
                    </li>
                  ))}
                </ul>
              </Section>
            )}
            {record.photos.length > 0 && (
              <Section title="Photographs, first and last">
                <ul className="photo-pairs">
                  {record.photos.map(({ key, title, first, last }) => (
                    <li key={key}>
                      <strong>{title}</strong>
                      <PhotoRow photos={last ? [first, last] : [first]} />
                      {last && <PhotoSwipe first={first} last={last} />}
                      <span className="soft">
                        {dayText(first.benchTime)}
                        {last && ` and ${dayText(last.benchTime)}`}
                      </span>
                    </li>
                  ))}
                </ul>
              </Section>
            )}
            <Section title="Left, and why" empty={record.left.length === 0 && 'Nothing.'}>
              <ul>
                {record.left.map((item) => (
                  <li key={`${item.what} ${item.why}`}>
                    {item.what}. <span className="soft">{item.why}</span>
                  </li>
                ))}
              </ul>
            </Section>
            {record.agreed.length > 0 && (
              <Section title="Agreed with the owner" empty={false}>
                <ul>
                  {record.agreed.map((item) => (
                    <li key={item.at + item.what}>
                      {item.what}{' '}
                      <span className="soft">
                        {item.note} ({dayText(item.at)})
                      </span>
                    </li>
                  ))}
                </ul>
              </Section>
            )}
            <Section title="Decisions" empty={record.decisions.length === 0 && 'None written down.'}>
              <ul>
                {record.decisions.map((item) => (
                  <li key={item.at + item.what}>
                    {item.what}{' '}
                    <span className="soft">
                      {item.why} ({item.by}, {dayText(item.at)})
                    </span>
                  </li>
                ))}
              </ul>
            </Section>
            <Section title="Struck out" empty={record.struck.length === 0 && 'Nothing.'}>
              <ul>
                {record.struck.map((item) => (
                  <li key={item.at + item.what}>
                    <s>{item.what}</s> <span className="soft">{item.why}</span>
                  </li>
                ))}
              </ul>
            </Section>
            <Section title="For the owner">
              <ul>
                {record.ownerCautions.map((caution) => (
                  <li key={caution}>{caution}</li>
                ))}
              </ul>
              <p className="mb-0">
                Time: {minutesText(record.minutes)}.{' '}
                {signOff
                  ? `Signed by ${signOff.by}, ${dayText(signOff.at)}.${signOff.checkUp ? ` Next check-up ${dayText(signOff.checkUp)}.` : ''} ${signOff.summary}`
                  : 'Not signed yet.'}
              </p>
            </Section>
          </article>
          <div>
            {!signOff && (
              <ForThose act="judge">
                <SignOff record={record} />
              </ForThose>
            )}
            <section className="sheet no-print" aria-label="Take it with you">
              <h2>Take it with you</h2>
              <p className="d-flex flex-wrap gap-2">
                <a className="btn btn-primary" href={`${base}/record.pdf`}>
                  Record as PDF
                </a>
                <a className="btn btn-quiet" href={`${base}/card.pdf`}>
                  Bench card
                </a>
                {signOff?.checkUp && (
                  <>
                    <a className="btn btn-quiet" href={`${base}/check-up.pdf`}>
                      Check-up card
                    </a>
                    <a className="btn btn-quiet" href={`${base}/check-up.ics`}>
                      Check-up for a calendar
                    </a>
                  </>
                )}
                <a className="btn btn-quiet" href={`${base}/export`}>
                  Whole job as JSON
                </a>
                <a className="btn btn-quiet" href={`${base}/readings`}>
                  Readings as CSV
                </a>
                <a className="btn btn-quiet" href={`${base}/looks`}>
                  Looks as CSV
                </a>
                <a className="btn btn-quiet" href={`${base}/book.zip`}>
                  Measuring book (.zip)
                </a>
              </p>
              <ReadingsTaker />
              <BookTaker />
            </section>
          </div>
        </div>
      }
      says={
        <div className="readout-plain">
          <span className="next">{signOff ? `Signed by ${signOff.by}` : 'Not signed yet'}</span>
          <span className="soft">
            {record.found.length} found · {record.done.length} done · {record.left.length} left
          </span>
        </div>
      }
    />
  );
}
