'use client';

import { printPhrase, type JobRecord, type LengthUnit } from '@holotonos/core';
import type { ReactNode } from 'react';
import { useWhen } from '@/frame/BenchContext';
import { figureText, limitText, lookWords, readOnlyWords, rowWords, ruleLines } from '@/job/recordWords';
import { PhotoRow } from '@/photos/PhotoRow';
import { PhotoSwipe } from '@/photos/PhotoSwipe';
import { minutesText } from '@/ui/words';
import { LightDial } from './LightDial';

function Section({ title, empty, children }: { title: string; empty?: string | false; children: ReactNode }) {
  return (
    <section className="mb-3">
      <h2>{title}</h2>
      {empty ? <p className="soft">{empty}</p> : children}
    </section>
  );
}

/** A section that is not there where it has nothing to say. */
function Lines({ title, lines }: { title: string; lines: readonly string[] }) {
  if (lines.length === 0) return null;
  return (
    <Section title={title}>
      <ul className="looks">
        {lines.map((line) => (
          <li key={line}>{line}</li>
        ))}
      </ul>
    </Section>
  );
}

function Figures({ record, unit }: { record: JobRecord; unit: LengthUnit }) {
  return (
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
  );
}

/** The record as it goes home with the instrument. */
export function RecordSheet({ record, unit }: { record: JobRecord; unit: LengthUnit }) {
  const { dayText } = useWhen();
  const { intake, signOff } = record;
  return (
    <article className="sheet" aria-label="Record">
      <h2>
        {record.ticket}: {record.instrument}
      </h2>
      <p>
        {[intake.maker, intake.model, intake.serial && `no. ${intake.serial}`, intake.made].filter(Boolean).join(', ')}
        <br />
        {intake.owner}. Taken in {dayText(record.openedAt)}. Practice: {record.practice.title}. {record.practice.holds}
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
      <Figures record={record} unit={unit} />
      <Lines title="Looked at, without a figure" lines={record.looks.map((look) => lookWords(look, unit))} />
      <Lines title="Adjusters that were set" lines={record.adjusted.map(({ says }) => printPhrase(says, unit))} />
      <Lines title="What it was given" lines={record.given.map((said) => printPhrase(said, unit))} />
      <Lines title="Finish" lines={record.finish} />
      <Lines title="How it plays" lines={record.plays} />
      <Lines title="How the keys close together" lines={record.rules ? ruleLines(record.rules, unit) : []} />
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
  );
}
