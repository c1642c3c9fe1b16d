/** The length units a technician can choose for a job. Everything inside is millimetres. */
export const lengthUnits = ['mm', 'in', 'thou'] as const;
export type LengthUnit = (typeof lengthUnits)[number];

/** Millimetres per unit. The inch has been exactly 25.4 mm since 1959. */
export const mmPerUnit: Record<LengthUnit, number> = { mm: 1, in: 25.4, thou: 0.0254 };

export const unitNames: Record<LengthUnit, string> = {
  mm: 'millimetres',
  in: 'inches',
  thou: 'thousandths of an inch',
};
