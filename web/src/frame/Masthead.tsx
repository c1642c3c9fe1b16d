'use client';

import { Link } from '@/ui/Link';
import { usePathname } from 'next/navigation';
import type { ReactNode } from 'react';
import { useBench } from './BenchContext';
import { Hands } from './HandsDialog';
import { isOfJob } from './isOfJob';
import { useFindKey } from './useFindKey';
import { useMay } from './useMay';
import { Button, Form } from '@/ui/bootstrap';
import { LinkWaits } from '@/ui/LinkWaits';

/** Whose name stands under what is written, where nobody has a key yet: it is only said. */
function TypedName() {
  const { author, setAuthor, people, rememberAuthor } = useBench();
  return (
    <>
      <label htmlFor="who">At the bench</label>
      <Form.Control
        id="who"
        className="who"
        list="people"
        maxLength={80}
        autoComplete="off"
        placeholder="Your name"
        value={author}
        onChange={(event) => setAuthor(event.target.value)}
        onBlur={rememberAuthor}
      />
      <datalist id="people">
        {people.map((name) => (
          <option key={name} value={name} />
        ))}
      </datalist>
    </>
  );
}

/** The pages of the shop, each where its own rights reach. */
function ShopLinks() {
  const [mayOpen, mayImport] = [useMay('open'), useMay('judge')];
  const pages: { href: string; name: string; shown?: boolean; keys?: string }[] = [
    { href: '/', name: 'Bench' },
    { href: '/week', name: 'Week' },
    { href: '/tickets/new', name: 'New ticket', shown: mayOpen },
    { href: '/find', name: 'Find', keys: '/ Control+K' },
    { href: '/stock', name: 'Stock' },
    { href: '/types', name: 'Types' },
    { href: '/shop', name: 'Shop' },
    { href: '/pieces', name: 'Practice' },
    { href: '/import', name: 'Import', shown: mayImport },
  ];
  return pages
    .filter(({ shown }) => shown !== false)
    .map(({ href, name, keys }) => (
      <Link key={href} href={href} aria-keyshortcuts={keys}>
        {name}
        <LinkWaits />
      </Link>
    ));
}

/**
 * The head of every page. On pages of a job it is the same line as the job’s own: the shop’s pages fold into a list.
 *
 * @param job what the head of a job says; a head without it keeps out of the way there
 */
export function Masthead({ job }: { job?: ReactNode }) {
  const { keeping, light, switchLight, setHelpOpen } = useBench();
  const path = usePathname();
  const ofJob = job !== undefined;
  // An owner who opens their page is no guest of the bench.
  const isOwners = path.startsWith('/owner/');
  // Pages of a job have their ticket and its stages in the head, which their own frame knows.
  const isElsewhere = !ofJob && isOfJob(path);
  useFindKey(!isOwners && !isElsewhere);
  if (isOwners || isElsewhere) return null;
  const other = light === 'day' ? 'Leak light' : 'Day light';
  return (
    <header className={`masthead${ofJob ? ' of-job' : ''}`}>
      {ofJob ? (
        <>
          <Link className="name" href="/">
            Bench
            <LinkWaits />
          </Link>
          <button type="button" className="shop-pages-button" popoverTarget="shop-pages">
            Shop
          </button>
          <nav id="shop-pages" popover="auto" aria-label="Main">
            <ShopLinks />
          </nav>
          {job}
        </>
      ) : (
        <>
          <Link className="name" href="/">
            Holotonos
          </Link>
          <nav aria-label="Main" className="job-tabs">
            <ShopLinks />
          </nav>
        </>
      )}
      <span className="spacer" />
      {keeping === 'open' ? <TypedName /> : <Hands />}
      <Button
        variant="quiet"
        className="light"
        onClick={switchLight}
        aria-keyshortcuts="`"
        aria-label={other}
        title={other}
      >
        {ofJob ? (
          <svg width="20" height="20" viewBox="-10 -10 20 20" aria-hidden="true">
            <circle r="8" className="lamp" />
            <path d="M0 -8 A8 8 0 0 1 0 8 Z" className="lit" />
          </svg>
        ) : (
          other
        )}
      </Button>
      <Button variant="quiet" onClick={() => setHelpOpen(true)} aria-keyshortcuts="?">
        Help
      </Button>
    </header>
  );
}

/** The plain head on an address of a job that shows no job: nothing is there, or it cannot be read. */
export function MastheadOfLost() {
  return isOfJob(usePathname()) ? <Masthead job={null} /> : null;
}
