'use client';

import type { PhotoState } from '@holotonos/core';
import { useState } from 'react';
import { useJob } from '@/job/JobContext';
import { PhotoDialog } from './PhotoDialog';
import { PhotoMarks } from './PhotoMarks';
import { photoUrl } from './uploadPhoto';

/** Pictures side by side, small; each opens in full. */
export function PhotoRow({ photos }: { photos: readonly PhotoState[] }) {
  const { ticket, names } = useJob();
  const [open, setOpen] = useState<string | null>(null);
  const shown = photos.find(({ photo }) => photo === open);
  if (photos.length === 0) return null;
  return (
    <>
      <ul className="photo-row">
        {photos.map(({ photo, width, height, caption, part, marks }) => (
          <li key={photo}>
            <button
              type="button"
              onClick={() => setOpen(photo)}
              aria-label={`Photo: ${[part && (names.get(part) ?? part), caption].filter(Boolean).join(', ') || 'no words'}`}
            >
              <svg viewBox={`0 0 ${width} ${height}`} aria-hidden="true">
                <image href={photoUrl(ticket, photo, 'thumbnail')} width={width} height={height} />
                <PhotoMarks width={width} height={height} marks={marks} />
              </svg>
            </button>
          </li>
        ))}
      </ul>
      {shown && <PhotoDialog key={shown.photo} photo={shown} onClose={() => setOpen(null)} />}
    </>
  );
}
