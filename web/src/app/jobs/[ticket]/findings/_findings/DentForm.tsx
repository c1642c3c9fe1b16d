'use client';

import {
  dentDepths,
  dentEdges,
  finishes,
  parseLength,
  printFigure,
  type Dent,
  type Finish,
  type FindingState,
} from '@holotonos/core';
import { useId, useState } from 'react';
import { useJob } from '@/job/JobContext';
import { Button, Form } from '@/ui/bootstrap';

const finishWords: Record<Finish, string> = {
  'bare': 'bare metal',
  'tarnished': 'tarnish',
  'lacquer-sound': 'sound lacquer',
  'lacquer-brittle': 'brittle lacquer',
  'plate': 'plate',
  'engraving': 'engraving',
};

/** A dent in words, as it was written down. */
export function DentWords({ dent }: { dent: Dent }) {
  const { state } = useJob();
  const figure = (mm: number) => printFigure(mm, state.unit);
  const deep = dent.depth === undefined ? dent.looks : `${figure(dent.depth)} ${state.unit} deep`;
  return (
    <div className="soft">
      {figure(dent.length)} × {figure(dent.width)} {state.unit}
      {deep ? `, ${deep}` : ''}, {dent.edge}
      {dent.ridge ? ', with a ridge' : ''}, under {finishWords[dent.finish]}
    </div>
  );
}

/** Writes a dent down: how large, how deep, how its edge runs, what lies over it. */
export function DentForm({ finding, done }: { finding: FindingState; done: () => void }) {
  const { state, write } = useJob();
  const id = useId();
  const unit = state.unit;
  const { dent } = finding;
  const text = (mm: number | undefined) => (mm === undefined ? '' : printFigure(mm, unit));
  const [sizes, setSizes] = useState({
    length: text(dent?.length),
    width: text(dent?.width),
    depth: text(dent?.depth),
  });
  const [looks, setLooks] = useState(dent?.looks ?? 'plain');
  const [edge, setEdge] = useState(dent?.edge ?? 'soft');
  const [ridge, setRidge] = useState(dent?.ridge ?? false);
  const [finish, setFinish] = useState<Finish>(dent?.finish ?? 'bare');
  const [problem, setProblem] = useState<{ at: string; words: string } | null>(null);
  const labels = { length: 'Along the tube', width: 'Round it', depth: 'Deep, if read' } as const;
  const submit = () => {
    const read: { length?: number; width?: number; depth?: number } = {};
    for (const field of ['length', 'width', 'depth'] as const) {
      if (field === 'depth' && sizes.depth.trim() === '') continue;
      const parsed = parseLength(sizes[field], unit);
      if (!parsed.ok || parsed.mm <= 0)
        return setProblem({
          at: field,
          words: `${labels[field]}: ${parsed.ok ? 'it must be more than 0.' : parsed.problem}`,
        });
      read[field] = parsed.mm;
    }
    const { length = 0, width = 0, depth } = read;
    const { finding: own, kind, part, severity, status, note } = finding;
    const said = { length, width, ...(depth === undefined ? { looks } : { depth }), edge, ridge, finish };
    if (write('finding', { finding: own, kind, part, severity, status, note, dent: said })) done();
  };
  return (
    <form
      className="mt-2"
      aria-label="The dent"
      onSubmit={(event) => {
        event.preventDefault();
        submit();
      }}
    >
      <div className="pad-fields">
        {(['length', 'width', 'depth'] as const).map((field, i) => (
          <div key={field}>
            <Form.Label htmlFor={`${id}-${field}`}>
              {labels[field]}, {unit}
            </Form.Label>
            <Form.Control
              id={`${id}-${field}`}
              autoFocus={i === 0}
              inputMode="decimal"
              autoComplete="off"
              isInvalid={problem?.at === field}
              aria-describedby={problem?.at === field ? `${id}-problem` : undefined}
              value={sizes[field]}
              onChange={(event) => setSizes((before) => ({ ...before, [field]: event.target.value }))}
            />
          </div>
        ))}
        <div>
          <Form.Label htmlFor={`${id}-looks`}>By eye</Form.Label>
          <Form.Select
            id={`${id}-looks`}
            value={looks}
            onChange={(event) => setLooks(event.target.value as typeof looks)}
          >
            {dentDepths.map((each) => (
              <option key={each}>{each}</option>
            ))}
          </Form.Select>
        </div>
        <div>
          <Form.Label htmlFor={`${id}-edge`}>Its edge is</Form.Label>
          <Form.Select id={`${id}-edge`} value={edge} onChange={(event) => setEdge(event.target.value as typeof edge)}>
            {dentEdges.map((each) => (
              <option key={each}>{each}</option>
            ))}
          </Form.Select>
        </div>
        <div>
          <Form.Label htmlFor={`${id}-finish`}>Over it</Form.Label>
          <Form.Select id={`${id}-finish`} value={finish} onChange={(event) => setFinish(event.target.value as Finish)}>
            {finishes.map((each) => (
              <option key={each} value={each}>
                {finishWords[each]}
              </option>
            ))}
          </Form.Select>
        </div>
        <Form.Check
          id={`${id}-ridge`}
          type="checkbox"
          label="A ridge round it"
          checked={ridge}
          onChange={(event) => setRidge(event.target.checked)}
        />
        <Button type="submit">Write the dent down</Button>
        <Button variant="quiet" onClick={done}>
          Back
        </Button>
      </div>
      <p id={`${id}-problem`} className="text-danger mb-0" role="alert">
        {problem?.words ?? ''}
      </p>
    </form>
  );
}
