'use client';

import { parseLength, rulerOf, type LengthUnit } from '@holotonos/core';
import { FigureForm } from '@/ui/FigureForm';

/** The furthest station there can be, mm. */
const furthest = 5000;

/** A station between those the instrument type names. */
export function StationForm({ unit, onStation }: { unit: LengthUnit; onStation: (at: number) => void }) {
  const ruler = rulerOf(unit);
  const read = (text: string) => {
    const typed = parseLength(text, ruler);
    if (!typed.ok) return typed.problem;
    return typed.mm >= 0 && typed.mm <= furthest ? typed.mm : 'It must lie on the instrument, from its upper end.';
  };
  return (
    <FigureForm
      label={`Another station, ${ruler}`}
      action="Add"
      quiet
      className="mt-2"
      read={read}
      onTaken={(at) => {
        onStation(at);
        return true;
      }}
    />
  );
}
