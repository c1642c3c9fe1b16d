/** 1 h 20 min */
export function minutesText(minutes: number): string {
  const whole = Math.round(minutes);
  const hours = Math.floor(whole / 60);
  const rest = whole % 60;
  if (hours === 0) return `${rest} min`;
  return rest === 0 ? `${hours} h` : `${hours} h ${rest} min`;
}

/** How long by the clock on the wall, nights and all: “2 d 4 h”, and in minutes under a day. */
export function spanText(minutes: number): string {
  const hours = Math.round(minutes / 60);
  if (hours < 24) return minutesText(minutes);
  const [days, rest] = [Math.floor(hours / 24), hours % 24];
  return rest === 0 ? `${days} d` : `${days} d ${rest} h`;
}

/** First letter large, for the start of a sentence. */
export const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

/** A number with its noun: “1 rim”, “3 rims”. */
export const counted = (n: number, one: string, many = `${one}s`): string => `${n} ${n === 1 ? one : many}`;
