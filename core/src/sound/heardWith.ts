/** What a note is heard with, as a reading keeps it. What the ear of the machine adds is less than a cent. */
export const heardWith = {
  microphone: { id: 'microphone', name: 'Microphone', resolution: 0.1, maxPermissibleError: 1 },
  recording: { id: 'recording', name: 'Recording', resolution: 0.1, maxPermissibleError: 1 },
  player: { id: 'stand-in-player', name: 'Stand-in player (made-up sound)', resolution: 0.1, maxPermissibleError: 1 },
} as const;
export type HeardWith = keyof typeof heardWith;
