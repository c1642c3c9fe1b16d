const size = { type: 'number', exclusiveMinimum: 0 } as const;
const notNegative = { type: 'number', minimum: 0 } as const;
const name = { type: 'string', minLength: 1, maxLength: 80 } as const;

/** Newtons at the touch of a key, by key. */
export const forcesSchema = {
  type: 'object',
  maxProperties: 80,
  additionalProperties: notNegative,
  description: 'newtons at the touch, by key',
} as const;

/** A mechanism of keys and the links between them: what the solvers of regulation share. Millimetres and newtons. */
export const mechanismProperties = {
  keys: {
    type: 'array',
    minItems: 1,
    maxItems: 80,
    items: {
      type: 'object',
      properties: {
        id: name,
        rest: { enum: ['open', 'closed'], default: 'open' },
        travel: { ...size, description: 'closing travel at which the pad first touches its rim' },
        unevenness: { ...notNegative, default: 0, description: 'how much further until it seals all round' },
        stiffness: { ...size, default: 8, description: 'of the pad, N/mm' },
        touchRatio: { ...size, default: 1, description: 'newtons at the pad for one at the touch' },
        spring: {
          type: 'object',
          properties: {
            force: { ...size, description: 'at the pad, at rest, toward rest' },
            rate: { ...notNegative, default: 0, description: 'by which it grows per mm away from rest' },
          },
          required: ['force'],
          additionalProperties: false,
        },
      },
      required: ['id', 'travel', 'spring'],
      additionalProperties: false,
    },
  },
  links: {
    type: 'array',
    maxItems: 200,
    default: [],
    items: {
      type: 'object',
      properties: {
        id: name,
        driver: name,
        follower: name,
        acts: { enum: ['carries', 'holds-shut', 'holds-shut-at-rest'], default: 'carries' },
        ratio: { ...size, default: 1 },
        gap: { type: 'number', description: 'negative where it presses already' },
        stiffness: { ...size, default: 60, description: 'N/mm' },
      },
      required: ['id', 'driver', 'follower', 'gap'],
      additionalProperties: false,
    },
  },
  flex: {
    type: 'array',
    maxItems: 400,
    default: [],
    items: {
      type: 'object',
      properties: { pressed: name, key: name, perNewton: { type: 'number' } },
      required: ['pressed', 'key', 'perNewton'],
      additionalProperties: false,
    },
  },
} as const;
export const idSchema = name;
