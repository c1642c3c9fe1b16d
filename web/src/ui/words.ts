/** 1 h 20 min */
export function minutesText(minutes: number): string {
  const whole = Math.round(minutes);
  const hours = Math.floor(whole / 60);
  const rest = whole % 60;
  if (hours === 0) return `${rest} min`;
  return rest === 0 ? `${hours} h` : `${hours} h ${rest} min`;
}

/** First letter large, for the start of a sentence. */
export const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

/** A number with its noun: “1 rim”, “3 rims”. */
export const counted = (n: number, one: string, many = `${one}s`): string => `${n} ${n === 1 ? one : many}`;
