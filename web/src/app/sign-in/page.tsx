import type { Metadata } from 'next';
import { connection } from 'next/server';
import { SignInView } from './_signIn/SignInView';

export const metadata: Metadata = { title: 'Who is there?' };

/** Only a place of this very server: a link from elsewhere must not send anybody on. */
const placeOf = (back: string | string[] | undefined): string =>
  typeof back === 'string' && /^\/(?![/\\])/.test(back) ? back : '/';

export default async function SignInPage({
  searchParams,
}: {
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}) {
  await connection();
  const { back, not } = await searchParams;
  return <SignInView back={placeOf(back)} refused={typeof not === 'string'} />;
}
