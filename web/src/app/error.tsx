'use client';

import { MastheadOfLost } from '@/frame/Masthead';
import { Button } from '@/ui/bootstrap';

export default function ErrorPage({ error, reset }: { error: Error & { digest?: string }; reset: () => void }) {
  return (
    <>
      <MastheadOfLost />
      <main id="main" className="page">
        <div className="sheet">
          <h1>This page could not be made</h1>
          <p>
            Nothing you have entered is lost: what was not written yet waits in this browser and is sent when the server
            answers again. Try again in a moment.
          </p>
          {error.digest !== undefined && (
            <p className="soft">
              If it goes on, whoever looks after this machine finds the reason in its log under {error.digest}.
            </p>
          )}
          <Button onClick={reset}>Try again</Button>
        </div>
      </main>
    </>
  );
}
