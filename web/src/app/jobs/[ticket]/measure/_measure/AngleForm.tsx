'use client';

import { parseNumber } from '@holotonos/core';
import { useId, useState } from 'react';
import { Button, Form } from '@/ui/bootstrap';

/** An angle by which metal was set, written down as one pass. */
export function AngleForm({
  label,
  action,
  most,
  placeholder,
  onLog,
}: {
  label: string;
  action: string;
  /** less than this, degrees */
  most: number;
  placeholder?: string;
  /** @returns whether it was taken: then the field is empty again */
  onLog: (degrees: number) => boolean;
}) {
  const id = useId();
  const [text, setText] = useState('');
  const amount = parseNumber(text) ?? NaN;
  return (
    <form
      className="d-flex gap-2 align-items-end"
      onSubmit={(event) => {
        event.preventDefault();
        if (onLog(amount)) setText('');
      }}
    >
      <div>
        <Form.Label htmlFor={id}>{label}</Form.Label>
        <Form.Control
          id={id}
          inputMode="decimal"
          value={text}
          placeholder={placeholder}
          onChange={(event) => setText(event.target.value)}
        />
      </div>
      <Button type="submit" disabled={!(amount > 0 && amount < most)}>
        {action}
      </Button>
    </form>
  );
}
