'use client';

import { centsText, fingeringWords, whichNote, type Fingering } from '@holotonos/core';
import type { SteadyNote } from '@holotonos/core/listening';
import { useId } from 'react';
import { Button, Form } from '@/ui/bootstrap';
import { tenth } from './lifts';
import { useRecording } from './useRecording';

/** Notes of a recording, to be taken all at once. */
export function Recording({
  compass,
  onTake,
}: {
  compass: readonly Fingering[];
  onTake: (notes: [Fingering, number, SteadyNote][]) => void;
}) {
  const recording = useRecording();
  const id = useId();
  const { notes, progress, problem, name } = recording;
  const named = (notes ?? []).map((note) => ({ note, as: whichNote(note.frequency, compass) }));
  const known = named.flatMap(({ note, as }): [Fingering, number, SteadyNote][] =>
    as ? [[as.fingering, as.cents, note]] : [],
  );
  return (
    <div
      onDragOver={(event) => event.preventDefault()}
      onDrop={(event) => {
        event.preventDefault();
        const [file] = event.dataTransfer.files;
        if (file) recording.take(file);
      }}
    >
      <Form.Label htmlFor={`${id}-file`}>A recording of the notes, WAV; dropped here or chosen</Form.Label>
      <Form.Control
        id={`${id}-file`}
        type="file"
        accept="audio/*,.wav"
        onChange={(event) => {
          const input = event.target as HTMLInputElement;
          const [file] = input.files ?? [];
          if (file) recording.take(file);
          input.value = '';
        }}
      />
      {progress !== null && (
        <div className="mt-2">
          <progress max={1} value={progress} aria-label="Going through the recording" />{' '}
          <Button variant="quiet" onClick={recording.stop}>
            Stop
          </Button>
        </div>
      )}
      {problem && (
        <p className="say fault mt-2 mb-0" role="alert">
          {problem}
        </p>
      )}
      {notes && (
        <div className="mt-2">
          <p className="mb-1">
            {name}: {notes.length} {notes.length === 1 ? 'note' : 'notes'} held
            {known.length < notes.length && `, ${notes.length - known.length} far from every name`}.
          </p>
          <ol className="recorded">
            {named.map(({ note, as }) => (
              <li key={note.from}>
                {as
                  ? `${fingeringWords(as.fingering)} ${centsText(tenth(as.cents))} ¢`
                  : `${note.frequency.toFixed(1)} Hz`}{' '}
                <span className="soft">
                  ± {note.uncertainty.toFixed(1)}, held {note.seconds.toFixed(1)} s
                </span>
              </li>
            ))}
          </ol>
          <Button
            disabled={known.length === 0}
            onClick={() => {
              onTake(known);
              recording.clear();
            }}
          >
            Take {known.length} {known.length === 1 ? 'note' : 'notes'}
          </Button>
        </div>
      )}
    </div>
  );
}
