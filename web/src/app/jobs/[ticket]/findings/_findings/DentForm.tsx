'use client';

import {
  dentDepths,
  dentEdges,
  finishes,
  parseSize,
  printFigure,
  finishWords,
  type Dent,
  type Finish,
  type FindingState,
} from '@holotonos/core';
import { useId, useState } from 'react';
import { useJob } from '@/job/JobContext';
import { Button, Form } from '@/ui/bootstrap';
import { ChoiceField, figureField, TextField } from '@/ui/fields';
import { useWrongField } from '@/ui/useWrongField';

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
  const wrong = useWrongField();
  const labels = { length: 'Along the tube', width: 'Round it', depth: 'Deep, if read' } as const;
  const submit = () => {
    const read: { length?: number; width?: number; depth?: number } = {};
    for (const field of ['length', 'width', 'depth'] as const) {
      if (field === 'depth' && sizes.depth.trim() === '') continue;
      const parsed = parseSize(sizes[field], unit);
      if (!parsed.ok) return wrong.say(field, `${labels[field]}: ${parsed.problem}`);
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
          <TextField
            key={field}
            label={`${labels[field]}, ${unit}`}
            {...figureField}
            autoFocus={i === 0}
            value={sizes[field]}
            set={(typed) => setSizes((before) => ({ ...before, [field]: typed }))}
            wrongBy={wrong.wrongBy(field)}
          />
        ))}
        <ChoiceField
          label="By eye"
          name="looks"
          value={looks}
          set={setLooks}
          choices={dentDepths.map((each) => [each, each])}
        />
        <ChoiceField
          label="Its edge is"
          name="edge"
          value={edge}
          set={setEdge}
          choices={dentEdges.map((each) => [each, each])}
        />
        <ChoiceField
          label="Over it"
          name="finish"
          value={finish}
          set={setFinish}
          choices={finishes.map((each) => [each, finishWords[each]])}
        />
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
      {wrong.line}
    </form>
  );
}
