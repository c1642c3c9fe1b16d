'use client';

import { type FindingKind } from '@holotonos/core';
import { useId, useState } from 'react';
import { v4 as newId } from 'uuid';
import { Button, Form } from '@/ui/bootstrap';
import { useJob } from '@/job/JobContext';
import { minutesText } from '@/ui/words';
import { useWhen } from '@/frame/BenchContext';

const waits = [30, 120, 720, 1440];

/** What the oil reaches: the pads of the part, and its corks. */
function useSpoilt(part: string): { kind: FindingKind; part: string; words: string }[] {
  const { type, names } = useJob();
  const key = type.keys.find(({ id }) => id === part);
  const rod = key?.rod ?? type.posts.find(({ id }) => id === part)?.rod ?? part.replace(/-(top|bottom)-pivot$/, '');
  const keys = type.keys.filter((each) => each.id === part || each.rod === rod).map(({ id }) => id);
  const pads = type.pads.filter((pad) => keys.includes(pad.key)).map(({ hole }) => hole);
  const name = (id: string) => names.get(id) ?? id;
  return [
    ...pads.map((hole) => ({ kind: 'pad-worn' as const, part: hole, words: `Pad of ${name(hole)}` })),
    ...keys.map((id) => ({ kind: 'cork-worn' as const, part: id, words: `Cork of ${name(id)}` })),
  ];
}

/** Leaves a stuck part to soak, and writes down what the oil will spoil. */
export function SoakForm({ part }: { part: string }) {
  const { write, names } = useJob();
  const id = useId();
  const [oil, setOil] = useState('penetrating oil');
  const [minutes, setMinutes] = useState(120);
  const spoilt = useSpoilt(part);
  const [spoils, setSpoils] = useState<readonly string[]>([]);
  const keyOf = ({ kind, part: on }: { kind: string; part: string }) => `${kind}:${on}`;
  const submit = () => {
    if (!write('soak', { soak: newId(), part, with: oil, minutes })) return;
    for (const each of spoilt.filter((one) => spoils.includes(keyOf(one)))) {
      const note = `${oil} at ${names.get(part) ?? part}: to be renewed`;
      write('finding', { finding: newId(), kind: each.kind, part: each.part, severity: 2, status: 'confirmed', note });
    }
    setSpoils([]);
  };
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        submit();
      }}
    >
      <p className="say attention">
        Ventilate, no flame, gloves; used oil and rags by your local rules. Keep it off everything that is glued.
      </p>
      <div className="row">
        <div className="col-sm-6 mb-2">
          <Form.Label htmlFor={`${id}-oil`}>With</Form.Label>
          <Form.Control id={`${id}-oil`} value={oil} onChange={(event) => setOil(event.target.value)} />
        </div>
        <div className="col-sm-6 mb-2">
          <Form.Label htmlFor={`${id}-wait`}>Look again after</Form.Label>
          <Form.Select id={`${id}-wait`} value={minutes} onChange={(event) => setMinutes(Number(event.target.value))}>
            {waits.map((wait) => (
              <option key={wait} value={wait}>
                {minutesText(wait)}
              </option>
            ))}
          </Form.Select>
        </div>
      </div>
      {spoilt.length > 0 && (
        <fieldset className="mb-2">
          <legend className="fs-6 mb-1">What the oil spoils becomes a finding</legend>
          {spoilt.slice(0, 24).map((each) => (
            <Form.Check
              key={keyOf(each)}
              id={`${id}-${keyOf(each)}`}
              type="checkbox"
              label={each.words}
              checked={spoils.includes(keyOf(each))}
              onChange={() =>
                setSpoils((now) =>
                  now.includes(keyOf(each)) ? now.filter((one) => one !== keyOf(each)) : [...now, keyOf(each)],
                )
              }
            />
          ))}
        </fieldset>
      )}
      <Button type="submit" disabled={oil.trim() === ''}>
        Leave it to soak
      </Button>
    </form>
  );
}

/** What is soaking, until when, and what came of it. */
export function Soaks() {
  const { momentText } = useWhen();
  const { state, names, now, write } = useJob();
  const soaking = [...state.soaks.values()].filter(({ outcome }) => outcome === null);
  if (soaking.length === 0) return null;
  return (
    <div className="sheet">
      <h2>Soaking</h2>
      <ul className="plain-list">
        {soaking.map(({ soak, part, with: oil, until }) => (
          <li key={soak} className="mb-2">
            <strong>{names.get(part) ?? part}</strong>, {oil}.{' '}
            {until > now ? `Look again ${momentText(until)}.` : 'Time to look.'}
            <div className="d-flex flex-wrap gap-1 mt-1">
              <Button variant="quiet" onClick={() => write('soak-over', { soak, outcome: 'free' })}>
                It came free
              </Button>
              <Button variant="quiet" onClick={() => write('soak', { soak, part, with: oil, minutes: 120 })}>
                Another 2 h
              </Button>
              <Button
                variant="quiet"
                onClick={() => {
                  if (!write('soak-over', { soak, outcome: 'stuck' })) return;
                  write('finding', {
                    finding: newId(),
                    kind: 'stuck-part',
                    part,
                    severity: 3,
                    status: 'confirmed',
                    note: `Still stuck after ${oil}`,
                  });
                }}
              >
                Still stuck
              </Button>
            </div>
          </li>
        ))}
      </ul>
    </div>
  );
}
