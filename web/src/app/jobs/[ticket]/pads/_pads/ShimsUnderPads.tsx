'use client';

import { adviceWords, padsDownTheTube, parseNumber, printFigure, stateOf, turnShims, type Shim } from '@holotonos/core';
import { Link } from '@/ui/Link';
import { useState } from 'react';
import { useJob } from '@/job/JobContext';
import { Button } from '@/ui/bootstrap';
import { ChoiceField, Problem, TextField } from '@/ui/fields';
import { PickCell } from '@/ui/PickCell';
import { StateMark } from '@/ui/StateMark';

/** The stack of shims in words: clock and thickness, one after the other. */
const shimText = (shims: readonly Shim[], print: (mm: number) => string) =>
  [...shims]
    .sort((a, b) => a.clock - b.clock)
    .map(({ clock, thickness }) => `${clock}° ${print(thickness)}`)
    .join(' · ');

/** The dry pads: what the last look asks for, what lies under each, and a second look after it. */
export function ShimsUnderPads({ here, onGo }: { here: string | null; onGo: (hole: string) => void }) {
  const { ticket, type, state, judgement, shop, names, write } = useJob();
  const [clock, setClock] = useState('0');
  const [thickness, setThickness] = useState(String(shop.sizes.shims[0] ?? ''));
  const [turned, setTurned] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const pads = padsDownTheTube(type).filter(({ hold }) => hold !== 'adhesive');
  const pad = pads.find(({ hole }) => hole === here) ?? pads[0];
  if (!pad) return <p>No pad of this instrument lies dry.</p>;
  const print = (mm: number) => printFigure(mm, state.unit);
  const { hole } = pad;
  const seat = judgement.pads.get(hole)?.seat ?? null;
  const under = state.shims.get(hole)?.shims ?? [];
  const name = names.get(hole) ?? hole;
  const widest = (part: string): string => {
    const gaps = judgement.pads.get(part)?.points.flatMap(({ mean }) => (mean === null ? [] : [mean])) ?? [];
    return gaps.length > 0 ? print(Math.max(...gaps)) : '';
  };
  const lay = (shims: readonly Shim[]) => {
    setProblem(null);
    write('shims', {
      part: hole,
      shims: shims.map((shim) => ({ clock: shim.clock % 360, thickness: shim.thickness })),
    });
  };
  /** What the solver asks for lies on what is there already: pieces at one clock are one pile. */
  const advised = (): Shim[] => {
    const piles = new Map(under.map((shim) => [shim.clock, shim.thickness]));
    for (const shim of seat?.shims ?? [])
      piles.set(shim.clock % 360, (piles.get(shim.clock % 360) ?? 0) + shim.thickness);
    return [...piles].map(([at, thick]) => ({ clock: at, thickness: Math.round(thick * 1000) / 1000 }));
  };
  const add = () => {
    const [at, thick] = [parseNumber(clock), parseNumber(thickness)];
    if (at === null || at < 0 || at >= 360) return setProblem('A clock is 0 to 359 degrees.');
    if (thick === null || thick <= 0) return setProblem('Choose how thick it is.');
    lay([...under.filter((shim) => shim.clock !== at), { clock: at, thickness: thick }]);
  };
  const turn = () => {
    const by = parseNumber(turned);
    if (by === null || by < -360 || by > 360) return setProblem('Turned: type degrees, clockwise more than 0.');
    setProblem(null);
    if (write('shims', { part: hole, shims: turnShims(under, by), turned: by })) setTurned('');
  };
  return (
    <div className="shims">
      <div className="scroll-x">
        <table className="readings">
          <caption className="visually-hidden">Dry pads</caption>
          <thead>
            <tr>
              <th scope="col">Pad</th>
              <th scope="col">Seals</th>
              <th scope="col" className="num">
                Widest, {state.unit}
              </th>
              <th scope="col">Shims under it</th>
            </tr>
          </thead>
          <tbody>
            {pads.map(({ hole: each }) => (
              <tr key={each} className={each === hole ? 'here' : undefined}>
                <PickCell here={each === hole} onPick={() => onGo(each)}>
                  {names.get(each) ?? each}
                </PickCell>
                <td>
                  <StateMark state={stateOf(judgement, 'pad', each) ?? 'unmeasured'} />
                </td>
                <td className="num">{widest(each)}</td>
                <td>{shimText(state.shims.get(each)?.shims ?? [], print)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      <section className="sheet" aria-label={`Shims under ${name}`}>
        <h2>{name}</h2>
        {seat ? (
          <>
            <p className="mb-1">
              <strong>{adviceWords[seat.advice]}</strong>
            </p>
            {seat.shims.length > 0 && (
              <p>
                More at {shimText(seat.shims, print)} {state.unit}: that would leave {print(seat.predictedMaxGap)}.{' '}
                <Button onClick={() => lay(advised())}>They are in</Button>
              </p>
            )}
          </>
        ) : (
          <p>
            {under.length > 0
              ? 'Shims were laid since it was looked at: look again. '
              : 'Nobody has read it all round. '}
            <Link href={`/jobs/${ticket}/measure?group=pad&part=${hole}`}>Read it round the clock</Link>, or{' '}
            <Link href={`/jobs/${ticket}/look?group=pad&part=${hole}`}>look it over</Link>.
          </p>
        )}
        <p className="soft">
          Sectors of film or paper under the side that is late, a trace of water-soluble glue, no heat and no other
          adhesive. The {pad.hold === 'screw' ? 'screw' : 'grommet'} just rests on the pad.
        </p>
        <p className="mb-2">
          Under it: {under.length > 0 ? `${shimText(under, print)} ${state.unit}` : 'nothing'}
          {under.length > 0 && (
            <Button variant="quiet" className="ms-2" onClick={() => lay([])}>
              All out
            </Button>
          )}
        </p>
        <div className="d-flex flex-wrap gap-2 align-items-end">
          <TextField label="One more at, °" className="short-figure" inputMode="numeric" value={clock} set={setClock} />
          <ChoiceField
            label="Thick"
            name="thick"
            value={thickness}
            set={setThickness}
            choices={shop.sizes.shims.map((size) => [String(size), `${print(size)} ${state.unit}`])}
          />
          <Button variant="quiet" onClick={add}>
            Lay it
          </Button>
          {under.length > 0 && (
            <>
              <TextField
                label="Pad turned by, °"
                className="short-figure"
                inputMode="numeric"
                value={turned}
                set={setTurned}
              />
              <Button variant="quiet" disabled={turned.trim() === ''} onClick={turn}>
                Its shims went with it
              </Button>
            </>
          )}
        </div>
        <Problem problem={problem} />
      </section>
    </div>
  );
}
