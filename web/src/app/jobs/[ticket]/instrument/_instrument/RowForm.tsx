'use client';

import type { ChangeableList, InstrumentType } from '@holotonos/core';
import { useId, useState } from 'react';
import { Button, Form } from '@/ui/bootstrap';
import { rowForms, type Filled, type RowField } from './rowForms';

function Field({
  field,
  type,
  value,
  onChange,
}: {
  field: RowField;
  type: InstrumentType;
  value: string | readonly string[];
  onChange: (value: string | readonly string[]) => void;
}) {
  const id = useId();
  const parts = (field.lists ?? []).flatMap((list) => type[list] as readonly { id: string; name: string }[]);
  const label = (
    <Form.Label htmlFor={id} className="mb-0">
      {field.label}
    </Form.Label>
  );
  if (field.kind === 'parts') {
    const chosen = typeof value === 'string' ? [] : value;
    return (
      <div className="mb-2">
        {label}
        <Form.Select
          id={id}
          multiple
          htmlSize={4}
          value={[...chosen]}
          onChange={(event) => onChange([...event.target.selectedOptions].map((option) => option.value))}
        >
          {parts.map((part) => (
            <option key={part.id} value={part.id}>
              {part.name}
            </option>
          ))}
        </Form.Select>
      </div>
    );
  }
  const shared = { id, value: String(value) };
  if (field.kind === 'text' || field.kind === 'number')
    return (
      <div className="mb-2">
        {label}
        <Form.Control
          {...shared}
          inputMode={field.kind === 'number' ? 'decimal' : 'text'}
          placeholder={field.assumed ? 'not measured' : ''}
          onChange={(event) => onChange(event.target.value)}
        />
      </div>
    );
  return (
    <div className="mb-2">
      {label}
      <Form.Select {...shared} onChange={(event) => onChange(event.target.value)}>
        <option value="">{field.kind === 'part' ? 'not known' : 'as usual'}</option>
        {field.kind === 'part'
          ? parts.map((part) => (
              <option key={part.id} value={part.id}>
                {part.name}
              </option>
            ))
          : field.from
              ?.filter((word) => word !== '')
              .map((word) => (
                <option key={word} value={word}>
                  {word.replaceAll('-', ' ')}
                </option>
              ))}
      </Form.Select>
    </div>
  );
}

/** Adds or changes one part, in the technician's own words. Only a name is needed. */
export function RowForm({
  type,
  list,
  name: firstName,
  filled: first,
  action,
  onDone,
  onRemove,
}: {
  type: InstrumentType;
  list: ChangeableList;
  name: string;
  filled: Filled;
  action: string;
  onDone: (name: string, filled: Filled) => boolean;
  onRemove?: () => void;
}) {
  const id = useId();
  const form = rowForms[list];
  const named = list !== 'pads' && list !== 'links';
  const [name, setName] = useState(firstName);
  const [filled, setFilled] = useState<Filled>(first);
  const missing = form?.fields.some((field) => field.needed && !filled[field.name]) ?? false;
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        if (onDone(name.trim(), filled) && firstName === '') {
          setName('');
          setFilled({ ...filled, at: '', from: '', to: '' });
        }
      }}
    >
      {named && (
        <div className="mb-2">
          <Form.Label htmlFor={`${id}-name`} className="mb-0">
            {form?.title}, in your own words
          </Form.Label>
          <Form.Control
            id={`${id}-name`}
            value={name}
            maxLength={80}
            onChange={(event) => setName(event.target.value)}
          />
        </div>
      )}
      <div className="row-fields">
        {form?.fields.map((field) => (
          <Field
            key={field.name}
            field={field}
            type={type}
            value={filled[field.name] ?? ''}
            onChange={(value) => setFilled((now) => ({ ...now, [field.name]: value }))}
          />
        ))}
      </div>
      <div className="d-flex gap-2">
        <Button type="submit" disabled={(named && name.trim() === '') || missing}>
          {action}
        </Button>
        {onRemove && (
          <Button variant="quiet" onClick={onRemove}>
            Take it out
          </Button>
        )}
      </div>
    </form>
  );
}
