import { Link } from '@/ui/Link';

/** A page of the guide as a sheet to read. */
export function Guide({ html, first = false }: { html: string; first?: boolean }) {
  return (
    <main id="main" className="page">
      {!first && (
        <p>
          <Link href="/guide">All pages of the guide</Link>
        </p>
      )}
      {/* The text is the shop’s own copy of docs/guide, which comes with the app. */}
      <article className="sheet guide" dangerouslySetInnerHTML={{ __html: html }} />
    </main>
  );
}
