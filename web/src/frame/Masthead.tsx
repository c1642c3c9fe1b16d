'use client';

import Link from 'next/link';
import { usePathname } from 'next/navigation';
import { useBench } from './BenchContext';
import { Hands } from './HandsDialog';
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

export function Masthead() {
  const { keeping, light, switchLight, setHelpOpen } = useBench();
  // An owner who opens their page is no guest of the bench.
  const isOwners = usePathname().startsWith('/owner/');
  useFindKey(!isOwners);
  const [mayOpen, mayImport] = [useMay('open'), useMay('judge')];
  if (isOwners) return null;
  return (
    <header className="masthead">
      <Link className="name" href="/">
        Holotonos
      </Link>
      <nav aria-label="Main" className="job-tabs">
        <Link href="/">
          Bench
          <LinkWaits />
        </Link>
        <Link href="/week">
          Week
          <LinkWaits />
        </Link>
        {mayOpen && (
          <Link href="/tickets/new">
            New ticket
            <LinkWaits />
          </Link>
        )}
        <Link href="/find" aria-keyshortcuts="/ Control+K">
          Find
          <LinkWaits />
        </Link>
        <Link href="/stock">
          Stock
          <LinkWaits />
        </Link>
        <Link href="/types">
          Types
          <LinkWaits />
        </Link>
        <Link href="/shop">
          Shop
          <LinkWaits />
        </Link>
        <Link href="/pieces">
          Practice
          <LinkWaits />
        </Link>
        {mayImport && (
          <Link href="/import">
            Import
            <LinkWaits />
          </Link>
        )}
      </nav>
      <span className="spacer" />
      {keeping === 'open' ? <TypedName /> : <Hands />}
      <Button variant="quiet" onClick={switchLight} aria-keyshortcuts="`">
        {light === 'day' ? 'Leak light' : 'Day light'}
      </Button>
      <Button variant="quiet" onClick={() => setHelpOpen(true)} aria-keyshortcuts="?">
        Help
      </Button>
    </header>
  );
}
