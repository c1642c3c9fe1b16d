'use client';

import type { PhotoState } from '@holotonos/core';
import { useId, useState } from 'react';
import { useWhen } from '@/frame/BenchContext';
import { useJob } from '@/job/JobContext';
import { Form } from '@/ui/bootstrap';
import { photoUrl } from './uploadPhoto';

/**
 * Two pictures of the same side over each other, at the same scale: the later one is drawn across the earlier one by hand,
 * so that a light line can be followed from one into the other.
 */
export function PhotoSwipe({ first, last }: { first: PhotoState; last: PhotoState }) {
  const { ticket } = useJob();
  const { dayText } = useWhen();
  const id = useId();
  const [share, setShare] = useState(50);
  const { width, height } = first;
  const at = (share / 100) * width;
  return (
    <figure className="photo-swipe">
      <svg viewBox={`0 0 ${width} ${height}`} role="img" aria-label="Before, and after drawn across it">
        <defs>
          <clipPath id={`${id}-clip`}>
            <rect x={0} y={0} width={at} height={height} />
          </clipPath>
        </defs>
        <image href={photoUrl(ticket, first.photo)} width={width} height={height} />
        {/* Whatever it was taken with, it lies over the other at the other’s scale. */}
        <image
          href={photoUrl(ticket, last.photo)}
          width={width}
          height={height}
          preserveAspectRatio="xMidYMid meet"
          clipPath={`url(#${id}-clip)`}
        />
        <line x1={at} x2={at} y1={0} y2={height} />
      </svg>
      <figcaption>
        <Form.Label htmlFor={id} className="mb-0">
          Left of the line {dayText(last.benchTime)}, right of it {dayText(first.benchTime)}
        </Form.Label>
        <Form.Range
          id={id}
          min={0}
          max={100}
          step={1}
          value={share}
          onChange={(event) => setShare(Number(event.target.value))}
        />
      </figcaption>
    </figure>
  );
}
