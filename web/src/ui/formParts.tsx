'use client';

import { findingKinds, findingWords, type FindingKind } from '@holotonos/core';
import { useId, useState } from 'react';
import { Button, Form } from './bootstrap';

export const severityWords = ['', 'slight', 'plain', 'severe'] as const;

/** Asks for a reason, in words, before something is done that has to answer for itself. */
export function ReasonForm({
  label,
  action,
  onReason,
  onBack,
}: {
  label: string;
  action: string;
  onReason: (reason: string) => void;
  onBack: () => void;
}) {
  const id = useId();
  const [reason, setReason] = useState('');
  return (
    <form
      className="mt-2"
      onSubmit={(event) => {
        event.preventDefault();
        onReason(reason.trim());
      }}
    >
      <Form.Label htmlFor={id}>{label}</Form.Label>
      <Form.Control
        id={id}
        className="mb-2"
        value={reason}
        onChange={(event) => setReason(event.target.value)}
        autoFocus
      />
      <div className="d-flex gap-2">
        <Button type="submit" disabled={reason.trim() === ''}>
          {action}
        </Button>
        <Button variant="quiet" onClick={onBack}>
          Back
        </Button>
      </div>
    </form>
  );
}

/**
 * What kind of finding it is.
 *
 * @param likely what can be wrong at the place, where that is known: offered first
 */
export function KindField({
  value,
  onChange,
  likely = [],
}: {
  value: FindingKind;
  onChange: (kind: FindingKind) => void;
  likely?: readonly FindingKind[];
}) {
  const id = useId();
  const options = (kinds: readonly FindingKind[]) =>
    kinds.map((kind) => (
      <option key={kind} value={kind}>
        {findingWords[kind].title}
      </option>
    ));
  return (
    <div className="mb-2">
      <Form.Label htmlFor={id}>What</Form.Label>
      <Form.Select id={id} value={value} onChange={(event) => onChange(event.target.value as FindingKind)}>
        {likely.length === 0 ? (
          options(findingKinds)
        ) : (
          <>
            <optgroup label="Found at such a place">{options(likely)}</optgroup>
            <optgroup label="Anything else">{options(findingKinds.filter((kind) => !likely.includes(kind)))}</optgroup>
          </>
        )}
      </Form.Select>
    </div>
  );
}

/** How bad it is, 1 to 3, in words. */
export function SeverityField({ value, onChange }: { value: number; onChange: (severity: number) => void }) {
  const id = useId();
  return (
    <div className="mb-2">
      <Form.Label htmlFor={id}>How bad</Form.Label>
      <Form.Select id={id} value={value} onChange={(event) => onChange(Number(event.target.value))}>
        {[1, 2, 3].map((severity) => (
          <option key={severity} value={severity}>
            {severityWords[severity]}
          </option>
        ))}
      </Form.Select>
    </div>
  );
}
