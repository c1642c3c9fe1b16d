'use client';

import type { InstrumentType } from '@holotonos/core';
import { useEffect, useMemo, useRef, useState } from 'react';
import { useAltKey } from '@/frame/useAltKey';
import { SlimStrip } from './SlimStrip';
import { Strip } from './Strip';
import type { StripControl } from './StripControl';

/** How long a pointer rests on the map before it opens, and may be off it before it folds, ms. */
const opensAfter = 180;
const foldsAfter = 300;

/**
 * The map as a slim line that opens over the work: where a pointer rests on it, where it is gone to by key, or with Alt M. It
 * never pushes the work about. Esc folds it, and so does picking a part.
 *
 * @param onPin keeps it open above the work
 */
export function FoldedMap({
  type,
  control,
  onPin,
}: {
  type: InstrumentType;
  control: StripControl;
  onPin: () => void;
}) {
  const [open, setOpen] = useState(false);
  const frame = useRef<HTMLDivElement>(null);
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  const soon = (to: boolean, after: number) => {
    clearTimeout(timer.current);
    timer.current = setTimeout(() => setOpen(to), after);
  };
  const now = (to: boolean) => {
    clearTimeout(timer.current);
    setOpen(to);
  };
  useEffect(() => () => clearTimeout(timer.current), []);
  const byKey = useRef(false);
  useAltKey((code) => {
    if (code !== 'KeyM') return false;
    byKey.current = true;
    setOpen(!open);
    return true;
  });
  // Opened by its key, or from its button, the hands are on it at once: the arrow keys travel, and the slim line lies under it.
  useEffect(() => {
    const isHere = frame.current?.contains(document.activeElement) ?? false;
    if (open && (byKey.current || isHere)) frame.current?.querySelector<SVGGElement>('.strip [tabindex="0"]')?.focus();
    byKey.current = false;
  }, [open]);
  // A finger that goes on with the work folds it; what it touches need not take the focus.
  useEffect(() => {
    if (!open) return;
    const onDown = ({ target }: PointerEvent) => {
      if (!frame.current?.contains(target as Node)) setOpen(false);
    };
    // Wherever the hands are: a picture has nothing for them to be on. Those on the map do not go to its button, which would
    // open it again.
    const onEscape = ({ key }: KeyboardEvent) => {
      if (key !== 'Escape') return;
      if (frame.current?.contains(document.activeElement)) frame.current.focus();
      setOpen(false);
    };
    document.addEventListener('pointerdown', onDown);
    document.addEventListener('keydown', onEscape);
    return () => {
      document.removeEventListener('pointerdown', onDown);
      document.removeEventListener('keydown', onEscape);
    };
  }, [open]);
  const picking = useMemo(
    (): StripControl => ({
      ...control,
      onPick: (part, spot) => {
        setOpen(false);
        control.onPick(part, spot);
      },
    }),
    [control],
  );
  return (
    <div
      ref={frame}
      className="map"
      tabIndex={-1}
      onPointerEnter={({ pointerType }) => pointerType === 'mouse' && soon(true, opensAfter)}
      onPointerLeave={({ pointerType }) => {
        if (pointerType === 'mouse' && !frame.current?.contains(document.activeElement)) soon(false, foldsAfter);
        else clearTimeout(timer.current);
      }}
      onBlur={({ relatedTarget }) => {
        if (relatedTarget && !frame.current?.contains(relatedTarget)) now(false);
      }}
    >
      <div inert={open}>
        <SlimStrip
          type={type}
          stateOfPart={control.stateOfPart}
          here={control.here}
          {...(control.marks && { marks: control.marks })}
          onOpen={() => now(true)}
        />
      </div>
      {open && (
        <div className="map-open">
          <Strip type={type} control={picking} zoomsTo={control.here} folds={{ words: 'Keep open', turn: onPin }} />
        </div>
      )}
    </div>
  );
}
