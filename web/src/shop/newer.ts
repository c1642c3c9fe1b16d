/** What is known of a logbook after an answer: the very same object where that says nothing new, so that nothing is drawn anew. */
export const newer = <State>(known: State, answer: State): State =>
  JSON.stringify(known) === JSON.stringify(answer) ? known : answer;
