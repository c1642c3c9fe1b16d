'use client';

import { useId, useRef, useState } from 'react';
import { Form } from '@/ui/bootstrap';
import { progressWords, sendFile, type FileLine } from './sendFile';
import { TakenSaid, type FileOutcome } from './TakenSaid';

/** Sends a chosen file to the server, which takes all of it or nothing, and says what came of it. */
export function FileTaker<T extends object>({
  label,
  accept,
  type,
  url,
  taken,
}: {
  label: string;
  accept: string;
  /** what the file is sent as, whatever this machine takes it for */
  type: string;
  url: string;
  taken: (answer: T, name: string) => string;
}) {
  const id = useId();
  const file = useRef<HTMLInputElement>(null);
  const [said, setSaid] = useState<FileOutcome | null>(null);
  const [doing, setDoing] = useState<FileLine | null>(null);
  const send = async (chosen: File) => {
    setSaid(null);
    const sent = await sendFile<T>(url, chosen, type, { onLine: setDoing });
    setDoing(null);
    setSaid(sent.ok ? { ok: true, lines: [taken(sent.answer, chosen.name)] } : sent);
    if (file.current) file.current.value = '';
  };
  return (
    <>
      <Form.Label htmlFor={id}>{label}</Form.Label>
      <Form.Control
        id={id}
        ref={file}
        type="file"
        accept={accept}
        onChange={(event) => {
          const chosen = (event.target as HTMLInputElement).files?.[0];
          if (chosen) void send(chosen);
        }}
      />
      {doing && <p role="status">{progressWords(doing)}</p>}
      {said && <TakenSaid {...said} />}
    </>
  );
}
