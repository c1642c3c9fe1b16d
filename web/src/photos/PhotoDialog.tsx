'use client';

import type { PhotoState } from '@holotonos/core';
import { useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';
import { Button, Modal } from '@/ui/bootstrap';
import { useJob } from '@/job/JobContext';
import { PhotoMarks, type Mark } from './PhotoMarks';
import { photoUrl } from './uploadPhoto';
import { useWhen } from '@/frame/BenchContext';

const within = (share: number) => Math.min(1, Math.max(0, share));
/** How far one press of an arrow key moves a mark, as a share of the picture. */
const nudge = 0.02;

const moved = (mark: Mark, dx: number, dy: number, tipOnly: boolean): Mark => ({
  ...mark,
  toX: within(mark.toX + dx),
  toY: within(mark.toY + dy),
  ...(!tipOnly && { x: within(mark.x + dx), y: within(mark.y + dy) }),
});

/** A picture in full, with its marks: arrows and circles drawn by dragging, or set and moved with the keyboard. */
export function PhotoDialog({ photo, onClose }: { photo: PhotoState; onClose: () => void }) {
  const { momentText } = useWhen();
  const { ticket, names, write } = useJob();
  const [marks, setMarks] = useState<Mark[]>([...photo.marks]);
  const [shape, setShape] = useState<Mark['shape']>('arrow');
  const [chosen, setChosen] = useState<number | null>(null);
  const drawing = useRef(false);
  const { width, height } = photo;

  const shareAt = (event: PointerEvent<SVGSVGElement>) => {
    const box = event.currentTarget.getBoundingClientRect();
    return {
      x: within((event.clientX - box.left) / box.width),
      y: within((event.clientY - box.top) / box.height),
    };
  };
  const begin = (mark: Mark) => {
    setMarks([...marks, mark]);
    setChosen(marks.length);
  };
  const changeChosen = (change: (mark: Mark) => Mark) =>
    setMarks((now) => now.map((mark, i) => (i === chosen ? change(mark) : mark)));
  const remove = () => {
    setMarks((now) => now.filter((_mark, i) => i !== chosen));
    setChosen(null);
  };
  const onKeyDown = (event: KeyboardEvent) => {
    const step: Record<string, [number, number]> = {
      ArrowLeft: [-nudge, 0],
      ArrowRight: [nudge, 0],
      ArrowUp: [0, -nudge],
      ArrowDown: [0, nudge],
    };
    const by = step[event.key];
    if (by) changeChosen((mark) => moved(mark, by[0], by[1], event.shiftKey));
    else if (event.key === 'Delete' || event.key === 'Backspace') remove();
    else return;
    event.preventDefault();
  };
  const title =
    [photo.part && (names.get(photo.part) ?? photo.part), photo.caption].filter(Boolean).join(': ') || 'Photo';
  const changed = JSON.stringify(marks) !== JSON.stringify(photo.marks);

  return (
    <Modal show onHide={onClose} size="xl" aria-labelledby="photo-title">
      <Modal.Header closeButton>
        <Modal.Title id="photo-title" as="h2">
          {title}
        </Modal.Title>
      </Modal.Header>
      <Modal.Body>
        <svg
          className="photo-full"
          viewBox={`0 0 ${width} ${height}`}
          role="application"
          aria-label={`${title}. ${marks.length} marks. Arrow keys move the chosen mark, with Shift its tip; Delete takes it away.`}
          tabIndex={0}
          onKeyDown={onKeyDown}
          onPointerDown={(event) => {
            event.currentTarget.setPointerCapture(event.pointerId);
            const { x, y } = shareAt(event);
            drawing.current = true;
            begin({ shape, x, y, toX: x, toY: y });
          }}
          onPointerMove={(event) => {
            if (!drawing.current) return;
            const { x, y } = shareAt(event);
            changeChosen((mark) => ({ ...mark, toX: x, toY: y }));
          }}
          onPointerUp={() => {
            drawing.current = false;
            // A press without a drag is no mark.
            setMarks((now) => now.filter(({ x, y, toX, toY }) => Math.hypot(toX - x, toY - y) > 0.01));
          }}
        >
          <image href={photoUrl(ticket, photo.photo)} width={width} height={height} />
          <PhotoMarks width={width} height={height} marks={marks} chosen={chosen} />
        </svg>
        <p className="soft mt-2 mb-0">
          {photo.author}, {momentText(photo.benchTime)}. Marks are kept beside the picture; the picture itself stays as
          it was taken.
        </p>
      </Modal.Body>
      <Modal.Footer className="justify-content-start">
        {(['arrow', 'circle'] as const).map((each) => (
          <Button
            key={each}
            variant="quiet"
            aria-pressed={shape === each}
            onClick={() => {
              setShape(each);
              begin({ shape: each, x: 0.4, y: 0.4, toX: 0.5, toY: 0.5 });
            }}
          >
            Add {each === 'arrow' ? 'an arrow' : 'a circle'}
          </Button>
        ))}
        <Button variant="quiet" disabled={chosen === null} onClick={remove}>
          Take the mark away
        </Button>
        <span className="flex-grow-1" />
        <Button
          disabled={!changed}
          onClick={() => {
            if (write('photo-marks', { photo: photo.photo, marks })) onClose();
          }}
        >
          Keep the marks
        </Button>
      </Modal.Footer>
    </Modal>
  );
}
