'use client';

import type { ChangeableList, InstrumentType, LengthUnit } from '@holotonos/core';
import { useId, useState } from 'react';
import { Button, Form } from '@/ui/bootstrap';
import { figureField, markedWrong } from '@/ui/fields';
import { useWrongField, type WrongField } from '@/ui/useWrongField';
import { assumedFigures, filledFrom, isNamed, labelOf, rowForms, type Filled, type RowField } from './rowForms';

function Field({
  field,
  type,
  unit,
  value,
  assumed,
  wrongBy,
  onChange,
}: {
  field: RowField;
  type: InstrumentType;
  unit: LengthUnit;
  value: string | readonly string[];
  /** what stands in for a figure nobody measured */
  assumed: string | undefined;
  wrongBy: string | undefined;
  onChange: (value: string | readonly string[]) => void;
}) {
  const id = useId();
  const parts = (field.lists ?? []).flatMap((list) => type[list] as readonly { id: string; name: string }[]);
  const label = (
    <Form.Label htmlFor={id} className="mb-0">
      {labelOf(field, unit)}
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
  const shared = { id, value: String(value), ...markedWrong(wrongBy) };
  if (field.kind !== 'choice' && field.kind !== 'part')
    return (
      <div className="mb-2">
        {label}
        <Form.Control
          {...shared}
          {...figureField}
          placeholder={assumed !== undefined ? `${assumed}, assumed` : field.assumed ? 'not measured' : ''}
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

/**
 * Adds or changes one part, in the technician's own words. Only a name is needed; what is wrong is said when it is sent,
 * and stays as it was typed.
 */
export function RowForm({
  type,
  unit,
  list,
  row,
  action,
  onDone,
  onRemove,
}: {
  type: InstrumentType;
  unit: LengthUnit;
  list: ChangeableList;
  /** the part that is changed; a new one if not given */
  row?: InstrumentType[ChangeableList][number];
  action: string;
  /** @returns whether it was taken, or what is wrong with it */
  onDone: (name: string, filled: Filled) => boolean | WrongField;
  onRemove?: () => void;
}) {
  const id = useId();
  const form = rowForms[list];
  const [name, setName] = useState(row && 'name' in row ? row.name : '');
  const [filled, setFilled] = useState<Filled>(row ? filledFrom(list, row, unit) : {});
  const { line, wrongBy, say, sayNothing } = useWrongField();
  const assumed = row ? assumedFigures(list, row, unit) : {};
  const submit = () => {
    const taken = onDone(name.trim(), filled);
    if (typeof taken === 'object') return say(taken.field, taken.words);
    sayNothing();
    if (!taken || row) return;
    // The next one is mostly like this one, but elsewhere.
    setName('');
    setFilled({ ...filled, at: '', from: '', to: '' });
  };
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        submit();
      }}
    >
      {isNamed(list) && (
        <div className="mb-2">
          <Form.Label htmlFor={`${id}-name`} className="mb-0">
            {form?.title}, in your own words
          </Form.Label>
          <Form.Control
            id={`${id}-name`}
            value={name}
            maxLength={80}
            {...markedWrong(wrongBy('name'))}
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
            unit={unit}
            value={filled[field.name] ?? ''}
            assumed={assumed[field.name]}
            wrongBy={wrongBy(field.name)}
            onChange={(value) => setFilled((now) => ({ ...now, [field.name]: value }))}
          />
        ))}
      </div>
      <div className="d-flex gap-2">
        <Button type="submit">{action}</Button>
        {onRemove && (
          <Button variant="quiet" onClick={onRemove}>
            Take it out
          </Button>
        )}
      </div>
      {line}
    </form>
  );
}
