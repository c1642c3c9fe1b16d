'use client';

import { findingTitle, printPhrase, type FindingKind, type Suggestion } from '@holotonos/core';
import { useId, useState } from 'react';
import { v4 as newId } from 'uuid';
import { Button, Form } from '@/ui/bootstrap';
import { Words } from '@/figure/Words';
import { useJob } from './JobContext';
import { SeenBefore } from './SeenBefore';
import { KindField, ReasonForm, SeverityField, severityWords } from '@/ui/formParts';

/** What the figures speak for, with its cause and remedy, to be confirmed, edited or declined by a person. */
export function SuggestionCard({ suggestion }: { suggestion: Suggestion }) {
  const { write, names, state } = useJob();
  const id = useId();
  const [mode, setMode] = useState<'offer' | 'edit' | 'decline'>('offer');
  const [kind, setKind] = useState<FindingKind>(suggestion.kind);
  const [severity, setSeverity] = useState<number>(suggestion.severity);
  const [note, setNote] = useState(() => printPhrase(suggestion.cause, state.unit));
  const place = names.get(suggestion.part) ?? suggestion.part;

  const answer = (status: 'confirmed' | 'declined', reason?: string) =>
    write('finding', {
      finding: newId(),
      kind: status === 'declined' ? suggestion.kind : kind,
      part: suggestion.part,
      severity,
      ...(suggestion.spring && kind === suggestion.kind && { spring: suggestion.spring }),
      status,
      note,
      suggestion: suggestion.key,
      evidence: suggestion.evidence,
      ...(reason !== undefined && { reason }),
    });

  return (
    <article className="sheet" aria-labelledby={`${id}-title`}>
      <h3 id={`${id}-title`}>
        {findingTitle(suggestion)}: {place} <span className="soft">({severityWords[suggestion.severity]})</span>
      </h3>
      <p className="mb-1">
        <Words of={suggestion.cause} />
      </p>
      <p className="mb-1">
        <strong>
          <Words of={suggestion.remedy} />
        </strong>
      </p>
      <details className="mb-2">
        <summary>Why</summary>
        <p className="soft mb-0">
          <Words of={suggestion.why} /> Rests on {suggestion.evidence.length} readings that are still true.
        </p>
      </details>
      {mode === 'offer' && (
        <div className="d-flex flex-wrap gap-2">
          <Button onClick={() => answer('confirmed')}>Confirm</Button>
          <Button variant="quiet" onClick={() => setMode('edit')}>
            Edit
          </Button>
          <Button variant="quiet" onClick={() => setMode('decline')}>
            Decline
          </Button>
        </div>
      )}
      {mode === 'edit' && (
        <form
          onSubmit={(event) => {
            event.preventDefault();
            answer('confirmed');
          }}
        >
          <div className="row">
            <div className="col-7">
              <KindField value={kind} onChange={setKind} />
            </div>
            <div className="col-5">
              <SeverityField value={severity} onChange={setSeverity} />
            </div>
          </div>
          <Form.Label htmlFor={`${id}-note`}>Note</Form.Label>
          <Form.Control
            id={`${id}-note`}
            as="textarea"
            rows={2}
            className="mb-2"
            value={note}
            onChange={(event) => setNote(event.target.value)}
          />
          <div className="d-flex gap-2">
            <Button type="submit">Confirm as edited</Button>
            <Button variant="quiet" onClick={() => setMode('offer')}>
              Back
            </Button>
          </div>
        </form>
      )}
      {mode === 'decline' && (
        <ReasonForm
          label="Why not?"
          action="Decline"
          onReason={(reason) => answer('declined', reason)}
          onBack={() => setMode('offer')}
        />
      )}
      {/* It comes after the page: last on the card, it pushes no button from under a hand. */}
      <SeenBefore kind={suggestion.kind} part={suggestion.part} />
    </article>
  );
}
