import '@fontsource-variable/atkinson-hyperlegible-next/wght.css';
import '@fontsource/barlow-condensed/500.css';
import '@fontsource/barlow-condensed/600.css';
import '@/styles/app.scss';
import type { Metadata } from 'next';
import type { ReactNode } from 'react';
import { BenchProvider } from '@/client/BenchContext';
import { KeyHelpDialog } from '@/components/KeyHelpDialog';
import { Masthead } from '@/components/Masthead';

export const metadata: Metadata = {
  title: { default: 'The bench · Holotonos', template: '%s · Holotonos' },
  description: 'Measuring, judging, planning and recording the overhaul of woodwind instruments',
};

/** Puts the light on that this browser used last, before anything is drawn. */
const lightScript = `try{if(localStorage.getItem('holotonos-light')==='leak')document.documentElement.dataset.bsTheme='dark'}catch{}`;

export default function RootLayout({ children }: { children: ReactNode }) {
  return (
    <html lang="en-GB" data-bs-theme="light" suppressHydrationWarning>
      <body>
        <script dangerouslySetInnerHTML={{ __html: lightScript }} />
        <BenchProvider>
          <a className="skip" href="#main">
            Skip to the work
          </a>
          <Masthead />
          {children}
          <KeyHelpDialog />
        </BenchProvider>
      </body>
    </html>
  );
}
