'use client';

import {
  findingTitle,
  isOpenStatus,
  likelyCauses,
  likelyKinds,
  along,
  entryWords,
  printQuantity,
  standingWords,
  type FindingKind,
  type FindingState,
  photoPairs,
  removableNames,
} from '@holotonos/core';
import { useId, useMemo, useState, type FormEvent } from 'react';
import { v4 as newId } from 'uuid';
import { Button, Form } from '@/ui/bootstrap';
import { useJob } from '@/job/JobContext';
import { MasterLookAt } from '@/job/MasterLook';
import { DentForm, DentWords } from './DentForm';
import { PhotoRow } from '@/photos/PhotoRow';
import { PhotoSwipe } from '@/photos/PhotoSwipe';
import { PhotoTaker } from '@/photos/PhotoTaker';
import { Bands } from '@/job/JobShell';
import { KindField, SeverityField, severityWords } from '@/ui/formParts';
import { SeenBefore } from '@/job/SeenBefore';
import { SuggestionCard } from '@/job/SuggestionCard';
import { Unfolds } from '@/ui/Unfolds';
import { useWhen } from '@/frame/BenchContext';

/** A fault that a person saw, heard or felt, without waiting for a gauge. */
function NewFinding() {
  const { write, type } = useJob();
  // A fault sits at a part; a note has none of its own.
  const parts = removableNames(type);
  const id = useId();
  const [chosen, choose] = useState<FindingKind | null>(null);
  const [part, setPart] = useState('instrument');
  const [severity, setSeverity] = useState(2);
  const [note, setNote] = useState('');
  // Until somebody has chosen it is the first that can be at the place.
  const likely = useMemo(() => likelyKinds(type, part), [type, part]);
  const kind = chosen ?? likely[0] ?? 'dirt';
  const submit = (event: FormEvent) => {
    event.preventDefault();
    if (write('finding', { finding: newId(), kind, part, severity, status: 'confirmed', note })) setNote('');
  };
  return (
    <form className="sheet" onSubmit={submit}>
      <h2>Write a finding</h2>
      <div className="row">
        <div className="col-sm-6 mb-2">
          <Form.Label htmlFor={`${id}-part`}>Where</Form.Label>
          <Form.Select id={`${id}-part`} value={part} onChange={(event) => setPart(event.target.value)}>
            {[...parts].map(([value, name]) => (
              <option key={value} value={value}>
                {name}
              </option>
            ))}
          </Form.Select>
        </div>
        <div className="col-sm-6">
          <KindField value={kind} onChange={choose} likely={likely} />
        </div>
        <div className="col-sm-4">
          <SeverityField value={severity} onChange={setSeverity} />
        </div>
        <div className="col-sm-8 mb-2">
          <Form.Label htmlFor={`${id}-note`}>Note</Form.Label>
          <Form.Control id={`${id}-note`} value={note} onChange={(event) => setNote(event.target.value)} />
        </div>
      </div>
      <Button type="submit">Write it down</Button>
    </form>
  );
}

/** What a finding rests on and what became of it, entry by entry. */
function FindingStory({ finding }: { finding: FindingState }) {
  const { momentText } = useWhen();
  const { state, names } = useJob();
  const lines = (ids: readonly string[]) => ids.flatMap((id) => state.byId.get(id) ?? []);
  return (
    <Unfolds summary="Causes, evidence, history">
      <p className="mb-1">{likelyCauses[finding.kind]}</p>
      <SeenBefore kind={finding.kind} part={finding.part} but={finding.finding} />
      {finding.evidence.length > 0 && (
        <p className="mb-1">
          Rests on{' '}
          {lines(finding.evidence)
            .slice(0, 8)
            .map((entry) => entryWords(entry, names, state.unit))
            .join('; ')}
          {finding.evidence.length > 8 && ` and ${finding.evidence.length - 8} more entries`}.
        </p>
      )}
      <ol className="mb-0">
        {lines(finding.history).map((entry) => (
          <li key={entry.id}>
            {momentText(entry.benchTime)}, {entry.author}: {entryWords(entry, names, state.unit)}
          </li>
        ))}
      </ol>
    </Unfolds>
  );
}

function FindingRow({ finding }: { finding: FindingState }) {
  const { state, write, names, judgement } = useJob();
  const [dentOpen, setDentOpen] = useState(false);
  const { kind, part, place, severity, status, note, reason } = finding;
  const photos = [...state.photos.values()].filter((photo) => photo.finding === finding.finding);
  const [pair] = photoPairs({ photos: new Map(photos.map((photo) => [photo.photo, photo])) });
  const { first = null, last = null } = pair ?? {};
  const answer = (to: 'confirmed' | 'declined' | 'left') =>
    write('finding', { finding: finding.finding, kind, part, severity, status: to, note });
  return (
    <li className="step-row">
      <div className="label">{standingWords(state, judgement, finding)}</div>
      <div>
        <strong>{findingTitle(finding)}</strong>: {names.get(part) ?? part}{' '}
        <span className="soft">({severityWords[severity]})</span>
        {note && <div className="soft">{note}</div>}
        {place && (
          <div className="soft">
            {printQuantity(along(place.at), state.unit)} along {names.get(place.section) ?? place.section}, at{' '}
            {place.clock}°
          </div>
        )}
        {finding.dent && <DentWords dent={finding.dent} />}
        {reason && <div className="soft">Because: {reason}</div>}
        {dentOpen && <DentForm finding={finding} done={() => setDentOpen(false)} />}
        {isOpenStatus(status) && (
          <MasterLookAt
            about="finding"
            of={finding.finding}
            name={`${findingTitle(finding)}, ${names.get(part) ?? part}`}
          />
        )}
        <FindingStory finding={finding} />
        <PhotoRow photos={photos} />
        {first && last && <PhotoSwipe first={first} last={last} />}
      </div>
      <div className="d-flex flex-wrap gap-2 align-items-start">
        <PhotoTaker about={{ part, finding: finding.finding }} />
        {kind === 'dent' && isOpenStatus(status) && !dentOpen && (
          <Button
            variant="quiet"
            aria-label={`Its size: ${findingTitle(finding)}, ${names.get(part) ?? part}`}
            onClick={() => setDentOpen(true)}
          >
            Its size
          </Button>
        )}
        {status === 'suspected' && (
          <Button variant="quiet" onClick={() => answer('confirmed')}>
            Confirm
          </Button>
        )}
        {isOpenStatus(status) && (
          <Button variant="quiet" onClick={() => answer('left')}>
            Leave as it is
          </Button>
        )}
      </div>
    </li>
  );
}

/** Suggestions to answer, findings that stand, and a way to write one down. */
export function FindingsView() {
  const { state, judgement } = useJob();
  const { suggestions } = judgement;
  const order = (finding: FindingState) => (isOpenStatus(finding.status) ? 0 : finding.status === 'stop-gap' ? 1 : 2);
  const findings = [...state.findings.values()].sort((a, b) => order(a) - order(b));
  const open = findings.filter(({ status }) => isOpenStatus(status)).length;
  return (
    <Bands
      work={
        <div className="split">
          <div>
            <h2>Findings</h2>
            {findings.length === 0 ? (
              <p className="sheet">Nothing found yet. Measure pads or rims, or write down what you see.</p>
            ) : (
              <ol className="plan-list">
                {findings.map((finding) => (
                  <FindingRow key={finding.finding} finding={finding} />
                ))}
              </ol>
            )}
          </div>
          <div>
            <h2>What the figures suggest</h2>
            {suggestions.length === 0 ? (
              <p className="sheet">No reading that is still true speaks for a fault that has not been answered.</p>
            ) : (
              suggestions.map((suggestion) => <SuggestionCard key={suggestion.key} suggestion={suggestion} />)
            )}
            <NewFinding />
          </div>
        </div>
      }
      says={
        <div className="readout-plain">
          <span className="next">
            {suggestions.length > 0
              ? `${suggestions.length} ${suggestions.length === 1 ? 'suggestion' : 'suggestions'} to answer`
              : `${open} ${open === 1 ? 'finding' : 'findings'} open`}
          </span>
          <span className="soft">Confirmed findings become steps of the plan.</span>
        </div>
      }
    />
  );
}
