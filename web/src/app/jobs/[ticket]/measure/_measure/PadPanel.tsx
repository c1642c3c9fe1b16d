'use client';

import { adviceWords, padStandFacts, pictureWords, printQuantity, type JudgedPad } from '@holotonos/core';
import { Link } from '@/ui/Link';
import { useJob } from '@/job/JobContext';
import { StateMark } from '@/ui/StateMark';
import type { ReactNode } from 'react';
import { LeakPicture } from './LeakPicture';

/** A pad as its readings show it, and what it speaks for. */
export function PadPanel({ pad, here, answers }: { pad: JudgedPad; here: number | null; answers: ReactNode }) {
  const { ticket, state, type } = useJob();
  const stands = padStandFacts(state, type, pad.part);
  return (
    <div className="judged">
      <LeakPicture pad={pad} here={here} />
      <div>
        <p className="mb-1" aria-live="polite">
          {pad.seat ? (
            <>
              <strong>{pictureWords[pad.seat.picture].title}.</strong> {pictureWords[pad.seat.picture].causes}{' '}
              {pad.seat.rimSuspected ? 'The gaps follow the hollows of the rim. ' : ''}
              <strong>{adviceWords[pad.seat.advice]}</strong>
            </>
          ) : (
            <span className="soft">
              All eight positions at the lightest touch make the picture. Let the finger only rest on the key.
            </span>
          )}
        </p>
        {stands.map((stand) => (
          <p className="mb-1" key={stand.id}>
            {stand.words}: {printQuantity(stand, state.unit)} {stand.verdict && <StateMark state={stand.verdict} />}
          </p>
        ))}
        {type.sound && (
          <p className="mb-1">
            <Link href={`/jobs/${ticket}/sound?part=${pad.part}`}>Which notes suffer from it</Link>
          </p>
        )}
        {answers}
      </div>
    </div>
  );
}
