'use client';

import { padHolds, parseLength, pointKey, printLength, gaugeOfReading, shelfGauges } from '@holotonos/core';
import { Link } from '@/ui/Link';
import { useId, useState } from 'react';
import { Button, Form } from '@/ui/bootstrap';
import { useJob } from '@/job/JobContext';

const caliper = shelfGauges.find(({ id }) => id === 'caliper') ?? shelfGauges[0];

/** Before a pad is pulled: how it stands above the cup, what holds it, and where its scratch is. */
export function PadFit({ hole }: { hole: string }) {
  const { ticket, type, state, names, write } = useJob();
  const id = useId();
  const seen = state.observations.get(`fit:${hole}`);
  const point = { group: 'pad', part: hole, measure: 'stand', clock: 0 } as const;
  const before = state.points.get(pointKey(point))?.readings.at(-1);
  const [text, setText] = useState('');
  const [hold, setHold] = useState(seen?.hold ?? type.pads.find((pad) => pad.hole === hole)?.hold ?? 'adhesive');
  const [mark, setMark] = useState(seen?.mark === undefined ? '' : String(seen.mark));
  const [problem, setProblem] = useState<string | null>(null);
  const submit = () => {
    const clock = mark.trim() === '' ? undefined : Number(mark);
    if (clock !== undefined && !(clock >= 0 && clock < 360)) return setProblem('A clock is 0 to 359 degrees.');
    if (text.trim() !== '') {
      const parsed = parseLength(text, state.unit);
      if (!parsed.ok) return setProblem(parsed.problem);
      if (!caliper) return setProblem('There is no caliper on the shelf.');
      const gauge = gaugeOfReading(caliper);
      if (!write('reading', { point, value: parsed.mm, typed: text.trim(), gauge })) return;
    }
    // What the walk before the pads come out has said of it stands.
    const { setterMark, condition, reuse } = seen ?? {};
    const said = {
      part: hole,
      about: 'fit' as const,
      hold,
      ...(clock !== undefined && { mark: clock }),
      ...(setterMark !== undefined && { setterMark }),
      ...(condition && { condition }),
      ...(reuse !== undefined && { reuse }),
    };
    if (write('observation', said)) setText('');
    setProblem(null);
  };
  return (
    <form
      className="mt-3"
      onSubmit={(event) => {
        event.preventDefault();
        submit();
      }}
    >
      <h3>Before the pad of {names.get(hole) ?? hole} is pulled</h3>
      <p className="soft mb-2">
        {before
          ? `It stood ${printLength(before.value, state.unit)} above the cup edge.`
          : 'The new pad should stand as this one does: measure it above the cup edge now.'}{' '}
        Mark its orientation with a scratch, not with a pen.{' '}
        <Link href={`/jobs/${ticket}/pads?show=before&part=${hole}`}>All of it in one line</Link>
      </p>
      <div className="row">
        <div className="col-4 mb-2">
          <Form.Label htmlFor={`${id}-height`}>Stands ({state.unit})</Form.Label>
          <Form.Control
            id={`${id}-height`}
            inputMode="decimal"
            value={text}
            onChange={(event) => setText(event.target.value)}
          />
        </div>
        <div className="col-4 mb-2">
          <Form.Label htmlFor={`${id}-hold`}>Held by</Form.Label>
          <Form.Select id={`${id}-hold`} value={hold} onChange={(event) => setHold(event.target.value as typeof hold)}>
            {padHolds.map((each) => (
              <option key={each}>{each}</option>
            ))}
          </Form.Select>
        </div>
        <div className="col-4 mb-2">
          <Form.Label htmlFor={`${id}-mark`}>Scratch at</Form.Label>
          <Form.Control
            id={`${id}-mark`}
            inputMode="numeric"
            placeholder="°"
            value={mark}
            onChange={(event) => setMark(event.target.value)}
          />
        </div>
      </div>
      {problem && (
        <p className="say fault" role="alert">
          {problem}
        </p>
      )}
      <Button type="submit" variant="quiet">
        Write it down
      </Button>
    </form>
  );
}
