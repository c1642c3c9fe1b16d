/** Integer minor units of a currency: cents, pence. */
export const money = { type: 'integer', minimum: -1_000_000_000, maximum: 1_000_000_000 } as const;
export const moneyRange = {
  type: 'object',
  properties: { low: money, likely: money, high: money },
  required: ['low', 'likely', 'high'],
  additionalProperties: false,
} as const;
export const currency = { type: 'string', pattern: '^[A-Z]{3}$' } as const;
