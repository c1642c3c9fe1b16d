'use client';

import type { EntryBody } from '@holotonos/core';
import { useImperativeHandle, useRef, useState, type ChangeEvent, type Ref } from 'react';
import { v4 as newId } from 'uuid';
import { Button } from '@/ui/bootstrap';
import { useJob } from '@/job/JobContext';
import { uploadPhoto } from './uploadPhoto';

export interface PhotoTakerHandle {
  open: () => void;
}

/** Takes a picture with the device or from a file, and writes what it is of into the logbook. */
export function PhotoTaker({
  about,
  words = 'Photo',
  ref,
}: {
  about: Pick<EntryBody<'photo'>, 'part' | 'place' | 'finding' | 'caption'>;
  words?: string;
  ref?: Ref<PhotoTakerHandle>;
}) {
  const { ticket, write } = useJob();
  const input = useRef<HTMLInputElement>(null);
  const camera = useRef<HTMLInputElement>(null);
  const [sending, setSending] = useState(false);
  const [failed, setFailed] = useState<{ problem: string; again: { id: string; file: File } | null } | null>(null);
  useImperativeHandle(ref, () => ({ open: () => input.current?.click() }), []);

  const send = async (id: string, file: File) => {
    setSending(true);
    setFailed(null);
    const sent = await uploadPhoto(ticket, id, file);
    setSending(false);
    if (sent.ok) write('photo', { ...sent.taken, ...about });
    else setFailed({ problem: sent.problem, again: sent.again ? { id, file } : null });
  };

  const picked = {
    type: 'file',
    accept: 'image/jpeg,image/png,image/webp',
    className: 'visually-hidden',
    tabIndex: -1,
    onChange: (event: ChangeEvent<HTMLInputElement>) => {
      const file = event.target.files?.[0];
      if (file) void send(newId(), file);
      event.target.value = '';
    },
  } as const;

  return (
    <div>
      <input ref={input} {...picked} aria-label={`${words}: choose a picture`} />
      <input ref={camera} {...picked} capture="environment" aria-label={`${words}: by the camera`} />
      <Button variant="quiet" disabled={sending} onClick={() => input.current?.click()}>
        {sending ? 'Sending …' : words}
      </Button>
      {/* Where fingers do the pointing there is a camera at the back: straight to it, not by way of the album. */}
      <Button
        variant="quiet"
        className="by-camera ms-2"
        disabled={sending}
        aria-label={`${words}, by the camera`}
        onClick={() => camera.current?.click()}
      >
        Camera
      </Button>
      {failed && (
        <div className="say fault mt-2" role="alert">
          {failed.problem}{' '}
          {failed.again && (
            <Button variant="quiet" onClick={() => failed.again && void send(failed.again.id, failed.again.file)}>
              Send it again
            </Button>
          )}
        </div>
      )}
    </div>
  );
}
