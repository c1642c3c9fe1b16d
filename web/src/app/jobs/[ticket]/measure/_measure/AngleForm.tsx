'use client';

import { FigureForm, numberThat } from '@/ui/FigureForm';

/** An angle by which metal was set, written down as one pass. */
export function AngleForm({
  most,
  onLog,
  ...more
}: {
  label: string;
  action: string;
  /** less than this, degrees */
  most: number;
  placeholder?: string;
  /** @returns whether it was taken: then the field is empty again */
  onLog: (degrees: number) => boolean;
}) {
  const read = numberThat(
    (degrees) => degrees > 0 && degrees < most,
    `Type degrees, more than 0 and less than ${most}.`,
  );
  return <FigureForm {...more} read={read} onTaken={onLog} />;
}
