'use client';

import {
  findingTitle,
  likelyCauses,
  parseLength,
  printFigure,
  rulerOf,
  standingWords,
  type FindingState,
  type NamedPicture,
} from '@holotonos/core';
import { useId, useRef, useState, type RefObject } from 'react';
import { Button, Form } from '@/ui/bootstrap';
import { useJob } from '@/job/JobContext';
import { severityWords } from '@/ui/formParts';
import { SeenBefore } from '@/job/SeenBefore';
import { Unfolds } from '@/ui/Unfolds';
import { PhotoRow } from '@/photos/PhotoRow';
import { PhotoTaker, type PhotoTakerHandle } from '@/photos/PhotoTaker';
import type { Survey } from './useSurvey';

/** Keys that name a picture, and the words on their buttons. */
export const pictureKeys: Record<string, NamedPicture> = {
  f: 'front',
  b: 'back',
  l: 'left',
  r: 'right',
  d: 'dotted',
  o: 'opposite',
  a: 'all-round',
  0: 'sealed',
};

/** A finding at this place, with its likely causes on demand. */
export function FindingHere({ finding, survey }: { finding: FindingState; survey: Survey }) {
  const { state, judgement } = useJob();
  const { kind, severity, status, note } = finding;
  const photos = [...state.photos.values()].filter((photo) => photo.finding === finding.finding);
  const chosen = survey.last?.finding === finding.finding;
  return (
    <li className={`finding-here${chosen ? ' chosen' : ''}`}>
      <button type="button" className="plain" onClick={() => survey.choose(finding.finding)} aria-pressed={chosen}>
        <strong>{findingTitle(finding)}</strong>{' '}
        <span className="soft">
          {severityWords[severity]}
          {status === 'confirmed' ? '' : `, ${standingWords(state, judgement, finding)}`}
        </span>
      </button>
      {note && <div>{note}</div>}
      <Unfolds summary="Likely causes">
        <p className="mb-0">{likelyCauses[kind]}</p>
        <SeenBefore kind={kind} part={finding.part} but={finding.finding} />
      </Unfolds>
      <PhotoRow photos={photos} />
    </li>
  );
}

/** Note and photo of the finding written last. */
export function LastFinding({
  survey,
  noteField,
  photo,
  onDone,
}: {
  survey: Survey;
  noteField: RefObject<HTMLInputElement | null>;
  photo: RefObject<PhotoTakerHandle | null>;
  onDone: () => void;
}) {
  const id = useId();
  const { names } = useJob();
  const { last } = survey;
  const [text, setText] = useState(last?.note ?? '');
  const givenUp = useRef(false);
  if (!last) return <p className="soft prompt mb-0">Press the letter of a fault, or Enter when this place is sound.</p>;
  return (
    <div className="last-finding">
      <div role="group" aria-label="How bad">
        <span>
          <span className="soft">Last: </span>
          <strong>
            {findingTitle(last)}, {names.get(last.part) ?? last.part}
          </strong>
        </span>
        {([1, 2, 3] as const).map((severity) => (
          <Button
            key={severity}
            variant="quiet"
            aria-pressed={last.severity === severity}
            onClick={() => survey.setSeverity(severity)}
          >
            {severityWords[severity]}
          </Button>
        ))}
        <Button variant="quiet" aria-pressed={last.status === 'suspected'} onClick={survey.doubt}>
          Only suspected
        </Button>
      </div>
      <div>
        <Form.Label htmlFor={id} className="mb-0">
          Note
        </Form.Label>
        <Form.Control
          id={id}
          ref={noteField}
          className="note"
          value={text}
          onChange={(event) => setText(event.target.value)}
          onFocus={() => (givenUp.current = false)}
          onBlur={() => {
            if (givenUp.current) setText(last.note);
            else if (text !== last.note) survey.note(text);
          }}
          onKeyDown={(event) => {
            event.stopPropagation();
            givenUp.current = event.key === 'Escape';
            if (event.key === 'Enter' || event.key === 'Escape') onDone();
          }}
        />
        <PhotoTaker
          ref={photo}
          about={{ part: last.part, finding: last.finding, ...(last.place && { place: last.place }) }}
        />
        <SpotOfLast key={`${last.finding} ${last.place?.at} ${last.place?.clock}`} survey={survey} onDone={onDone} />
      </div>
    </div>
  );
}

/** Where along a section the last finding sits, typed; the strip sets it with one press. */
function SpotOfLast({ survey, onDone }: { survey: Survey; onDone: () => void }) {
  const { type, state } = useJob();
  const id = useId();
  const { last } = survey;
  const ruler = rulerOf(state.unit);
  const [at, setAt] = useState(last?.place ? printFigure(last.place.at, ruler, ruler === 'mm' ? 0 : 2) : '');
  const [clock, setClock] = useState(last?.place ? String(last.place.clock) : '0');
  const section = type.sections.find((each) => each.id === last?.part);
  if (!last || !section) return null;
  const keep = () => {
    const typed = parseLength(at, ruler);
    const [mm, degrees] = [typed.ok ? typed.mm : NaN, Number(clock)];
    const fits = mm >= 0 && mm <= section.length && degrees >= 0 && degrees < 360;
    const same = last.place?.at === mm && last.place.clock === degrees;
    if (fits && !same) survey.sitsAt({ section: section.id, at: mm, clock: degrees });
  };
  return (
    <>
      {(
        [
          [`At (${ruler})`, at, setAt],
          ['Clock (°)', clock, setClock],
        ] as const
      ).map(([label, value, set]) => (
        <div key={label} className="d-flex gap-2 align-items-center">
          <Form.Label htmlFor={`${id}-${label}`} className="mb-0">
            {label}
          </Form.Label>
          <Form.Control
            id={`${id}-${label}`}
            inputMode="decimal"
            style={{ width: '5rem' }}
            value={value}
            onChange={(event) => set(event.target.value)}
            onBlur={keep}
            onKeyDown={(event) => {
              event.stopPropagation();
              if (event.key === 'Enter') onDone();
            }}
          />
        </div>
      ))}
    </>
  );
}
