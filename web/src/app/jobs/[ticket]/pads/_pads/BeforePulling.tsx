'use client';

import {
  gaugeOfReading,
  gaugesFor,
  padConditionWords,
  padConditions,
  padHolds,
  padResonators,
  resonatorOf,
  padsDownTheTube,
  parseNumber,
  pointKey,
  printFigure,
  usualOf,
  type InstrumentType,
  type Measure,
  type PadCondition,
} from '@holotonos/core';
import { useId, useState } from 'react';
import { readFigure } from '@/figure/groups';
import { usePageKeys } from '@/frame/keysHere';
import { pageKeys } from '@/frame/pageKeys';
import { useJob } from '@/job/JobContext';
import { Button, Form } from '@/ui/bootstrap';
import { ChoiceField, figureField, TextField } from '@/ui/fields';
import { useWrongField } from '@/ui/useWrongField';
import { PickCell } from '@/ui/PickCell';

type Pad = InstrumentType['pads'][number];

const figures = [
  ['stand', 'Stands'],
  ['setter', 'Screw or grommet'],
  ['cup', 'Cup across'],
  ['cup-depth', 'Cup deep'],
] as const satisfies readonly (readonly [Measure, string])[];
type Figure = (typeof figures)[number][0];

const point = (part: string, measure: Measure) => ({ group: 'pad', part, measure, clock: 0 }) as const;

const clockField = { inputMode: 'numeric', autoComplete: 'off' } as const;

/** What a part that goes back turned has lost. */
const turnedWords: Record<Pad['hold'], string> = {
  adhesive: 'Turned, its ring no longer lies on the rim it was pressed into: it leaks until it is seated anew.',
  screw: 'Turned, its ring misses the rim and every shim lies at another clock: what was level is not.',
  grommet:
    'Turned, its ring misses the rim and its shims lie elsewhere; a grommet that goes back turned bears on another spot of the skin and pulls it askew.',
};

/** A clock as it was typed; undefined where nothing was, null where it is none. */
function readClock(text: string): number | null | undefined {
  if (text.trim() === '') return undefined;
  const clock = parseNumber(text.replace('°', ''));
  return clock !== null && clock >= 0 && clock < 360 ? clock : null;
}

/** What a pad may carry, short enough for its field. */
const carried = { disc: 'a disc', snap: 'snap-fit', none: 'nothing' } as const;

function Line({ pad, onDone, onMove }: { pad: Pad; onDone: () => void; onMove: (by: 1 | -1) => void }) {
  const { state, shop, names, write } = useJob();
  const id = useId();
  const seen = state.observations.get(`fit:${pad.hole}`);
  const [text, setText] = useState<Readonly<Partial<Record<Figure, string>>>>({});
  const [hold, setHold] = useState(seen?.hold ?? pad.hold);
  const [resonator, setResonator] = useState(resonatorOf(state, pad));
  const [condition, setCondition] = useState<PadCondition | ''>(seen?.condition ?? '');
  const [mark, setMark] = useState(seen?.mark === undefined ? '' : String(seen.mark));
  const [setterMark, setSetterMark] = useState(seen?.setterMark === undefined ? '' : String(seen.setterMark));
  const [reuse, setReuse] = useState(seen?.reuse ?? false);
  const wrong = useWrongField();
  const asked = figures.filter(([measure]) => measure !== 'setter' || hold !== 'adhesive');
  const known = (measure: Figure) => state.points.get(pointKey(point(pad.hole, measure)))?.readings.at(-1);
  const submit = () => {
    const readings: { measure: Figure; value: number; typed: string }[] = [];
    for (const [measure] of asked) {
      const typed = text[measure]?.trim() ?? '';
      if (typed === '') continue;
      const read = readFigure(typed, measure, state.unit);
      if (!read.ok) return wrong.say(measure, read.problem);
      readings.push({ measure, value: read.value, typed });
    }
    const [clock, setter] = [readClock(mark), hold === 'adhesive' ? undefined : readClock(setterMark)];
    if (clock === null) return wrong.say('mark', 'A clock is 0 to 359 degrees.');
    if (setter === null) return wrong.say('setterMark', 'A clock is 0 to 359 degrees.');
    for (const { measure, value, typed } of readings) {
      const gauge = usualOf(gaugesFor(shop, measure), measure);
      if (!gauge) return wrong.say(measure, 'No gauge on the shelf takes this.');
      if (!write('reading', { point: point(pad.hole, measure), value, typed, gauge: gaugeOfReading(gauge) })) return;
    }
    const written = write('observation', {
      part: pad.hole,
      about: 'fit',
      hold,
      resonator,
      reuse,
      ...(condition !== '' && { condition }),
      ...(clock !== undefined && { mark: clock }),
      ...(setter !== undefined && { setterMark: setter }),
    });
    if (!written) return;
    wrong.sayNothing();
    onDone();
  };
  return (
    <form
      className="pad-line"
      aria-label={`Before the pad of ${names.get(pad.hole) ?? pad.hole} comes out`}
      onSubmit={(event) => {
        event.preventDefault();
        submit();
      }}
      onKeyDown={(event) => {
        if (event.key !== 'PageDown' && event.key !== 'PageUp') return;
        event.preventDefault();
        onMove(event.key === 'PageDown' ? 1 : -1);
      }}
    >
      <h2>{names.get(pad.hole) ?? pad.hole}</h2>
      <div className="pad-fields">
        <ChoiceField
          label="Held by"
          name="hold"
          value={hold}
          set={setHold}
          choices={padHolds.map((each) => [each, each])}
        />
        <ChoiceField
          label="Carries"
          name="resonator"
          value={resonator}
          set={setResonator}
          choices={padResonators.map((each) => [each, carried[each]])}
        />
        {asked.map(([measure, label], i) => (
          <TextField
            key={measure}
            label={`${label}, ${state.unit}`}
            {...figureField}
            // The walk is one line a pad: the next line is typed into at once.
            autoFocus={i === 0}
            placeholder={known(measure) ? printFigure(known(measure)?.value ?? 0, state.unit) : ''}
            value={text[measure] ?? ''}
            set={(typed) => setText((before) => ({ ...before, [measure]: typed }))}
            wrongBy={wrong.wrongBy(measure)}
          />
        ))}
        <ChoiceField
          label="The pad is"
          name="condition"
          value={condition}
          set={setCondition}
          choices={[['', '–'], ...padConditions.map((each) => [each, padConditionWords[each]] as const)]}
        />
        <TextField label="Its scratch, °" {...clockField} value={mark} set={setMark} wrongBy={wrong.wrongBy('mark')} />
        {hold !== 'adhesive' && (
          <TextField
            label={hold === 'screw' ? 'Washer’s, °' : 'Grommet’s, °'}
            {...clockField}
            value={setterMark}
            set={setSetterMark}
            wrongBy={wrong.wrongBy('setterMark')}
          />
        )}
        <Form.Check
          id={`${id}-reuse`}
          type="checkbox"
          label="Goes back"
          checked={reuse}
          onChange={(event) => setReuse(event.target.checked)}
        />
        <Button type="submit">Write it, next</Button>
      </div>
      {wrong.line}
      {(reuse || hold !== 'adhesive') && <p className="soft mb-0">{turnedWords[hold]}</p>}
    </form>
  );
}

/** One walk down the tube, one line a pad: what has to be known of it before it comes out. */
export function BeforePulling({ here, onGo }: { here: string | null; onGo: (hole: string) => void }) {
  const { type, state, names } = useJob();
  usePageKeys(pageKeys.beforePulling.keys);
  const pads = padsDownTheTube(type);
  const unwritten = pads.findIndex(({ hole }) => !state.observations.has(`fit:${hole}`));
  const asked = pads.findIndex(({ hole }) => hole === here);
  const at = asked >= 0 ? asked : Math.max(0, unwritten);
  const pad = pads[at];
  const move = (by: 1 | -1) => {
    const next = pads[Math.min(pads.length - 1, Math.max(0, at + by))];
    if (next) onGo(next.hole);
  };
  if (!pad) return <p>This instrument has no pads.</p>;
  const figure = (hole: string, measure: Measure) => {
    const last = state.points.get(pointKey(point(hole, measure)))?.readings.at(-1);
    return last ? printFigure(last.value, state.unit) : '';
  };
  return (
    <>
      <Line key={pad.hole} pad={pad} onDone={() => move(1)} onMove={move} />
      <div className="scroll-x">
        <table className="readings pads-table">
          <caption className="visually-hidden">Pads before they come out</caption>
          <thead>
            <tr>
              <th scope="col">Pad</th>
              <th scope="col">Held by</th>
              {figures.map(([measure, label]) => (
                <th key={measure} scope="col" className="num">
                  {label}, {state.unit}
                </th>
              ))}
              <th scope="col">It is</th>
              <th scope="col">Scratches</th>
              <th scope="col">Then</th>
            </tr>
          </thead>
          <tbody>
            {pads.map(({ hole, hold }, i) => {
              const seen = state.observations.get(`fit:${hole}`);
              return (
                <tr key={hole} className={i === at ? 'here' : undefined}>
                  <PickCell here={i === at} onPick={() => onGo(hole)}>
                    {names.get(hole) ?? hole}
                  </PickCell>
                  <td>{seen?.hold ?? hold}</td>
                  {figures.map(([measure]) => (
                    <td key={measure} className="num">
                      {figure(hole, measure)}
                    </td>
                  ))}
                  <td>{seen?.condition ? padConditionWords[seen.condition] : ''}</td>
                  <td>
                    {[seen?.mark, seen?.setterMark]
                      .filter((clock) => clock !== undefined)
                      .map((clock) => `${clock}°`)
                      .join(', ')}
                  </td>
                  <td>{seen?.reuse === undefined ? '' : seen.reuse ? 'goes back' : 'is renewed'}</td>
                </tr>
              );
            })}
          </tbody>
        </table>
      </div>
    </>
  );
}
