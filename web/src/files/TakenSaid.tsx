'use client';

/** What came of a file: taken, or nothing of it and every fault named. */
export interface FileOutcome {
  ok: boolean;
  lines: string[];
}

const mostLines = 20;

/** Says what came of a file, in words; a long list of faults is cut. */
export function TakenSaid({ ok, lines }: FileOutcome) {
  return (
    <div role="alert" className={`say mt-2 ${ok ? 'sound' : 'fault'}`}>
      {!ok && <strong>Nothing was taken.</strong>}
      <ul className="mb-0">
        {lines.slice(0, mostLines).map((line) => (
          <li key={line}>{line}</li>
        ))}
        {lines.length > mostLines && <li>and {lines.length - mostLines} more</li>}
      </ul>
    </div>
  );
}
