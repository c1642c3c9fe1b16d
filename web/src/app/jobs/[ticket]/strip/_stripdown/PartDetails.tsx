'use client';

import { partWheres, removableParts, placeWords, type PartWhere } from '@holotonos/core';
import { useId, useState } from 'react';
import { Button, Form } from '@/ui/bootstrap';
import { useJob } from '@/job/JobContext';
import { capital } from '@/ui/words';
import { PhotoRow } from '@/photos/PhotoRow';
import { PhotoTaker } from '@/photos/PhotoTaker';
import { PadFit } from './PadFit';
import { SoakForm } from './SoakPanel';

/** What this part passes over, as the type has it or as it is said here. */
function PassesOver({ part }: { part: string }) {
  const { type, names, write } = useJob();
  const id = useId();
  const key = type.keys.find((each) => each.id === part);
  const fitting = type.fittings.find((each) => each.id === part);
  const row = key ?? fitting;
  if (!row) return null;
  const over = row.over ?? [];
  const put = (next: string[]) =>
    write('instrument-change', {
      put: key ? { keys: [{ ...key, over: next }] } : fitting ? { fittings: [{ ...fitting, over: next }] } : {},
    });
  const others = [...type.keys, ...type.fittings, ...type.rods].filter(
    (each) => each.id !== part && !over.includes(each.id),
  );
  return (
    <div className="mb-3">
      <Form.Label htmlFor={id}>Passes over</Form.Label>
      <div className="d-flex flex-wrap gap-1 mb-1">
        {over.map((each) => (
          <Button key={each} variant="quiet" onClick={() => put(over.filter((one) => one !== each))}>
            {names.get(each) ?? each} <span aria-hidden="true">×</span>
            <span className="visually-hidden">take away</span>
          </Button>
        ))}
      </div>
      <Form.Select id={id} value="" onChange={(event) => event.target.value && put([...over, event.target.value])}>
        <option value="">Add a part that lies beneath it …</option>
        {others.map((each) => (
          <option key={each.id} value={each.id}>
            {each.name}
          </option>
        ))}
      </Form.Select>
    </div>
  );
}

/** Where a part that is off lies now, and moving it by name of place. */
function WhereItLies({ part }: { part: string }) {
  const { state, write } = useJob();
  const id = useId();
  const off = state.off.get(part);
  const [where, setWhere] = useState<PartWhere>(off?.where ?? 'board');
  const [cell, setCell] = useState(off?.cell ?? '');
  const [note, setNote] = useState(off?.note ?? '');
  if (!off) return null;
  const change = () => {
    const named = cell.trim().toUpperCase();
    write('part-placed', { part, where, note, ...(where === 'board' && named !== '' && { cell: named }) });
  };
  return (
    <form
      className="row mb-2"
      onSubmit={(event) => {
        event.preventDefault();
        change();
      }}
    >
      <div className="col-8">
        <Form.Label htmlFor={`${id}-where`}>It is</Form.Label>
        <Form.Select id={`${id}-where`} value={where} onChange={(event) => setWhere(event.target.value as PartWhere)}>
          {partWheres.map((each) => (
            <option key={each} value={each}>
              {capital(placeWords({ where: each }))}
            </option>
          ))}
        </Form.Select>
      </div>
      <div className="col-4">
        <Form.Label htmlFor={`${id}-cell`}>Place</Form.Label>
        <Form.Control
          id={`${id}-cell`}
          value={cell}
          disabled={where !== 'board'}
          onChange={(event) => setCell(event.target.value)}
        />
      </div>
      <div className="col-9 mt-2">
        <Form.Label htmlFor={`${id}-note`}>Note</Form.Label>
        <Form.Control
          id={`${id}-note`}
          placeholder="which way up, what looks like it"
          value={note}
          onChange={(event) => setNote(event.target.value)}
        />
      </div>
      <div className="col-3 d-flex align-items-end">
        <Button type="submit" variant="quiet">
          Keep
        </Button>
      </div>
    </form>
  );
}

/** Everything about one part of the strip-down. */
export function PartDetails({ part }: { part: string }) {
  const { type, state, names } = useJob();
  const [soaking, setSoaking] = useState(false);
  const off = state.off.get(part);
  const removable = removableParts(type).find(({ id }) => id === part);
  const pads = type.pads.filter(({ key }) => key === part);
  const photos = [...state.photos.values()].filter((photo) => photo.part === part);
  return (
    <div className="sheet">
      <h2>{names.get(part) ?? part}</h2>
      <p className="mb-2">
        {off ? capital(placeWords(off)) : 'On the instrument'}
        {off?.note ? `: ${off.note}` : '.'}
      </p>
      {removable?.keepApart && <p className="say attention">{removable.keepApart}</p>}
      {off && <WhereItLies key={`${off.where} ${off.cell} ${off.note}`} part={part} />}
      <PassesOver part={part} />
      <div className="d-flex gap-2 flex-wrap">
        <PhotoTaker about={{ part, caption: off ? 'after it came off' : 'before it comes off' }} />
        {!off && (
          <Button variant="quiet" aria-expanded={soaking} onClick={() => setSoaking(!soaking)}>
            It is stuck …
          </Button>
        )}
      </div>
      <PhotoRow photos={photos} />
      {soaking && !off && <SoakForm part={part} />}
      {pads.map(({ hole }) => (
        <PadFit key={hole} hole={hole} />
      ))}
    </div>
  );
}
