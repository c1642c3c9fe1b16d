'use client';

import {
  parseLength,
  pierceSizes,
  printLength,
  usualStand,
  type PadSetSettings,
  type StandBy,
  type StockState,
} from '@holotonos/core';
import { useId, useState } from 'react';
import { useJob } from '@/job/JobContext';
import { Form } from '@/ui/bootstrap';
import { FieldProblem, TextField } from '@/ui/fields';
import type { ReadFigure } from '@/ui/FigureForm';

export const standWords: Record<StandBy, string> = {
  old: 'as the old pad stood',
  stack: 'as the middle of its stack',
  practice: 'as typed',
};

const sources = Object.keys(standWords) as StandBy[];

export const none = '';

export function Settings({
  settings,
  set,
  stock,
}: {
  settings: PadSetSettings;
  set: (settings: PadSetSettings) => void;
  stock: StockState;
}) {
  const { state, type } = useJob();
  const id = useId();
  const figure = (mm: number) => printLength(mm, state.unit);
  const [texts, setTexts] = useState({
    stand: figure(usualStand[type.family]),
    bed: figure(settings.bed),
    from: figure(settings.clearance[0]),
    to: figure(settings.clearance[1]),
  });
  const read: ReadFigure = (text) => {
    const parsed = parseLength(text, state.unit);
    if (!parsed.ok) return parsed.problem;
    return parsed.mm < 0 ? 'It must be 0 or more.' : parsed.mm;
  };
  const typed = (field: keyof typeof texts, text: string) => {
    setTexts((before) => ({ ...before, [field]: text }));
    const mm = read(text);
    if (typeof mm === 'string') return;
    const [from, to] = settings.clearance;
    if (field === 'stand') set({ ...settings, stand: mm });
    if (field === 'bed') set({ ...settings, bed: mm });
    if (field === 'from') set({ ...settings, clearance: [mm, to] });
    if (field === 'to') set({ ...settings, clearance: [from, mm] });
  };
  const asked: readonly (readonly [keyof typeof texts, string])[] = [
    ['stand', settings.standBy === 'practice' ? 'Stand' : 'Where not read'],
    ...(type.pads.some(({ hold }) => hold === 'adhesive') ? ([['bed', 'Bed']] as const) : []),
    ['from', 'Room from'],
    ['to', 'to'],
  ];
  const fields = asked.map(([name, label]) => {
    const mm = read(texts[name]);
    return { name, label, id: `${id}-${name}-wrong`, wrong: typeof mm === 'string' ? `${label}: ${mm}` : undefined };
  });
  const holes = pierceSizes(stock);
  return (
    <fieldset className="pad-settings">
      <legend className="visually-hidden">How the set is chosen</legend>
      <div>
        <Form.Label htmlFor={`${id}-by`}>They stand</Form.Label>
        <Form.Select
          id={`${id}-by`}
          value={settings.standBy}
          onChange={(event) => set({ ...settings, standBy: event.target.value as StandBy })}
        >
          {sources.map((source) => (
            <option key={source} value={source}>
              {standWords[source]}
            </option>
          ))}
        </Form.Select>
      </div>
      {fields.map(({ name, label, id: wrongId, wrong }) => (
        <TextField
          key={name}
          label={label}
          className="short-figure"
          inputMode="decimal"
          value={texts[name]}
          set={(text) => typed(name, text)}
          wrongBy={wrong && wrongId}
        />
      ))}
      {type.pads.some(({ centre }) => centre === 'open') && (
        <div>
          <Form.Label htmlFor={`${id}-pierce`}>Pierced</Form.Label>
          <Form.Select
            id={`${id}-pierce`}
            value={settings.pierce ?? none}
            onChange={(event) =>
              set({ ...settings, pierce: event.target.value === none ? null : Number(event.target.value) })
            }
          >
            <option value={none}>as they lie there</option>
            {holes.map((hole) => (
              <option key={hole} value={hole}>
                {figure(hole)}
              </option>
            ))}
          </Form.Select>
        </div>
      )}
      {/* In a line of its own: beside its field it would push the others away. */}
      <div className="w-100">
        {fields.map(({ name, id: wrongId, wrong }) => (
          <FieldProblem key={name} id={wrongId} words={wrong} />
        ))}
      </div>
    </fieldset>
  );
}
