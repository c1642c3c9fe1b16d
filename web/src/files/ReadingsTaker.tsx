'use client';

import { useId, useRef, useState } from 'react';
import { useBench } from '@/frame/BenchContext';
import { Button, Form } from '@/ui/bootstrap';
import { useJob } from '@/job/JobContext';
import { unnamed } from '@/job/unnamed';
import { noAnswer, progressWords, sendFile, type FileLine } from './sendFile';
import { TakenSaid, type FileOutcome } from './TakenSaid';

interface Look {
  dialect: { delimiter: string; decimal: string };
  columns: { name: string; known: boolean }[];
  rows: string[][];
  problems: { path: string; message: string }[];
  message?: string;
}

/** What of a file is sent to be looked at, bytes. */
const headBytes = 64 * 1024;
const delimiterWords: Record<string, string> = { ',': 'comma', ';': 'semicolon', '\t': 'tab' };

/** Takes readings from a CSV file: shows first how it is written, then takes all of it or nothing, with progress, to be stopped. */
export function ReadingsTaker() {
  const { ticket } = useJob();
  const { author } = useBench();
  const id = useId();
  const input = useRef<HTMLInputElement>(null);
  const [file, setFile] = useState<File | null>(null);
  const [look, setLook] = useState<Look | null>(null);
  const [doing, setDoing] = useState<FileLine | null>(null);
  const [said, setSaid] = useState<FileOutcome | null>(null);
  const stop = useRef<AbortController | null>(null);
  const clear = () => {
    setFile(null);
    setLook(null);
    setDoing(null);
    if (input.current) input.current.value = '';
  };

  const choose = async (chosen: File) => {
    setSaid(null);
    setFile(chosen);
    try {
      const response = await fetch('/api/v1/readings/look', {
        method: 'POST',
        headers: { 'Content-Type': 'text/csv' },
        body: chosen.slice(0, headBytes),
      });
      const answer = (await response.json()) as Look;
      if (response.ok) return setLook(answer);
      setSaid({ ok: false, lines: [answer.message ?? 'It was refused.'] });
    } catch {
      setSaid({ ok: false, lines: [noAnswer] });
    }
    clear();
  };

  const take = async () => {
    if (!file || !look) return;
    stop.current = new AbortController();
    setDoing({ doing: 'checking', rows: 0 });
    const query = new URLSearchParams({ author: author.trim() || unnamed, ...look.dialect });
    const sent = await sendFile<{ added: number; known: number }>(
      `/api/v1/jobs/${encodeURIComponent(ticket)}/readings?${query.toString()}`,
      file,
      'text/csv',
      { signal: stop.current.signal, onLine: setDoing },
    );
    setSaid(
      sent.ok
        ? { ok: true, lines: [`${sent.answer.added} readings taken; ${sent.answer.known} were here already.`] }
        : sent,
    );
    stop.current = null;
    clear();
  };

  return (
    <div className="mt-3">
      <Form.Label htmlFor={id}>Take readings from a CSV file</Form.Label>
      <Form.Control
        id={id}
        ref={input}
        type="file"
        accept=".csv,text/csv"
        disabled={doing !== null}
        onChange={(event) => {
          const chosen = (event.target as HTMLInputElement).files?.[0];
          if (chosen) void choose(chosen);
        }}
      />
      {look && file && (
        <div className="say mt-2">
          <p className="mb-1">
            <strong>{file.name}</strong>: columns parted by {delimiterWords[look.dialect.delimiter] ?? 'something else'}
            , decimals with a {look.dialect.decimal === ',' ? 'comma' : 'point'}.
          </p>
          <div className="look">
            <table className="readings">
              <caption className="visually-hidden">The first rows of the file</caption>
              <thead>
                <tr>
                  {look.columns.map(({ name, known }) => (
                    <th key={name} scope="col">
                      {name}
                      {!known && <span className="soft"> (passed over)</span>}
                    </th>
                  ))}
                </tr>
              </thead>
              <tbody>
                {look.rows.map((row, i) => (
                  <tr key={i}>
                    {row.map((cell, k) => (
                      <td key={k}>{cell}</td>
                    ))}
                  </tr>
                ))}
              </tbody>
            </table>
          </div>
          {look.problems.map(({ path, message }) => (
            <p key={message} role="alert" className="problem mb-1">
              {path} {message}
            </p>
          ))}
          {doing ? (
            <div className="d-flex gap-3 align-items-center mt-2">
              <span role="status">{progressWords(doing)}</span>
              <Button variant="quiet" onClick={() => stop.current?.abort()}>
                Stop
              </Button>
            </div>
          ) : (
            <div className="d-flex gap-2 mt-2">
              <Button disabled={look.problems.length > 0} onClick={() => void take()}>
                Take these readings
              </Button>
              <Button variant="quiet" onClick={clear}>
                Not this file
              </Button>
            </div>
          )}
        </div>
      )}
      {said && <TakenSaid {...said} />}
    </div>
  );
}
