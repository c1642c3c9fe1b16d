/** An id in the one spelling it has everywhere: a UUID in small letters. Another spelling would be another entry. */
export const uuidSchema = {
  type: 'string',
  pattern: '^[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}$',
} as const;

/** The number of a ticket, as it stands in addresses. */
export const ticketSchema = { type: 'string', pattern: '^[A-Za-z0-9][A-Za-z0-9-]{0,19}$' } as const;

/**
 * A moment: ISO 8601 with its offset, 1900 to 2100. Further away the database counts otherwise than JavaScript, and what
 * was taken does not come back as it was; a leap second is no moment to either.
 */
export const momentSchema = {
  type: 'string',
  format: 'date-time',
  maxLength: 40,
  pattern:
    '^(19\\d\\d|20\\d\\d|2100)-\\d\\d-\\d\\dT\\d\\d:\\d\\d:[0-5]\\d(\\.\\d{1,9})?(Z|[+-](0\\d|1[0-4]):[0-5]\\d)$',
} as const;

/** A day, 1900 to 2100. */
export const daySchema = {
  type: 'string',
  format: 'date',
  pattern: '^(19\\d\\d|20\\d\\d|2100)-\\d\\d-\\d\\d$',
} as const;

/** What is wrong with a text that does not fit one of these, by the pattern it should have fitted. */
export const patternWords: Readonly<Record<string, string>> = {
  [uuidSchema.pattern]: 'must be a UUID in small letters',
  [momentSchema.pattern]: 'must be a time from 1900 to 2100 such as 2026-11-23T09:30:00Z',
  [daySchema.pattern]: 'must be a day from 1900 to 2100 such as 2026-11-23',
  '\\S': 'must not be empty',
};

/** A text that says something, this long at most. */
export const text = (most: number) => ({ type: 'string', maxLength: most, pattern: '\\S' }) as const;
/** A text that may be empty, this long at most. */
export const freeText = (most: number) => ({ type: 'string', maxLength: most }) as const;
export const minutes = { type: 'number', minimum: 0, maximum: 100000 } as const;
