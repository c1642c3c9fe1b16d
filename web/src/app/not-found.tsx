import { Link } from '@/ui/Link';
import { MastheadOfLost } from '@/frame/Masthead';

export default function NotFound() {
  return (
    <>
      <MastheadOfLost />
      <main id="main" className="page">
        <div className="sheet">
          <h1>Nothing hangs on this hook</h1>
          <p>
            There is no such page or ticket. Look on <Link href="/">the bench</Link> for the tickets that are here.
          </p>
        </div>
      </main>
    </>
  );
}
