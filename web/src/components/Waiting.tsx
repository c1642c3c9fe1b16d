/** What stands on a page while its data is awaited. */
export function Waiting({ what }: { what: string }) {
  return (
    <main id="main" className="page" aria-busy="true">
      <p role="status" className="sheet">
        Fetching {what} …
      </p>
    </main>
  );
}
