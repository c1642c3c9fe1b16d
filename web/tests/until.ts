/** Waits until something holds, and fails when it does not come to that. */
export async function until(holds: () => boolean): Promise<void> {
  for (const end = Date.now() + 20_000; Date.now() < end;) {
    if (holds()) return;
    await new Promise((wait) => setTimeout(wait, 10));
  }
  throw new Error('it did not come to that');
}
