'use client';

import { useId, useState } from 'react';
import { Form } from '@/ui/bootstrap';

export type StripLayer = 'holes' | 'posts' | 'keys' | 'links' | 'states' | 'photos';

/** What keeps the strip open above the work, or folds it to a slim map, in words. */
export interface Folds {
  words: string;
  turn: () => void;
}

const layerWords: Record<StripLayer, string> = {
  holes: 'Holes',
  posts: 'Posts and rods',
  keys: 'Keys',
  links: 'Links',
  states: 'States',
  photos: 'Photos',
};

/** The column of tools beside the strip: closer, farther, whole, stacked, layers. */
export function StripTools({
  stacked,
  layers,
  several,
  pictured,
  onPicture,
  onStack,
  onLayer,
  onZoom,
  onFit,
  folds,
}: {
  stacked: boolean;
  layers: readonly StripLayer[];
  several: boolean;
  pictured: boolean;
  onPicture: () => void;
  onStack: () => void;
  onLayer: (layer: StripLayer) => void;
  onZoom: (inward: boolean) => void;
  onFit: () => void;
  /** not offered where the strip has to stand */
  folds?: Folds;
}) {
  const id = useId();
  const [open, setOpen] = useState(false);
  return (
    <div className="strip-tools" role="group" aria-label="Strip">
      <button type="button" onClick={() => onZoom(true)} aria-label="Closer">
        +
      </button>
      <button type="button" onClick={() => onZoom(false)} aria-label="Farther">
        −
      </button>
      <button type="button" onClick={onFit} className="label">
        Whole
      </button>
      <button type="button" onClick={onPicture} className="label" aria-pressed={pictured}>
        Picture
      </button>
      {several && (
        <button type="button" onClick={onStack} className="label" aria-pressed={stacked}>
          Stack
        </button>
      )}
      <button
        type="button"
        onClick={() => setOpen(!open)}
        className="label"
        aria-expanded={open}
        aria-controls={`${id}-layers`}
      >
        Layers
      </button>
      {folds && (
        <button type="button" onClick={folds.turn} className="label">
          {folds.words}
        </button>
      )}
      {open && (
        <fieldset
          id={`${id}-layers`}
          className="strip-layers"
          onKeyDown={(event) => event.key === 'Escape' && setOpen(false)}
        >
          <legend className="visually-hidden">Layers</legend>
          {(Object.keys(layerWords) as StripLayer[]).map((layer) => (
            <Form.Check
              key={layer}
              id={`${id}-${layer}`}
              type="checkbox"
              label={layerWords[layer]}
              checked={layers.includes(layer)}
              onChange={() => onLayer(layer)}
            />
          ))}
        </fieldset>
      )}
    </div>
  );
}
