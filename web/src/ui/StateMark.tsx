import { measureStateWords, type MeasureState } from '@holotonos/core';
import { stateGeometry } from './stateGeometry';

/** The shape of a state, in a box of 10 × 10 about the origin: shape says it first, colour second. */
export function StateShape({ state, size = 5 }: { state: MeasureState; size?: number }) {
  const { r, stroke, wedge, half, broken } = stateGeometry(size);
  return (
    <g className={`mark ${state}`} strokeWidth={stroke}>
      {state === 'unmeasured' && <circle r={r} />}
      {state === 'within' && <circle r={r} className="solid" />}
      {state === 'outside' && <path d={wedge} className="solid" />}
      {state === 'undecided' && (
        <>
          <circle r={r} />
          <path d={half} className="solid" />
        </>
      )}
      {state === 'stale' && <circle r={r} strokeDasharray={broken} />}
    </g>
  );
}

/** A state in a line of text: its shape, and its word for everyone. */
export function StateMark({ state, word = true }: { state: MeasureState; word?: boolean }) {
  return (
    <span className="state-word">
      <svg
        width="18"
        height="18"
        viewBox="-6 -6 12 12"
        role={word ? undefined : 'img'}
        aria-hidden={word}
        aria-label={word ? undefined : measureStateWords[state]}
      >
        <StateShape state={state} />
      </svg>
      {word && <span>{measureStateWords[state]}</span>}
    </span>
  );
}
