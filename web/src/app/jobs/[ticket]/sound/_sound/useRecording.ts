'use client';

import type { SteadyNote } from '@holotonos/core/listening';
import { proxy } from 'comlink';
import { useEffect, useState } from 'react';
import { solverThread } from '@/workers/solverThread';

/** Recordings are gone through at this rate, samples a second. */
const rate = 48_000;
/** A quarter of an hour of one channel; nobody plays a scale for longer. Bytes. */
const mostBytes = 90 * 1024 * 1024;

export interface Recording {
  /** notes of the recording in their order; null before there is one */
  notes: SteadyNote[] | null;
  name: string;
  /** 0 to 1 while it is gone through */
  progress: number | null;
  problem: string | null;
  take: (file: File) => void;
  stop: () => void;
  clear: () => void;
}

/** Notes held in a recording that somebody has dropped in. It is gone through here and sent nowhere. */
export function useRecording(): Recording {
  const [found, setFound] = useState<{ notes: SteadyNote[]; name: string } | null>(null);
  const [progress, setProgress] = useState<number | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const stop = () => void solverThread().solver.stop('notesIn');
  useEffect(() => stop, []);
  const take = (file: File) => {
    setFound(null);
    setProblem(null);
    if (file.size > mostBytes)
      return setProblem('That is more than a quarter of an hour of sound. Cut it, and drop it in again.');
    setProgress(0);
    const listen = async () => {
      const context = new OfflineAudioContext(1, 1, rate);
      const sound = await context.decodeAudioData(await file.arrayBuffer());
      // One microphone is enough: the second channel of a recording hears the same note.
      const samples = sound.getChannelData(0);
      return solverThread().solver.notesIn(
        samples,
        sound.sampleRate,
        proxy((part) => setProgress(part)),
      );
    };
    listen().then(
      (notes) => {
        setProgress(null);
        if (notes === null) return setProblem('Stopped. Nothing was taken.');
        if (notes.length === 0)
          return setProblem(`Nothing in ${file.name} is held for as long as a note must be, half a second.`);
        setFound({ notes, name: file.name });
      },
      () => {
        setProgress(null);
        setProblem(`${file.name} is no recording this browser can read. WAV is read everywhere.`);
      },
    );
  };
  return {
    notes: found?.notes ?? null,
    name: found?.name ?? '',
    progress,
    problem,
    take,
    stop,
    clear: () => setFound(null),
  };
}
