'use client';

import { fingeredLike } from '@holotonos/core';
import { useId, useState } from 'react';
import { useShippedTypes } from '@/shop/useShippedTypes';
import { useJob } from '@/job/JobContext';
import { Button, Form } from '@/ui/bootstrap';

/** What an instrument is blown and fingered like, where nobody has said it: then its notes have names. */
export function FingeredLike() {
  const { type, write } = useJob();
  const id = useId();
  const shippedTypes = useShippedTypes();
  const [chosen, setModel] = useState<string | null>(null);
  const model = chosen ?? shippedTypes.find(({ family }) => family === type.family)?.id ?? '';
  const [lower, setLower] = useState('0');
  const known = shippedTypes.find((each) => each.id === model);
  const as = known ? fingeredLike(type, known, -Number(lower)) : null;
  // Before they are there nothing is true of them: neither that one fits nor that none does.
  if (shippedTypes.length === 0)
    return (
      <p className="sheet soft" role="status" aria-busy>
        Nobody has said how this instrument is blown and fingered. The types it may be like are being fetched …
      </p>
    );
  return (
    <form
      className="sheet"
      onSubmit={(event) => {
        event.preventDefault();
        if (as) write('instrument-change', { ...as, reason: 'fingered like the type that is nearest' });
      }}
    >
      <h2>How is it blown and fingered?</h2>
      <p>Nobody has said how this instrument is blown and fingered, so its notes have no names. What is it like?</p>
      <Form.Label htmlFor={`${id}-like`}>Blown and fingered like</Form.Label>
      <Form.Select id={`${id}-like`} className="mb-2" value={model} onChange={(event) => setModel(event.target.value)}>
        {shippedTypes.map(({ id: value, name }) => (
          <option key={value} value={value}>
            {name}
          </option>
        ))}
      </Form.Select>
      <Form.Label htmlFor={`${id}-lower`}>
        Semitones it sounds below what is written: 0 in C, 2 in B♭, 9 in E♭
      </Form.Label>
      <Form.Control
        id={`${id}-lower`}
        type="number"
        min={-24}
        max={36}
        step={1}
        className="short-figure mb-2"
        value={lower}
        onChange={(event) => setLower(event.target.value)}
      />
      <p className="soft">
        {as && as.fingerings.length > 0
          ? `${as.fingerings.length} fingerings use only keys and holes this instrument has.`
          : 'No fingering of that one fits: its keys and holes go by other names.'}
      </p>
      <Button type="submit" disabled={!as || as.fingerings.length === 0 || lower.trim() === ''}>
        Take its fingerings
      </Button>
    </form>
  );
}
