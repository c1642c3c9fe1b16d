'use client';

import {
  compassOf,
  heightsOf,
  leaksOf,
  placesOf,
  soundOf,
  wallOf,
  type Fingering,
  type KnownLeak,
  type LeakyJob,
  type NoteLoss,
  type Slit,
  type Suspect,
} from '@holotonos/core';
import { proxy } from 'comlink';
import { useEffect, useMemo, useState } from 'react';
import { useJob } from '@/job/JobContext';
import type { SoundOf } from '@/workers/solver.worker';
import { solverThread } from '@/workers/solverThread';

/** What the leaks of this job do to its notes, and what would explain how they came out. */
export interface Sound {
  /** what the model is asked of; null where nobody has said how the instrument is blown */
  of: SoundOf | null;
  compass: readonly Fingering[] | null;
  leaks: KnownLeak[];
  /** all leaks together, by note; null while it is worked out */
  together: NoteLoss[] | null;
  /** each leak alone, in their order; null while it is worked out */
  alone: NoteLoss[][] | null;
  suspects: Suspect[];
  /** 0 to 1 while suspects are worked out */
  progress: number | null;
}

/** What the model is asked of: the tube as it is known, its notes and its walls; null where it has none. */
function useSoundOf(known: LeakyJob): SoundOf | null {
  const { type } = useJob();
  return useMemo(() => {
    const walls = wallOf(type, known);
    const tube = soundOf(type, heightsOf(known, type), walls);
    return tube && { tube, compass: compassOf(type), wall: walls.map(({ id }) => id) };
  }, [type, known]);
}

/** As much of the job as bears on its leaks: other entries change nothing of it. */
function useKnown(): LeakyJob {
  const { points, ticks, observations, operations, byId, practice, tolerances, passes, findings } = useJob().state;
  return useMemo(
    () => ({ points, ticks, observations, operations, byId, practice, tolerances, passes, findings }),
    // Entries by id grow with each entry; what is asked of them hangs on the operations alone.
    // oxlint-disable-next-line react/exhaustive-deps
    [points, ticks, observations, operations, practice, tolerances, passes, findings],
  );
}

/** What some leaks do, and which they were: an older answer stands until the newer one is there. */
interface Losses {
  leaks: readonly Leak[];
  together: NoteLoss[];
  /** each leak alone, in their order */
  alone: NoteLoss[][];
}
type Leak = Pick<KnownLeak, 'id' | 'slit'>;

/** What leaks do to every note, asked off the page’s own thread; the newest question wins. Null before the first answer. */
function useLeaksByNote(of: SoundOf | null, leaks: readonly Leak[] | null): Losses | null {
  const [losses, setLosses] = useState<Losses | null>(null);
  useEffect(() => {
    if (!of || !leaks) return;
    let overtaken = false;
    void solverThread()
      .solver.leaksByNote(
        of,
        leaks.map(({ id, slit }) => [id, slit]),
      )
      .then(
        (answer) => !overtaken && setLosses({ leaks, ...answer }),
        () => undefined,
      );
    return () => {
      overtaken = true;
    };
  }, [of, leaks]);
  return losses;
}

/** What one place would do to each note, as it leaks or as if it did; null while nothing is chosen or it is worked out. */
export function useLossesOf({ of }: Sound, place: string | null, slit: Slit | null): NoteLoss[] | null {
  const leaks = useMemo(() => (place === null || !slit ? null : [{ id: place, slit }]), [place, slit]);
  const losses = useLeaksByNote(of, leaks);
  return leaks && losses?.leaks[0]?.id === place ? losses.together : null;
}

/** The sound of this job’s instrument, worked out off the page’s own thread. */
export function useSound(): Sound {
  const { type, state } = useJob();
  const { played } = state;
  const known = useKnown();
  const leaks = useMemo(() => leaksOf(known, type), [known, type]);
  const places = useMemo(() => placesOf(known, type, leaks), [known, type, leaks]);
  const of = useSoundOf(known);
  const losses = useLeaksByNote(of, leaks);
  const [suspects, setSuspects] = useState<Suspect[]>([]);
  const [progress, setProgress] = useState<number | null>(null);

  useEffect(() => {
    if (!of) return;
    // What was played before something was worked on says nothing of how it is now.
    const heard = [...played].flatMap(([id, { heard: as, stale }]) => (stale ? [] : [[id, as] as [string, typeof as]]));
    if (heard.every(([, as]) => as === 'clear')) {
      // Nothing to explain; what was suspected before is no more.
      // oxlint-disable-next-line react/set-state-in-effect
      setSuspects([]);
      return;
    }
    let overtaken = false;
    const { solver } = solverThread();
    void solver
      .suspects(
        of,
        places,
        heard,
        proxy(({ place, places: all }) => !overtaken && setProgress(place / all)),
      )
      .then(
        (answer) => {
          if (overtaken) return;
          setProgress(null);
          if (answer) setSuspects(answer);
        },
        () => undefined,
      );
    return () => {
      overtaken = true;
      void solver.stop('suspects');
    };
  }, [of, places, played]);

  return {
    of,
    compass: of?.compass ?? null,
    leaks,
    together: losses?.together ?? null,
    alone: losses?.leaks === leaks ? losses.alone : null,
    suspects,
    progress,
  };
}
