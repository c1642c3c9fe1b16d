import { clockWords } from '@holotonos/core';
import type { Metadata } from 'next';
import { Link } from '@/ui/Link';
import { connection } from 'next/server';
import { Thumbnail } from '@/photos/Thumbnail';
import { find, isSearchGroup, type FoundLine } from '@/server/find';
import { readShop } from '@/server/jobs';
import { valueOf, wordsOf, type Query } from '@/server/query';
import { FindForm } from './_find/FindForm';

export const metadata: Metadata = { title: 'Find' };

const mostSearch = 120;

function Photo({ line }: { line: FoundLine }) {
  if (!line.photo) return null;
  const { id, width, height } = line.photo;
  return <Thumbnail ticket={line.ticket} photo={id} width={width} height={height} alt="" />;
}

export default async function FindPage({ searchParams }: { searchParams: Promise<Query> }) {
  await connection();
  const params = await searchParams;
  const text = wordsOf(params, 'q', mostSearch);
  const asked = valueOf(params, 'in');
  const group = isSearchGroup(asked) ? asked : undefined;
  const [found, shop] = await Promise.all([find(text, group), readShop()]);
  const { dayText } = clockWords(shop.hours.timeZone);
  const { tickets, moreTickets, lines, more } = found;
  const nothing = text !== '' && tickets.length === 0 && lines.length === 0;
  return (
    <main id="main" className="page">
      <h1>Find</h1>
      <FindForm text={text} group={group ?? ''} />
      <p role="status" className={nothing ? 'sheet' : 'visually-hidden'}>
        {nothing
          ? 'Nothing answers to that. All words have to stand in one ticket, or in one finding, note or decision; the beginning of a word is enough.'
          : text !== '' && `${tickets.length + moreTickets} tickets, ${lines.length}${more ? ' and more' : ''} lines`}
      </p>
      {tickets.length > 0 && (
        <section className="sheet" aria-labelledby="found-tickets">
          <h2 id="found-tickets">Tickets</h2>
          <ul className="list-plain mb-0 found">
            {tickets.map(({ ticket, summary }) => (
              <li key={ticket}>
                <Link href={`/jobs/${encodeURIComponent(ticket)}`}>{ticket}</Link>
                {summary && (
                  <>
                    {' '}
                    {[summary.instrument, summary.maker, summary.made, summary.owner].filter(Boolean).join(' · ')}{' '}
                    <span className="soft">{summary.signedOff ? 'signed off' : summary.stage}</span>
                  </>
                )}
              </li>
            ))}
          </ul>
          {moreTickets > 0 && (
            <p className="mb-0 mt-2">
              <Link href={`/?find=${encodeURIComponent(text)}`}>{moreTickets} more on the bench</Link>
            </p>
          )}
        </section>
      )}
      {lines.length > 0 && (
        <section className="sheet" aria-labelledby="found-lines">
          <h2 id="found-lines">What stands in them</h2>
          <ul className="list-plain mb-0 found">
            {lines.map((line) => (
              <li key={`${line.ticket} ${line.id}`}>
                <Photo line={line} />
                <div>
                  <Link href={line.href}>{line.ticket}</Link> {line.words}
                  {line.said && <div>{line.said}</div>}
                  <div className="soft">
                    {dayText(line.benchTime)}, {line.author}
                  </div>
                </div>
              </li>
            ))}
          </ul>
          {more && <p className="soft mb-0 mt-2">There is more: another word narrows it.</p>}
        </section>
      )}
    </main>
  );
}
