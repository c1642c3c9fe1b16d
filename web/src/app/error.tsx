'use client';

import { Button } from '@/client/bootstrap';

export default function ErrorPage({ reset }: { error: Error; reset: () => void }) {
  return (
    <main id="main" className="page">
      <div className="sheet">
        <h1>This page could not be made</h1>
        <p>
          The database may not be answering. Nothing you have entered is lost: what was not written yet waits in this
          browser and is sent when the server answers again.
        </p>
        <Button onClick={reset}>Try again</Button>
      </div>
    </main>
  );
}
