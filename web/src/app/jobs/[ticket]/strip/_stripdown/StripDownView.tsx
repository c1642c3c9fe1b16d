'use client';

import {
  homeMadeId,
  jobAssembly,
  nextCell,
  placeWords,
  stripOrder,
  type AssemblyLine,
  type EntryKind,
  type OffPart,
} from '@holotonos/core';
import { useSearchParams } from 'next/navigation';
import { useEffect, useMemo, useRef, useState } from 'react';
import { usePageKeys } from '@/frame/keysHere';
import { pageKeys } from '@/frame/pageKeys';
import { Button } from '@/ui/bootstrap';
import { useJob } from '@/job/JobContext';
import { Bands } from '@/job/JobShell';
import { useStripControl } from '@/tube/StripControl';
import { Board } from './Board';
import { NameOff } from './NameOff';
import { PartDetails } from './PartDetails';
import { Soaks } from './SoakPanel';
import { BoardSize } from './BoardSize';
import { PartList, type Line } from './PartList';

/** What one press does at the strip-down, and strikes again. */
const moves: ReadonlySet<EntryKind> = new Set(['part-off', 'part-on', 'named-off']);

const toLine = ({ part, name, where, cell, reasons, missing }: AssemblyLine): Line => ({
  part,
  name,
  words: placeWords({ where, cell }),
  why: [...(missing ? [missing] : []), ...reasons.map((reason) => `Later than backwards: ${reason}.`)],
  missing: missing !== null,
});

/** The strip shows what is off, and goes to the parts that come off. */
function useChosenOnStrip(here: string | null, off: ReadonlyMap<string, OffPart>, onPick: (part: string) => void) {
  const control = useMemo(
    () => ({
      targets: ['keys', 'rods', 'fittings'] as const,
      here,
      onPick,
      isOff: (part: string) => off.has(part),
    }),
    [here, off, onPick],
  );
  useStripControl(control);
}

/** Taking apart and putting together: what comes off next and where it goes, and the way back. */
export function StripDownView() {
  const { ticket, type, state, names, write } = useJob();
  const query = useSearchParams();
  const [mode, setMode] = useState<'off' | 'on'>(query.get('mode') === 'on' ? 'on' : 'off');
  const [wanted, setWanted] = useState<string | null>(query.get('part'));
  usePageKeys(pageKeys.stripDown.keys);

  const assembly = useMemo(() => jobAssembly(state), [state]);
  const still = useMemo(() => stripOrder(type).filter(({ id }) => !state.off.has(id)), [type, state.off]);
  const lines: Line[] =
    mode === 'off'
      ? still.map(({ id, name, kind, keepApart }) => ({
          part: id,
          name,
          words: kind === 'key' || name.toLowerCase().includes(kind) ? '' : kind,
          why: keepApart?.startsWith('Cylinder') ? [keepApart] : [],
          missing: false,
        }))
      : assembly.lines.map(toLine);
  const known = wanted !== null && (state.off.has(wanted) || still.some(({ id }) => id === wanted));
  const chosen = known ? wanted : (lines[0]?.part ?? null);
  const place = nextCell(state);

  /** The line after this one becomes the next to do. */
  const stepOn = (part: string) => {
    const at = lines.findIndex((line) => line.part === part);
    setWanted((lines[at + 1] ?? lines[at - 1])?.part ?? null);
  };
  const takeOff = (part: string) => {
    if (!still.some(({ id }) => id === part)) return;
    const where = place === null ? ({ where: 'bag' } as const) : ({ where: 'board', cell: place } as const);
    if (write('part-off', { part, ...where })) stepOn(part);
  };
  const putOn = (part: string) => {
    if (state.off.has(part) && write('part-on', { part })) stepOn(part);
  };
  const nameField = useRef<HTMLInputElement>(null);
  const nameIt = () => {
    setMode('off');
    // The field may only come up with this.
    requestAnimationFrame(() => nameField.current?.focus());
  };
  const undo = () => {
    const last = state.entries.findLast(({ id, kind }) => moves.has(kind) && !state.struck.has(id));
    if (!last || !write('strike', { entry: last.id, reason: 'undone at the strip-down' })) return;
    // It is the next again.
    if (last.kind === 'part-off' || last.kind === 'part-on') setWanted(last.body.part);
  };

  useChosenOnStrip(chosen, state.off, setWanted);

  // Where nothing is known yet, naming is what one came for.
  const unknown = type.id === homeMadeId;
  useEffect(() => {
    if (unknown && mode === 'off') nameField.current?.focus({ preventScroll: true });
  }, [unknown, mode]);
  const list = useRef<HTMLDivElement>(null);
  const doing = mode === 'off' ? takeOff : putOn;
  const chosenLine = lines.find(({ part }) => part === chosen);
  const work = (
    <div className="strip-down">
      <div ref={list}>
        <div className="d-flex gap-2 mb-2" role="group" aria-label="Which way">
          <Button
            variant={mode === 'off' ? 'primary' : 'quiet'}
            aria-pressed={mode === 'off'}
            onClick={() => setMode('off')}
          >
            Take apart
          </Button>
          <Button
            variant={mode === 'on' ? 'primary' : 'quiet'}
            aria-pressed={mode === 'on'}
            onClick={() => setMode('on')}
          >
            Put together
          </Button>
        </div>
        {mode === 'on' &&
          assembly.contradictions.map(({ circle, reasons, setAside }) => (
            <div key={circle.join()} className="say fault mb-2" role="alert">
              <strong>These cannot all be true:</strong>
              <ul className="mb-1">
                {reasons.map((reason) => (
                  <li key={reason}>{reason}</li>
                ))}
              </ul>
              Going by the strip-down, “{setAside.reason}” was set aside. Look, and take the wrong one away.
            </div>
          ))}
        {mode === 'off' && (
          <NameOff
            field={nameField}
            onNamed={(body) => {
              const taken = write('named-off', body);
              if (taken) setWanted(body.part);
              return taken;
            }}
            onUndo={undo}
            onLeave={() => list.current?.querySelector<HTMLElement>('[role=listbox]')?.focus()}
          />
        )}
        {lines.length === 0 ? (
          <p className="sheet">{mode === 'off' ? 'Everything is off.' : 'Nothing is off: the instrument is whole.'}</p>
        ) : (
          <PartList
            label={mode === 'off' ? 'Parts on the instrument, down the tube' : 'Parts to put back, in order'}
            lines={lines}
            chosen={chosen}
            onChoose={setWanted}
            onDo={doing}
            onUndo={undo}
            onName={nameIt}
            waits={unknown && mode === 'off'}
            ticks={mode === 'on'}
          />
        )}
        {mode === 'on' && assembly.backOn.length > 0 && (
          <p className="soft mt-2 mb-0">
            Back on:{' '}
            {assembly.backOn
              .slice(-6)
              .map(({ name }) => name)
              .join(', ')}
            {assembly.backOn.length > 6 && ` and ${assembly.backOn.length - 6} before`}
          </p>
        )}
      </div>
      <div>
        <Board chosen={chosen} next={mode === 'off' ? place : null} onChoose={setWanted} />
        <div className="d-flex flex-wrap gap-3 align-items-end">
          <BoardSize key={`${state.board.rows} ${state.board.columns}`} />
          <a className="btn btn-quiet" href={`/api/v1/jobs/${ticket}/board.pdf`}>
            Print the board
          </a>
          <a className="btn btn-quiet" href={`/api/v1/jobs/${ticket}/assembly.pdf`}>
            Print the way back
          </a>
        </div>
        <NotOnBoard onChoose={setWanted} />
      </div>
      <div>
        <Soaks />
        {chosen !== null && <PartDetails key={chosen} part={chosen} />}
      </div>
    </div>
  );
  return (
    <Bands
      work={work}
      readout={
        <div className="readout-plain">
          <div>
            <div className="next">
              {chosen === null ? (mode === 'off' ? 'Everything is off' : 'Whole again') : (names.get(chosen) ?? chosen)}
            </div>
            <div className="soft">
              {mode === 'off'
                ? `${state.off.size} off, ${still.length} still on${place ? ` · next place ${place}` : ' · the board is full: parts go to a bag'}`
                : `${assembly.lines.length} to put back`}
            </div>
          </div>
          {chosenLine && (
            <Button onClick={() => doing(chosenLine.part)}>
              {mode === 'off' ? `Take it off${place ? ` → ${place}` : ''}` : 'It is back on'}
            </Button>
          )}
          <Button variant="quiet" onClick={undo}>
            Strike the last
          </Button>
        </div>
      }
    />
  );
}

/** Parts that are off and lie elsewhere. */
function NotOnBoard({ onChoose }: { onChoose: (part: string) => void }) {
  const { state, names } = useJob();
  const elsewhere = [...state.off.values()].filter(({ cell }) => cell === null);
  if (elsewhere.length === 0) return null;
  return (
    <div className="mt-3">
      <h2>Not on the board</h2>
      <ul className="plain-list d-flex flex-wrap gap-1">
        {elsewhere.map((off) => (
          <li key={off.part}>
            <Button variant="quiet" onClick={() => onChoose(off.part)}>
              {names.get(off.part) ?? off.part} <span className="soft">{placeWords(off)}</span>
            </Button>
          </li>
        ))}
      </ul>
    </div>
  );
}
