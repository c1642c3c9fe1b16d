import { PitchDetector } from 'pitchy';

/** One look at the sound: what is heard in it, and how surely it is one note. */
export interface Look {
  /** Hz */
  frequency: number;
  /** 0 to 1: how alike one period is to the next */
  clarity: number;
  /** root of the mean square, of full scale */
  level: number;
}

/** Samples one look takes: five periods of the lowest note of the largest instrument at 48 kHz. */
export const lookLength = 4096;
/** Looks overlap by half: what begins in one is whole in the next. */
export const lookStep = lookLength / 2;

/**
 * Over so many samples the sound is smoothed before its period is sought. A period of a dozen samples has its peak
 * between two of them; without its highest partials the peak is broad enough to be found, and is not passed over for the
 * one after it, an octave lower.
 */
const smoothing = 4;

let kept: { detector: PitchDetector<Float32Array>; smooth: Float32Array } | null = null;

/**
 * What is heard in one look (McLeod's normalised square difference, by a kept package).
 *
 * @param samples `lookLength` of them, −1 to 1
 * @param rate samples a second
 */
export function hear(samples: Float32Array, rate: number): Look {
  kept ??= { detector: PitchDetector.forFloat32Array(lookLength), smooth: new Float32Array(lookLength) };
  const { detector, smooth } = kept;
  let sum = 0;
  let square = 0;
  for (let i = 0; i < lookLength; i += 1) {
    const now = samples[i] ?? 0;
    sum += now - (samples[i - smoothing] ?? 0);
    square += now * now;
    smooth[i] = sum / smoothing;
  }
  const [frequency, clarity] = detector.findPitch(smooth, rate);
  return { frequency, clarity, level: Math.sqrt(square / lookLength) };
}
