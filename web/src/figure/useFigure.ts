'use client';

import {
  gaugeOfReading,
  gaugesFor,
  unitOfMeasure,
  usualOf,
  type GaugeReading,
  type KeptGauge,
  type Measure,
  type MeasuringPoint,
} from '@holotonos/core';
import { useEffect, useRef, useState, type RefObject } from 'react';
import { v4 as newId } from 'uuid';
import { useJob } from '@/job/JobContext';
import { useGauges, type GaugesNow } from './useGauges';
import { readFigure } from './groups';

/** The air of the room as it was last written down, kept in this browser. */
interface Air {
  temperature: number | null;
  humidity: number | null;
}
const noAir: Air = { temperature: null, humidity: null };
const airKey = 'holotonos-air';

export interface Figure {
  /** what was wrong with what was typed */
  problem: string | null;
  /** what stands in the field was changed by hand */
  edited: () => void;
  /** what a device said that was not taken, or that was */
  said: string;
  say: (words: string) => void;
  gauge: KeptGauge | null;
  /** gauges of the shop that can take what is asked */
  choices: KeptGauge[];
  setGauge: (id: string) => void;
  take: () => void;
  /** how many have been taken since the page was opened */
  taken: number;
  devices: GaugesNow | null;
  /** does the air of the room bear on what is asked? */
  asksAir: boolean;
  air: Air;
  setAir: (air: Air) => void;
  /** the token under which the devices know of what is asked; empty until they do */
  aimed: string;
}

/**
 * One figure after the other for the points a page asks for: typed, or sent by a device that was pointed at this very
 * point. A figure from a device is taken only when it answers what is asked now.
 *
 * @param inputRef the field: what is being typed lives in it alone, so that a key draws nothing anew
 */
export function useFigure(
  point: MeasuringPoint | null,
  inputRef: RefObject<HTMLInputElement | null>,
  onTaken: (point: MeasuringPoint) => void,
): Figure {
  const { ticket, type, state, shop, write } = useJob();
  const [problem, setProblem] = useState<string | null>(null);
  const [said, setSaid] = useState('');
  const [chosen, setChosen] = useState<Partial<Record<Measure, string>>>({});
  const [aimed, setAimed] = useState('');
  /** figures taken here: a repeat at the same point asks anew */
  const [taken, setTaken] = useState(0);
  const [air, setAirState] = useState<Air>(noAir);
  const measure = point?.measure ?? 'gap';
  const own = unitOfMeasure(measure);
  const choices = gaugesFor(shop, measure);
  const gauge = choices.find(({ id }) => id === chosen[measure]) ?? usualOf(choices, measure);
  const asksAir = type.body === 'wood' || point?.group === 'pitch';

  useEffect(() => {
    try {
      const kept = JSON.parse(localStorage.getItem(airKey) ?? 'null') as Air | null;
      // What this browser remembers is only known once it runs here.
      // oxlint-disable-next-line react/set-state-in-effect
      if (kept) setAirState({ ...noAir, ...kept });
    } catch {
      // A damaged note of the air is no note.
    }
  }, []);
  const setAir = (next: Air) => {
    setAirState(next);
    localStorage.setItem(airKey, JSON.stringify(next));
  };

  const put = (value: number, typed: string, with_: KeptGauge) => {
    if (!point) return;
    const { temperature, humidity } = air;
    const written = write('reading', {
      point,
      value,
      typed,
      gauge: gaugeOfReading(with_),
      ...(asksAir && temperature !== null && { temperature }),
      ...(asksAir && humidity !== null && { humidity }),
    });
    if (!written) return;
    setProblem(null);
    if (inputRef.current) inputRef.current.value = '';
    setSaid(`${typed} taken`);
    setTaken((count) => count + 1);
    onTaken(point);
  };

  const take = () => {
    const text = inputRef.current?.value ?? '';
    if (!point) return;
    const parsed = readFigure(text, measure, state.unit, gauge?.scale);
    if (!parsed.ok) return setProblem(parsed.problem);
    if (!gauge) return setProblem('No gauge of the shop takes this: put one in on the Shop page.');
    put(parsed.value, text.trim(), gauge);
  };

  // Each point asked for gets a token of its own; a device that was pointed at it sends the token back.
  const token = useRef('');
  /** aims go out one after the other, so that none arrives after a newer one */
  const aiming = useRef(Promise.resolve());
  const hear = (reading: GaugeReading) => {
    if (reading.unit === '%') return setAir({ ...air, humidity: reading.value });
    if (reading.unit === '°C') return setAir({ ...air, temperature: reading.value });
    const says = `${reading.name} says ${reading.shown}`;
    const kept = choices.find(({ id }) => id === reading.gauge) ?? choices.find(({ kind }) => kind === reading.kind);
    if (!point) return setSaid(`${says}, but nothing is asked for. It was not taken.`);
    if (!kept || reading.unit !== own) return setSaid(`${says}, which is not what is asked here. It was not taken.`);
    if (reading.aim === null ? !document.hasFocus() : reading.aim !== token.current)
      return setSaid(`${says}, but for another place. It was not taken: press again.`);
    // The next figure must answer the next point, even before the page has drawn it.
    token.current = '';
    put(reading.value, reading.shown, kept);
  };
  const devices = useGauges(hear);
  const listening = (devices?.connected ?? 0) > 0;
  const pointText = point && JSON.stringify(point);
  const asked = `${pointText} ${taken}`;
  useEffect(() => {
    if (!listening || pointText === null) return;
    const next = newId();
    token.current = next;
    const aim = async () => {
      // One that has been overtaken is not sent: the device must end with the newest.
      if (token.current !== next) return;
      await fetch('/api/v1/gauges/aim', {
        method: 'POST',
        headers: { 'Content-Type': 'application/json' },
        body: JSON.stringify({ ticket, token: next, point: JSON.parse(pointText) as MeasuringPoint }),
      }).then(
        ({ ok }) => ok && token.current === next && setAimed(next),
        () => undefined,
      );
    };
    aiming.current = aiming.current.then(aim);
    // The same point asked again later is another question: devices still hold the token of whatever came between.
    return () => setAimed('');
    // What others write meanwhile changes nothing of what is asked: a device that was pressed must still be heard.
  }, [listening, pointText, ticket, asked]);

  return {
    problem,
    edited: () => {
      if (problem !== null) setProblem(null);
    },
    said,
    say: setSaid,
    gauge,
    choices,
    setGauge: (id) => {
      setChosen((now) => ({ ...now, [measure]: id }));
      inputRef.current?.focus();
    },
    take,
    taken,
    devices,
    asksAir,
    air,
    setAir,
    aimed,
  };
}
