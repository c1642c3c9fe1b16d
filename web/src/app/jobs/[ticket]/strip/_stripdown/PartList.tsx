'use client';

import { useEffect, useId, useRef, type KeyboardEvent } from 'react';
import { useFirstFocus } from '@/frame/useFirstFocus';

export interface Line {
  part: string;
  name: string;
  /** what stands beside the name */
  words: string;
  /** what stands beneath it */
  why: string[];
  missing: boolean;
}

/** Parts to take off or to put back, walked with the arrow keys; Enter does it. */
export function PartList({
  label,
  lines,
  chosen,
  onChoose,
  onDo,
  onUndo,
  onName,
  waits,
  ticks,
}: {
  label: string;
  lines: readonly Line[];
  chosen: string | null;
  onChoose: (part: string) => void;
  onDo: (part: string) => void;
  onUndo: () => void;
  onName: () => void;
  /** the keys are wanted elsewhere first */
  waits: boolean;
  ticks: boolean;
}) {
  const id = useId();
  const list = useRef<HTMLUListElement>(null);
  const at = lines.findIndex(({ part }) => part === chosen);
  const move = (steps: number) => {
    const to = lines[Math.max(0, Math.min(lines.length - 1, at + steps))];
    if (to) onChoose(to.part);
  };
  useFirstFocus(list, waits);
  useEffect(() => {
    list.current?.querySelector('[aria-selected=true]')?.scrollIntoView({ block: 'nearest' });
  }, [chosen]);
  const onKeyDown = (event: KeyboardEvent) => {
    const acts: Record<string, () => void> = {
      ArrowDown: () => move(1),
      ArrowUp: () => move(-1),
      Home: () => move(-lines.length),
      End: () => move(lines.length),
      Enter: () => chosen !== null && onDo(chosen),
      Backspace: onUndo,
      n: onName,
    };
    const act = acts[event.key];
    if (!act || event.ctrlKey || event.metaKey || event.altKey) return;
    event.preventDefault();
    act();
  };
  return (
    <ul
      ref={list}
      className="part-list strip-list"
      role="listbox"
      aria-label={label}
      tabIndex={0}
      aria-activedescendant={at === -1 ? undefined : `${id}-${chosen}`}
      onKeyDown={onKeyDown}
    >
      {lines.map(({ part, name, words, why, missing }) => (
        <li
          key={part}
          id={`${id}-${part}`}
          role="option"
          aria-selected={part === chosen}
          onClick={() => onChoose(part)}
          onDoubleClick={() => onDo(part)}
        >
          {ticks && <span className="tick-box" aria-hidden="true" />}
          <span>
            {name} {words && <span className="soft">{words}</span>}
            {why.map((reason) => (
              <span key={reason} className={`d-block${missing ? '' : ' soft'}`}>
                {reason}
              </span>
            ))}
          </span>
        </li>
      ))}
    </ul>
  );
}
