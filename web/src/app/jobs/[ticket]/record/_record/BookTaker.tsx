'use client';

import { useBench } from '@/frame/BenchContext';
import { useJob } from '@/job/JobContext';
import { unnamed } from '@/job/unnamed';
import { FileTaker } from '@/files/FileTaker';

/** Takes a measuring book that was written as a data package. */
export function BookTaker() {
  const { ticket } = useJob();
  const { author } = useBench();
  const by = encodeURIComponent(author.trim() || unnamed);
  return (
    <div className="mt-3">
      <FileTaker<{ added: number; known: number }>
        label="Take a measuring book (data package, .zip)"
        accept=".zip,application/zip"
        type="application/zip"
        url={`/api/v1/jobs/${encodeURIComponent(ticket)}/book.zip?author=${by}`}
        taken={({ added, known }) => `${added} readings taken; ${known} were here already.`}
      />
    </div>
  );
}
