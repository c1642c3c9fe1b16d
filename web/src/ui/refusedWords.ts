/**
 * Why the server has not taken something, in words.
 *
 * @param response null where nothing answered
 * @param silent what is said then, and of an answer that says nothing
 */
export async function refusedWords(response: Response | null, silent: string): Promise<string> {
  const body = (await response?.json().catch(() => null)) as {
    message?: string;
    problems?: { message: string }[];
  } | null;
  return body?.message ?? body?.problems?.map(({ message }) => message).join('; ') ?? silent;
}
