import { dayAfter } from '../clock';

/** Days ahead in which owners are reminded: long enough for a card to arrive and an hour to be found. */
const soonDays = 45;

/** How a check-up stands: its day is over, it comes soon, or it is far off. */
export type CheckUpStanding = 'over' | 'soon' | 'later';

/** @param day of the check-up @param today both as 2026-11-29, by the clock of the shop */
export const checkUpStanding = (day: string, today: string): CheckUpStanding =>
  day < today ? 'over' : day <= dayAfter(today, soonDays) ? 'soon' : 'later';
