'use client';

import { Link } from '@/ui/Link';
import { useId, useState, type FormEvent } from 'react';
import { Button, Form } from '@/ui/bootstrap';
import { progressWords, sendFile, type FileLine } from '@/files/sendFile';

type Outcome = { ok: true; ticket: string; entries: number } | { ok: false; lines: string[] };

/** Brings a job document in: the whole of it, or nothing and every problem named. */
export function ImportForm() {
  const id = useId();
  const [file, setFile] = useState<File | null>(null);
  const [as, setAs] = useState('');
  const [busy, setBusy] = useState(false);
  const [doing, setDoing] = useState<FileLine | null>(null);
  const [outcome, setOutcome] = useState<Outcome | null>(null);

  const submit = async (event: FormEvent) => {
    event.preventDefault();
    if (!file) return;
    setBusy(true);
    setOutcome(null);
    const query = as.trim() ? `?as=${encodeURIComponent(as.trim())}` : '';
    const sent = await sendFile<{ ticket: string; entries: number }>(
      `/api/v1/import${query}`,
      file,
      'application/json',
      {
        onLine: setDoing,
      },
    );
    setDoing(null);
    setOutcome(sent.ok ? { ok: true, ...sent.answer } : sent);
    setBusy(false);
  };

  return (
    <form className="sheet" onSubmit={(event) => void submit(event)} style={{ maxWidth: '44rem' }}>
      <p>
        A job document carries a whole logbook: intake, readings, findings, steps, decisions and sign-off. It is checked
        to the last entry before anything is written.
      </p>
      <Form.Label htmlFor={`${id}-file`}>Job document (.json)</Form.Label>
      <Form.Control
        id={`${id}-file`}
        className="mb-3"
        type="file"
        accept=".json,application/json"
        onChange={(event) => setFile((event.target as HTMLInputElement).files?.[0] ?? null)}
      />
      <Form.Label htmlFor={`${id}-as`}>Ticket number here, if another than its own</Form.Label>
      <Form.Control id={`${id}-as`} className="mb-3" value={as} onChange={(event) => setAs(event.target.value)} />
      <Button type="submit" disabled={!file || busy}>
        {busy ? 'Checking …' : 'Import'}
      </Button>
      {doing && (
        <span role="status" className="ms-3">
          {progressWords(doing)}
        </span>
      )}
      {outcome && (
        <div role="alert" className={`say mt-3 ${outcome.ok ? 'sound' : 'fault'}`}>
          {outcome.ok ? (
            <>
              {outcome.entries} entries imported. <Link href={`/jobs/${outcome.ticket}`}>Open {outcome.ticket}</Link>
            </>
          ) : (
            <>
              <strong>Nothing was written.</strong>
              <ul className="mb-0">
                {outcome.lines.slice(0, 50).map((line) => (
                  <li key={line}>{line}</li>
                ))}
                {outcome.lines.length > 50 && <li>and {outcome.lines.length - 50} more</li>}
              </ul>
            </>
          )}
        </div>
      )}
    </form>
  );
}
