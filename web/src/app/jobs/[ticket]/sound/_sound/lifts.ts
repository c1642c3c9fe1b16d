import { centsText } from '@holotonos/core';

/** To a tenth: finer nobody hears. */
export const tenth = (value: number): number => Math.round(value * 10) / 10;

/** A held note that moves by more than this at once has a key that lifts, cents. */
const aLift = 6;
export const isLift = (step: number): boolean => Math.abs(step) >= aLift;

/** What such a step tells. */
export const liftWords = (step: number): string =>
  `It moved by ${centsText(Math.round(step))} cents at once: a key that should stay shut lifts`;
