'use client';

import Link from 'next/link';
import { people, useBench } from '@/client/BenchContext';
import { Button, Form } from '@/client/bootstrap';

export function Masthead() {
  const { author, setAuthor, light, switchLight, setHelpOpen } = useBench();
  return (
    <header className="masthead">
      <Link className="name" href="/">
        Holotonos
      </Link>
      <nav aria-label="Main" className="job-tabs">
        <Link href="/">Bench</Link>
        <Link href="/tickets/new">New ticket</Link>
        <Link href="/import">Import</Link>
      </nav>
      <span className="spacer" />
      <label htmlFor="who">At the bench</label>
      <Form.Select id="who" className="who" value={author} onChange={(event) => setAuthor(event.target.value)}>
        {people.map((name) => (
          <option key={name}>{name}</option>
        ))}
      </Form.Select>
      <Button variant="quiet" onClick={switchLight} aria-keyshortcuts="`">
        {light === 'day' ? 'Leak light' : 'Day light'}
      </Button>
      <Button variant="quiet" onClick={() => setHelpOpen(true)} aria-keyshortcuts="?">
        Keys
      </Button>
    </header>
  );
}
