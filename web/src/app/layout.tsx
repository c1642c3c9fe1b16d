import '@fontsource-variable/atkinson-hyperlegible-next/wght.css';
import '@fontsource/barlow-condensed/500.css';
import '@fontsource/barlow-condensed/600.css';
import '@/styles/app.scss';
import type { Metadata } from 'next';
import { headers } from 'next/headers';
import type { ReactNode } from 'react';
import { BenchProvider } from '@/frame/BenchContext';
import { keepFirstPresses } from '@/frame/firstPresses';
import { preloadFaces } from '@/frame/faces';
import { KeyHelpDialog } from '@/frame/KeyHelpDialog';
import { Masthead } from '@/frame/Masthead';
import { sendToken } from '@/frame/sendToken';
import { Unsent } from '@/frame/Unsent';
import { askerIn, keepingIn } from '@/server/asker';
import { shopFrame } from '@/server/jobs';

export const metadata: Metadata = {
  title: { default: 'The bench · Holotonos', template: '%s · Holotonos' },
  description: 'Measuring, judging, planning and recording the overhaul of woodwind instruments',
};

/** Puts the light on that this browser used last, before anything is drawn. */
const lightScript = `try{if(localStorage.getItem('holotonos-light')==='leak')document.documentElement.dataset.bsTheme='dark'}catch{}`;

export default async function RootLayout({ children }: { children: ReactNode }) {
  preloadFaces();
  // Asking for the headers also keeps every page from being made before it is asked for.
  const asked = await headers();
  const nonce = asked.get('x-nonce') ?? undefined;
  const asker = askerIn(asked);
  const { zone, lockMinutes } = await shopFrame();
  return (
    <html lang="en-GB" data-bs-theme="light" suppressHydrationWarning>
      <body>
        <script
          nonce={nonce}
          dangerouslySetInnerHTML={{
            __html: `${lightScript};(${sendToken.toString()})();(${keepFirstPresses.toString()})()`,
          }}
        />
        <BenchProvider
          zone={zone}
          asker={asker && { name: asker.name, role: asker.role }}
          keeping={keepingIn(asked)}
          lockMinutes={lockMinutes}
        >
          <a className="skip" href="#main">
            Skip to the work
          </a>
          <Masthead />
          <Unsent />
          {children}
          <KeyHelpDialog />
        </BenchProvider>
      </body>
    </html>
  );
}
