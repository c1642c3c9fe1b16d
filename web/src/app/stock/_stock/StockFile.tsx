'use client';

import { useId, useState } from 'react';
import { sendFile } from '@/files/sendFile';
import { useBench } from '@/frame/BenchContext';

/** The drawers as a file, out and in: all of it, or nothing and every fault named. */
export function StockFile() {
  const id = useId();
  const { author } = useBench();
  const [said, setSaid] = useState<{ ok: boolean; lines: string[] } | null>(null);
  const bringIn = async (file: File) => {
    setSaid({ ok: true, lines: ['Reading …'] });
    const sent = await sendFile<{ added: number }>(
      `/api/v1/stock/items.csv?author=${encodeURIComponent(author)}`,
      file,
      'text/csv',
      {},
    );
    setSaid(
      sent.ok
        ? {
            ok: true,
            lines: [sent.answer.added === 0 ? 'Nothing in it is new.' : `Taken: ${sent.answer.added} entries.`],
          }
        : { ok: false, lines: sent.lines },
    );
  };
  return (
    <>
      <a href="/api/v1/stock/items.csv">CSV</a>
      <label className="btn btn-quiet mb-0" htmlFor={id}>
        Bring in a CSV
        <input
          id={id}
          className="visually-hidden"
          type="file"
          accept=".csv,text/csv"
          onChange={(event) => {
            const [file] = event.target.files ?? [];
            // The same file can be chosen again once it is mended.
            event.target.value = '';
            if (file) void bringIn(file);
          }}
        />
      </label>
      {said && (
        <div role={said.ok ? 'status' : 'alert'} className={`say stock-said ${said.ok ? 'sound' : 'fault'}`}>
          {!said.ok && <strong>Nothing was written. </strong>}
          {said.lines.slice(0, 20).map((line) => (
            <div key={line}>{line}</div>
          ))}
          {said.lines.length > 20 && <div>and {said.lines.length - 20} more</div>}
        </div>
      )}
    </>
  );
}
